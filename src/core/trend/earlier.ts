import type { Characteristic, FitSpec, LimitBook } from '../book/bookSchema'
import { sistersIn } from '../fit/alike'
import { readBy } from '../fit/kinds'
import type { Gauge } from '../gauge/gauge'
import type { Limit } from '../limit/limit'
import type { Reduced, Reductions } from '../method/reduction'
import type { InspectionRecord, Overhaul } from '../record/recordSchema'
import { readAt, reduce } from '../record/reduce'
import { type Stage, stages } from '../record/stage'
import { NOTHING_TAKEN, standingByCharacteristic, type TakenSet, takenOf, trustingGauges } from '../record/standing'
import type { SisterSpread } from './forecast'
import { leastSquaresLine } from './regression'
import type { LinePoint } from './wearLine'

/** A set with the values it gives. */
export interface ReducedSet {
  readonly set: TakenSet
  readonly reductions: Reductions
}

/** Lines by the key of what they are of. */
export type LinesByValue = ReadonlyMap<string, readonly LinePoint[]>

/** What a limit judges: a value over all places, or what was read at one of them. */
type Judged = Pick<Limit, 'judges' | 'at'>
export const lineKey = ({ judges, at }: Judged): string => (at ? `${judges}@${at.station}/${at.direction}` : judges)

/** Clearances of a fit at one time; null while they are not known. */
export interface ClearancesThen {
  readonly minimum: Reduced | null
  readonly maximum: Reduced | null
}

/** How a fit comes to its clearances from what was measured of its sides. */
export type ClearancesOf = (fit: FitSpec, at: (characteristic: string) => ReducedSet | undefined) => ClearancesThen

/** What the earlier overhauls say of the parts that are installed now, by characteristic. */
export interface EarlierOverhauls {
  /** Values with a limit since the part was new, replaced or reconditioned, oldest first. */
  readonly lines: ReadonlyMap<string, LinesByValue>
  /** Clearances of fits, as long as all that belongs to them is fitted. */
  readonly fitLines: ReadonlyMap<string, LinesByValue>
  /** How the last overhaul that measured it left it. */
  readonly lastLeft: ReadonlyMap<string, ReducedSet>
  /** What the wear of a part is counted from where no document gives a new size: how it was last new or worked on. */
  readonly base: ReadonlyMap<string, ReducedSet>
  /** How far readings of a value and its sisters scatter about their own lines; null where none has a line of three. */
  readonly spreadOf: (characteristic: Characteristic, line: string) => SisterSpread | null
}

/** Everything taken at one stage of an overhaul, reduced, by characteristic. */
function reduceOverhaul(
  order: readonly Characteristic[],
  overhaul: Pick<Overhaul, 'readings'>,
  stage: Stage,
  gauges: ReadonlyMap<string, Gauge>,
): ReadonlyMap<string, ReducedSet> {
  const standing = standingByCharacteristic(overhaul.readings, stage)
  const made = new Map<string, ReducedSet>()
  if (standing.size === 0) return made
  for (const characteristic of order) {
    const own = standing.get(characteristic.id)
    // Nobody wrote down with what some of it was read: it is believed as well as its worst gauge.
    const set = own ? trustingGauges(characteristic, takenOf(characteristic, own, gauges), gauges) : NOTHING_TAKEN
    made.set(characteristic.id, {
      set,
      reductions: reduce(characteristic, set, (id) => made.get(id)?.reductions, { guard: 0, base: null }),
    })
  }
  return made
}

/** What begins anew when a part is replaced or worked on. */
interface Begun {
  readonly line: LinePoint[]
  readonly judged: Judged
}

/**
 * The earlier overhauls for the parts that are installed now. A replaced part starts a new line, with what was left of it at the
 * overhaul that fitted it: what was read of another part says nothing of this one. Work done is a new base, as it was left, or
 * where nobody measured that, as it was after the work.
 */
