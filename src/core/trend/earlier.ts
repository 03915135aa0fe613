import type { Characteristic, LimitBook } from '../book/bookSchema'
import { sistersIn } from '../fit/alike'
import type { Gauge } from '../gauge/gauge'
import type { Reduced, ReductionName, Reductions } from '../method/reduction'
import type { InspectionRecord, Overhaul } from '../record/recordSchema'
import { reduce } from '../record/reduce'
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

export type LinesByValue = ReadonlyMap<ReductionName, readonly LinePoint[]>

/** What the earlier overhauls say of the parts that are installed now, by characteristic. */
export interface EarlierOverhauls {
  /** Values with a limit since the part was new, replaced or reconditioned, oldest first. */
  readonly lines: ReadonlyMap<string, LinesByValue>
  /** How the last overhaul that measured it left it. */
  readonly lastLeft: ReadonlyMap<string, ReducedSet>
  /** What the wear of a part is counted from where no document gives a new size: how it was last new or worked on. */
  readonly base: ReadonlyMap<string, ReducedSet>
  /** How far readings of a value and its sisters scatter about their own lines; null where none has a line of three. */
  readonly spreadOf: (characteristic: Characteristic, judges: ReductionName) => SisterSpread | null
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

/**
 * The earlier overhauls for the parts that are installed now. A replaced part starts a new line: what was read or left
 * of another part says nothing of this one. Work done is a new base, as it was left, or where nobody measured that, as it
 * was after the work.
 */
export function earlierOverhauls(
  record: InspectionRecord,
  order: readonly Characteristic[],
  gauges: ReadonlyMap<string, Gauge>,
): EarlierOverhauls {
  const lines = new Map<string, Map<ReductionName, LinePoint[]>>()
  const lastLeft = new Map<string, ReducedSet>()
  const base = new Map<string, ReducedSet>()
  for (const { id, limits } of record.book.characteristics)
    lines.set(id, new Map([...new Set(limits.map(({ judges }) => judges))].map((judges) => [judges, []])))
  const overhauls = [...record.history].sort((a, b) => a.runningHours - b.runningHours)
  for (const overhaul of overhauls) {
    const at = Object.fromEntries(stages.map((stage) => [stage, reduceOverhaul(order, overhaul, stage, gauges)]))
    for (const { id, part } of record.book.characteristics) {
      const own = lines.get(id)
      if (overhaul.installed[part] !== record.job.installed[part]) {
        lastLeft.delete(id)
        base.delete(id)
        for (const line of own?.values() ?? []) line.length = 0
        continue
      }
      const measured = (stage: Stage): ReducedSet | undefined => {
        const found = at[stage]?.get(id)
        return found && found.reductions.taken > 0 ? found : undefined
      }
      const [found, worked, left] = stages.map(measured)
      const leftAs = left ?? worked ?? found
      if (leftAs) lastLeft.set(id, leftAs)
      const begins = left ?? worked ?? (base.has(id) ? undefined : found)
      if (begins) base.set(id, begins)
      for (const [judges, line] of own ?? []) {
        const begun = pointOf(overhaul, left, judges) ?? pointOf(overhaul, worked, judges)
        if (begun) line.splice(0, line.length, begun)
        else {
          const next = pointOf(overhaul, found, judges)
          if (next) line.push(next)
        }
      }
    }
  }
  return { lines, lastLeft, base, spreadOf: sisterSpreads(record.book, lines) }
}

function pointOf(
  { overhaul, date, runningHours }: Overhaul,
  set: ReducedSet | undefined,
  judges: ReductionName,
): LinePoint | null {
  const value: Reduced | undefined = set?.reductions.values[judges]
  return value?.open === 'complete' && value.value !== null
    ? { overhaul, date, runningHours, value: value.value, uncertainty: value.uncertainty }
    : null
}

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
  return ({ id, method }, judges) => {
    const alike = [id, ...(sisters.get(id) ?? [])].filter((of) => methodOf.get(of) === method.kind)
    const [squares, degrees] = alike
      .flatMap((of) => scatterOf(lines.get(of)?.get(judges)) ?? [])
      .reduce(([sum, count], one) => [sum + one.squares, count + one.degrees], [0, 0])
    return degrees > 0 ? { value: Math.sqrt(squares / degrees), degreesOfFreedom: degrees } : null
  }
}
