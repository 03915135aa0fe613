/** Less known is never milder: how a record is made to know less, and what must be so then. */

import { type Random, randomFrom } from '../base/random.fixture'
import { crossedLimits } from '../limit/crossed'
import type { Limit } from '../limit/limit'
import { formAt, type Slot } from '../method/layout'
import { type Disposition, dispositionRank } from '../policy/disposition'
import { anyRecord } from '../record/anyRecord.fixture'
import type { InspectionRecord, Reading } from '../record/recordSchema'
import { evaluate } from './evaluate'

interface Span {
  readonly mild: Disposition
  readonly strong: Disposition
}

/** Spans of everything that is judged as found, by name. */
function spansOf(record: InspectionRecord): ReadonlyMap<string, Span> {
  const { characteristics, parts } = evaluate(record)
  return new Map<string, Span>([
    ...characteristics.map((result) => [`characteristic ${result.id}`, result] as const),
    ...parts.map((result) => [`part ${result.id}`, result] as const),
  ])
}

const withReadings = (record: InspectionRecord, readings: readonly Reading[]): InspectionRecord => ({
  ...record,
  job: { ...record.job, readings: [...readings] },
})

/** A reading of which less is known: taken away (null), a range that holds it, or a bound. */
function blurred(record: InspectionRecord, reading: Reading, random: Random): Reading | null {
  const method = record.book.characteristics.find(({ id }) => id === reading.characteristic)?.method
  const isFigure = method && formAt(method, reading as Slot).kind === 'quantity'
  const how = random.integer(3)
  if (how === 0 || !isFigure || reading.kind === 'cannot' || reading.kind === 'notApplicable') return null
  const [low, high] = reading.kind === 'point' ? [reading.value, reading.value] : [reading.low, reading.high]
  const by = (): number => 0.01 * random.integer(random.chance(0.3) ? 200 : 8)
  const lower = low === null ? null : Number((low - by()).toFixed(2))
  const higher = high === null ? null : Number((high + by()).toFixed(2))
  const side = random.integer(2)
  const ends = how === 1 ? { low: lower, high: higher } : side === 0 ? { low: lower, high: null } : { low: null, high: higher }
  if (ends.low === null && ends.high === null) return null
  if (ends.low !== null && ends.low === ends.high) return reading
  return { ...reading, kind: 'interval', value: null, ...ends, text: `${ends.low ?? ''}..${ends.high ?? ''}` }
}

/**
 * Makes a record, takes knowledge away from some of its readings, and holds the spans against each other: what was known
 * better must lie inside what is known less well. A sentence for the first that does not; null when all hold.
 */
export function lessKnownIsMilder(seed: number): string | null {
  const record = anyRecord(seed)
  const random = randomFrom(seed ^ 0x5bd1e995)
  const share = random.pick([0.08, 0.3, 0.8])
  const { readings } = record.job
  const touched: string[] = []
  const less = readings.flatMap((reading) => {
    if (!random.chance(share)) return [reading]
    const made = blurred(record, reading, random)
    if (made !== reading)
      touched.push(
        `${reading.characteristic}/${reading.station}/${reading.direction}/${reading.repeat} ${reading.text} → ${made?.text ?? 'nothing'}`,
      )
    return made === null ? [] : [made]
  })
  const [more, fewer] = [spansOf(record), spansOf(withReadings(record, less))]
  for (const [name, before] of more) {
    const after = fewer.get(name)
    if (!after) return `seed ${seed}: ${name} is gone`
    if (
      dispositionRank[after.mild] > dispositionRank[before.mild] ||
      dispositionRank[after.strong] < dispositionRank[before.strong]
    ) {
      const { method } = record.book.characteristics[0] ?? {}
      const { acceptance } = record.job.policy
      return `seed ${seed} (${method?.kind}, ${acceptance.kind}): ${name} was ${before.mild} to ${before.strong}, with less known ${after.mild} to ${after.strong}; ${touched.join('; ')}`
    }
  }
  return null
}

/** A limit that every value is so much further past. */
const tighter = <L extends Pick<Limit, 'side' | 'plan' | 'wear'>>(limit: L, by: number): L => {
  const moved = (bound: number): number => Number((limit.side === 'upper' ? bound - by : bound + by).toFixed(6))
  return { ...limit, wear: moved(limit.wear), plan: limit.plan === null ? null : moved(limit.plan) }
}

/**
 * Moves every judged result of a record further past its limit, whatever its method, by as much drawing the limits in: no
 * verdict may become milder. Without earlier overhauls: how the last one left a part decides what it is judged by.
 */
export function furtherPastIsNeverMilder(seed: number): string | null {
  const made = anyRecord(seed)
  const record = { ...made, history: [] }
  const random = randomFrom(seed ^ 0x9e3779b9)
  const by = (): number => (random.chance(0.3) ? 0 : 0.01 * random.integer(random.chance(0.3) ? 300 : 12))
  // Drawn in until nothing could lie between them they would judge nothing any more.
  const drawnIn = <L extends Limit>(limits: readonly L[]): L[] => {
    const drawn = limits.map((limit) => tighter(limit, by()))
    return crossedLimits(drawn).size > 0 ? [...limits] : drawn
  }
  const further: InspectionRecord = {
    ...record,
    book: {
      ...record.book,
      characteristics: record.book.characteristics.map((one) => ({
        ...one,
        limits: drawnIn(one.limits),
      })),
      fits: record.book.fits.map((fit) => ({ ...fit, limits: drawnIn(fit.limits) })),
    },
  }
  const after = spansOf(further)
  for (const [name, before] of spansOf(record)) {
    const then = after.get(name)
    if (!then) return `seed ${seed}: ${name} is gone`
    if (
      dispositionRank[then.mild] < dispositionRank[before.mild] ||
      dispositionRank[then.strong] < dispositionRank[before.strong]
    ) {
      const { method } = record.book.characteristics[0] ?? {}
      return `seed ${seed} (${method?.kind}): ${name} was ${before.mild} to ${before.strong}, further past its limits ${then.mild} to ${then.strong}`
    }
  }
  return null
}
