import type { Characteristic } from '../book/bookSchema'
import { quantityOf } from '../method/gives'
import type { Known } from '../method/known'
import { sheetInputOf, slotKey, slotsOf } from '../method/layout'
import { wearsTowards } from '../method/method'
import { type Sheet, sheetOf } from '../method/reduce/places'
import { reduceReadings } from '../method/reduce/reduce'
import { knownOf, type Reduced, type ReductionName, type Reductions, reduced } from '../method/reduction'
import { type PlaceOf, placeAt } from '../method/where'
import type { TakenSet } from './standing'

export type ReductionsAt = (characteristic: string) => Reductions | undefined

export interface ReduceBy {
  /** Standard uncertainties the guard band of the policy is wide. */
  readonly guard: number
  /** How an earlier overhaul left it, to count wear from where no document gives a new size. */
  readonly base: Reductions | null
}

/** The extreme that wears, as the base has it; a base that is itself still open is none. */
function baseOf({ method }: Characteristic, base: Reductions | null): Known | null {
  const towards = wearsTowards(method)
  if (base === null || towards === 'either') return null
  const { maximum, minimum, total, result, mean } = base.values
  const value = (towards === 'larger' ? maximum : minimum) ?? total ?? result ?? mean
  return value?.open === 'complete' && value.value !== null ? knownOf(value) : null
}

/** The values of one characteristic from its set, and from the values of those it is computed from. */
export function reduce(characteristic: Characteristic, set: TakenSet, at: ReductionsAt, { guard, base }: ReduceBy): Reductions {
  return reduceReadings(characteristic.method, set.taken, {
    nominal: characteristic.new?.nominal ?? baseOf(characteristic, base),
    runsIn: wornDiameter(characteristic, at),
    resultOf: (id, value) => at(id)?.values[value as ReductionName] ?? null,
    marked: set,
    guard,
  })
}

/** The places of a sheet of diameters or the like with what is known there, as its values are made from. */
export function sheetAt({ method }: Pick<Characteristic, 'method'>, set: TakenSet, guard: number): Sheet {
  const notApplicable = new Set(set.notApplicable)
  const slots = slotsOf(method).filter((slot) => !notApplicable.has(slotKey(slot)))
  return sheetOf(sheetInputOf(method, set.taken, slots, guard))
}

/** What was read at one place alone; null while nothing was. */
export function readAt(
  characteristic: Pick<Characteristic, 'method'>,
  set: TakenSet,
  at: PlaceOf,
  guard: number,
): Reduced | null {
  const { places } = sheetAt(characteristic, set, guard)
  const place = places.find(({ station, direction }) => station === at.station && direction === at.direction)
  if (!place || place.known.interval === null) return null
  return reduced(place.known, { quantity: quantityOf(characteristic.method), where: placeAt(at), sum: [] })
}

function wornDiameter({ method }: Characteristic, at: ReductionsAt): Reduced | null {
  if (method.kind !== 'ringEndGap') return null
  const values = at(method.runsIn)?.values
  return (method.springs === 'outward' ? values?.maximum : values?.minimum) ?? null
}
