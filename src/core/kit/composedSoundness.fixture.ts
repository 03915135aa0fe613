/** What must hold of any machine composed from the kit; a sentence for the first that does not. */
import { type Random, randomFrom } from '../base/random.fixture'
import { evaluate, startEvaluation } from '../evaluate/evaluate'
import { crossedLimits } from '../limit/crossed'
import { type Disposition, dispositionRank } from '../policy/disposition'
import type { InspectionRecord, Reading } from '../record/recordSchema'
import { anyComposed, withUnrelated } from './anyComposed.fixture'
import { falseReuse } from './reuseReader.fixture'

interface Span {
  readonly mild: Disposition
  readonly strong: Disposition
}
const spansOf = (record: InspectionRecord): ReadonlyMap<string, Span> =>
  new Map(evaluate(record).parts.map((part) => [part.id, part]))
const told = ({ mild, strong }: Span): string => `${mild} to ${strong}`

/** Reuse has been told everything that it must have been told, in the eyes of a reader who knows nothing of the core. */
function reuseIsTold(seed: number): string | null {
  const record = anyComposed(seed)
  const { parts } = evaluate(record)
  const claims = parts.filter(({ need }) => need === 'required').map(({ id, verdict }) => ({ part: id, verdict }))
  const [first] = falseReuse(record, claims)
  return first === undefined ? null : `seed ${seed}: ${first}`
}

/** Of a gate that holds, everything it looks at is told. */
function heldGateIsTold(seed: number): string | null {
  const record = anyComposed(seed)
  const { scope } = evaluate(record)
  if (scope.gate?.kind !== 'held') return null
  const measures = new Set(scope.gate.measured)
  const characteristics = record.book.characteristics.filter(({ id }) => measures.has(id))
  const book = { ...record.book, characteristics, fits: [] }
  const claims = [...new Set(characteristics.map(({ part }) => part))].map((part) => ({ part, verdict: 'reuse' }))
  const [first] = falseReuse({ ...record, book }, claims)
  return first === undefined ? null : `seed ${seed}: the gate holds, and ${first}`
}

/** Takes away a reading, a limit, or the look at a part; or reads with a gauge that nobody knows. */
function lessOf(record: InspectionRecord, random: Random): InspectionRecord {
  const { job, book } = record
  const drop = <T>(items: readonly T[], share: number): T[] => items.filter(() => !random.chance(share))
  const entries = job.entries.filter(({ body }) => body.kind !== 'inspected' || !random.chance(0.1))
  const readings = drop(job.readings, 0.05).map((reading) => (random.chance(0.03) ? { ...reading, gauge: null } : reading))
  const unlimited = <T extends { readonly limits: readonly unknown[] }>(of: T): T => ({ ...of, limits: drop(of.limits, 0.05) })
  return {
    ...record,
    job: { ...job, entries, readings },
    book: { ...book, characteristics: book.characteristics.map(unlimited), fits: book.fits.map(unlimited) },
  } as InspectionRecord
}

/** Less known is never milder, and leaves no less open. */
function composedLessKnown(seed: number): string | null {
  const record = anyComposed(seed)
  // A gate that holds leaves parts out, and then nothing is asked of them: less known, they are asked for again.
  if (evaluate(record).scope.gate) return null
  const after = spansOf(lessOf(record, randomFrom(seed ^ 0x2545f491)))
  for (const [part, before] of spansOf(record)) {
    const then = after.get(part)
    if (!then) return `seed ${seed}: ${part} is gone`
    if (
      dispositionRank[then.strong] < dispositionRank[before.strong] &&
      dispositionRank[before.mild] <= dispositionRank[then.strong]
    )
      return `seed ${seed}: ${part} was ${told(before)}, with less known ${told(then)}`
    if (before.mild === 'reuse' && before.strong !== 'reuse' && then.strong === 'reuse')
      return `seed ${seed}: ${part} was ${told(before)}, with less known it is reuse`
  }
  return null
}

/** Another limit passed is never milder. */
function composedFurther(seed: number): string | null {
  const record = anyComposed(seed)
  const random = randomFrom(seed ^ 0x1b873593)
  const passed = <T extends { readonly limits: readonly { readonly side: 'upper' | 'lower' }[] }>(of: T): T =>
    random.chance(0.15)
      ? {
          ...of,
          limits: of.limits
            .map((limit) => ({ ...limit, wear: limit.side === 'upper' ? -900 : 900 }))
            .slice(0, 1)
            .concat(of.limits.slice(1) as never),
        }
      : of
  const further = {
    ...record,
    book: { ...record.book, characteristics: record.book.characteristics.map(passed), fits: record.book.fits.map(passed) },
  } as InspectionRecord
  const isCrossed = [...further.book.characteristics, ...further.book.fits].some(({ limits }) => crossedLimits(limits).size > 0)
  if (isCrossed || evaluate(record).scope.gate) return null
  const after = spansOf(further)
  for (const [part, before] of spansOf(record)) {
    const then = after.get(part)
    if (
      !then ||
      dispositionRank[then.mild] < dispositionRank[before.mild] ||
      dispositionRank[then.strong] < dispositionRank[before.strong]
    )
      return `seed ${seed}: ${part} was ${told(before)}, with a limit passed ${then ? told(then) : 'gone'}`
  }
  return null
}

/** What belongs to another assembly changes nothing. */
function unrelatedChangesNothing(seed: number): string | null {
  const record = anyComposed(seed)
  const after = spansOf(withUnrelated(record, seed ^ 0x85ebca6b))
  for (const [part, before] of spansOf(record)) {
    const then = after.get(part)
    if (!then || told(then) !== told(before))
      return `seed ${seed}: ${part} was ${told(before)}, beside another assembly ${then ? told(then) : 'gone'}`
  }
  return null
}

/** Carried on from reading to reading it comes out as when all is read at once. */
function carriedIsWhole(seed: number): string | null {
  const record = anyComposed(seed)
  const random = randomFrom(seed ^ 0x27d4eb2f)
  const found = record.book.characteristics.filter(({ asLeftOnly }) => !asLeftOnly)
  if (found.length === 0) return null
  const { id } = random.pick(found)
  const [own, others] = [true, false].map((is) =>
    record.job.readings.filter(({ characteristic }) => (characteristic === id) === is),
  ) as [Reading[], Reading[]]
  const before = { ...record, job: { ...record.job, readings: others } }
  const carried = startEvaluation(before).with(id, own, 'asFound').results
  return JSON.stringify(carried) === JSON.stringify(evaluate(record))
    ? null
    : `seed ${seed}: ${id} carried on comes out otherwise`
}

/** All of them, each by what it says. */
export const composedLaws = [
  ['reuse is told all that it must be told', reuseIsTold],
  ['a gate that holds is told all of it', heldGateIsTold],
  ['less known is never milder', composedLessKnown],
  ['further past is never milder', composedFurther],
  ['an unrelated part changes nothing', unrelatedChangesNothing],
  ['carried on it comes out as all at once', carriedIsWhole],
] as const
