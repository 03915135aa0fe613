import type { Gauge } from '../gauge/gauge'
import type { Reduced, Reductions } from '../method/reduction'
import type { LinePoint } from '../trend/wearLine'
import type { Characteristic } from './bookSchema'
import type { InspectionRecord, Overhaul } from './recordSchema'
import { reduce } from './reduce'
import type { Stage } from './stage'
import { NOTHING_TAKEN, standingByCharacteristic, type TakenSet, takenOf } from './standing'

/** A set with the values it gives. */
export interface ReducedSet {
  readonly set: TakenSet
  readonly reductions: Reductions
}

/** What the earlier overhauls say of the parts that are installed now, by characteristic. */
export interface EarlierOverhauls {
  /** Judged values since the part was new, replaced or reconditioned, oldest first. */
  readonly lines: ReadonlyMap<string, readonly LinePoint[]>
  /** How the last overhaul that measured it left it. */
  readonly lastLeft: ReadonlyMap<string, ReducedSet>
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
    const set = own ? takenOf(characteristic, own, gauges) : NOTHING_TAKEN
    made.set(characteristic.id, {
      set,
      reductions: reduce(
        characteristic,
        set,
        (id) => made.get(id)?.reductions,
        (id) => made.get(id)?.set,
      ),
    })
  }
  return made
}

/**
 * The earlier overhauls for the parts that are installed now: a replaced part starts a new line, and an as-left value
 * after work is a new base.
 */
export function earlierOverhauls(
  record: InspectionRecord,
  order: readonly Characteristic[],
  gauges: ReadonlyMap<string, Gauge>,
): EarlierOverhauls {
  const lines = new Map<string, LinePoint[]>(record.book.characteristics.map(({ id }) => [id, []]))
  const lastLeft = new Map<string, ReducedSet>()
  const overhauls = [...record.history].sort((a, b) => a.runningHours - b.runningHours)
  for (const overhaul of overhauls) {
    const asFound = reduceOverhaul(order, overhaul, 'asFound', gauges)
    const asLeft = reduceOverhaul(order, overhaul, 'asLeft', gauges)
    for (const characteristic of record.book.characteristics) {
      const { id, part } = characteristic
      const isSame = overhaul.installed[part] === record.job.installed[part]
      const left = asLeft.get(id)
      const taken = left && left.reductions.taken > 0 ? left : isSame ? asFound.get(id) : undefined
      if (taken && taken.reductions.taken > 0) lastLeft.set(id, taken)
      else if (!isSame) lastLeft.delete(id)

      const line = lines.get(id)
      const judges = characteristic.limits[0]?.judges
      if (!line || !judges) continue
      const point = (value: Reduced | undefined): LinePoint[] =>
        value?.open === 'complete' && value.value !== null
          ? [{ overhaul: overhaul.overhaul, date: overhaul.date, runningHours: overhaul.runningHours, value: value.value }]
          : []
      const base = point(left?.reductions.values[judges])
      if (base.length > 0) line.splice(0, line.length, ...base)
      else if (isSame) line.push(...point(asFound.get(id)?.reductions.values[judges]))
      else line.length = 0
    }
  }
  return { lines, lastLeft }
}