export function earlierOverhauls(
  record: InspectionRecord,
  order: readonly Characteristic[],
  gauges: ReadonlyMap<string, Gauge>,
  clearancesOf: ClearancesOf,
): EarlierOverhauls {
  const { characteristics, fits } = record.book
  const lines = new Map<string, Map<string, Begun>>()
  const fitLines = new Map<string, Map<string, Begun>>()
  const lastLeft = new Map<string, ReducedSet>()
  const base = new Map<string, ReducedSet>()
  for (const { id, limits } of characteristics) lines.set(id, begunFor(limits))
  for (const { id, limits } of fits) fitLines.set(id, begunFor(limits))
  const partOf = new Map(characteristics.map(({ id, part }) => [id, part]))
  const overhauls = [...record.history].sort((a, b) => a.runningHours - b.runningHours)
  for (const overhaul of overhauls) {
    const at = Object.fromEntries(stages.map((stage) => [stage, reduceOverhaul(order, overhaul, stage, gauges)]))
    const measured = (id: string, stage: Stage): ReducedSet | undefined => {
      const found = at[stage]?.get(id)
      return found && found.reductions.taken > 0 ? found : undefined
    }
    const isFitted = (part: string | undefined): boolean =>
      part === undefined || overhaul.installed[part] === record.job.installed[part]
    for (const characteristic of characteristics) {
      const { id, part } = characteristic
      const [found, worked, left] = stages.map((stage) => measured(id, stage))
      const own = [...(lines.get(id)?.values() ?? [])]
      const point = ({ judged }: Begun, set: ReducedSet | undefined) =>
        set ? pointOf(overhaul, valueAt(characteristic, set, judged)) : null
      if (!isFitted(part)) {
        lastLeft.delete(id)
        base.delete(id)
        // What was left at the overhaul that took another one out is of what was put in: unless that went out too.
        if (left) {
          lastLeft.set(id, left)
          base.set(id, left)
        }
        for (const begun of own) restart(begun.line, point(begun, left))
        continue
      }
      const leftAs = left ?? worked ?? found
      if (leftAs) lastLeft.set(id, leftAs)
      const begins = left ?? worked ?? (base.has(id) ? undefined : found)
      if (begins) base.set(id, begins)
      for (const begun of own) {
        const anew = point(begun, left) ?? point(begun, worked)
        const next = point(begun, found)
        if (anew) restart(begun.line, anew)
        else if (next) begun.line.push(next)
      }
    }
    for (const fit of fits) {
      const sides = readBy(fit)
      const own = [...(fitLines.get(fit.id)?.values() ?? [])]
      const isWhole = sides.every((id) => isFitted(partOf.get(id)))
      const isWorked = sides.some((id) => measured(id, 'afterWork') ?? measured(id, 'asLeft'))
      const leftAs = (id: string): ReducedSet | undefined =>
        measured(id, 'asLeft') ?? measured(id, 'afterWork') ?? (isFitted(partOf.get(id)) ? measured(id, 'asFound') : undefined)
      const then = clearancesOf(fit, isWorked ? leftAs : (id) => measured(id, 'asFound'))
      for (const { line, judged } of own) {
        const point = pointOf(overhaul, then[judged.judges === 'minimum' ? 'minimum' : 'maximum'])
        if (isWorked) restart(line, point)
        else if (!isWhole) restart(line, null)
        else if (point) line.push(point)
      }
    }
  }
  const made = linesIn(lines)
  return { lines: made, fitLines: linesIn(fitLines), lastLeft, base, spreadOf: sisterSpreads(record.book, made) }
}

const begunFor = (limits: readonly Limit[]): Map<string, Begun> =>
  new Map(limits.map(({ judges, at }): [string, Begun] => [lineKey({ judges, at }), { line: [], judged: { judges, at } }]))

const linesIn = (begun: ReadonlyMap<string, ReadonlyMap<string, Begun>>): ReadonlyMap<string, LinesByValue> =>
  new Map([...begun].map(([id, own]) => [id, new Map([...own].map(([key, { line }]) => [key, line]))]))

const restart = (line: LinePoint[], point: LinePoint | null): void => {
  line.splice(0, line.length, ...(point ? [point] : []))
}

/** What a limit judges, as a set gives it. */
function valueAt(characteristic: Characteristic, { set, reductions }: ReducedSet, { judges, at }: Judged): Reduced | null {
  return at ? readAt(characteristic, set, at, 0) : (reductions.values[judges] ?? null)
}

const pointOf = ({ overhaul, date, runningHours }: Overhaul, value: Reduced | null): LinePoint | null =>
  value?.open === 'complete' && value.value !== null
    ? { overhaul, date, runningHours, value: value.value, uncertainty: value.uncertainty }
    : null

/** A line of so many points shows how its readings scatter. */
const LINE_OF = 3

/** How the readings of a value scatter about a line of its own; null where it has none that shows it. */
function scatterOf(points: readonly LinePoint[] | undefined): { readonly squares: number; readonly degrees: number } | null {
  if (!points || points.length < LINE_OF) return null
  const line = leastSquaresLine(points.map(({ runningHours, value }) => ({ hours: runningHours, value })))
  return line && { squares: line.residualSquares, degrees: points.length - 2 }
}

/** Its own line and those of its sisters: equal places as the book names them, read by the same method. */
function sisterSpreads(
  { characteristics, equalParts = [] }: Pick<LimitBook, 'characteristics' | 'equalParts'>,
  lines: ReadonlyMap<string, LinesByValue>,
): EarlierOverhauls['spreadOf'] {
  const sisters = sistersIn(equalParts)
  const methodOf = new Map(characteristics.map(({ id, method }) => [id, method.kind]))
  return ({ id, method }, line) => {
    const alike = [id, ...(sisters.get(id) ?? [])].filter((of) => methodOf.get(of) === method.kind)
    const [squares, degrees] = alike
      .flatMap((of) => scatterOf(lines.get(of)?.get(line)) ?? [])
      .reduce(([sum, count], one) => [sum + one.squares, count + one.degrees], [0, 0])
    return degrees > 0 ? { value: Math.sqrt(squares / degrees), degreesOfFreedom: degrees } : null
  }
}
