import { slotKey, slotsOf } from '../method/layout'
import { type Sheet, sheetOf } from '../method/reduce/places'
import { reduceReadings } from '../method/reduce/reduce'
import type { Reduced, ReductionName, Reductions } from '../method/reduction'
import type { Characteristic } from './bookSchema'
import type { TakenSet } from './standing'

export type ReductionsAt = (characteristic: string) => Reductions | undefined

/** The values of one characteristic from its set, and from the values of those it is computed from. */
export function reduce(characteristic: Characteristic, set: TakenSet, at: ReductionsAt, guard: number): Reductions {
  return reduceReadings(characteristic.method, set.taken, {
    nominal: characteristic.new?.nominal ?? null,
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
  return sheetOf({ method, readings: set.taken, slots, guard })
}

function wornDiameter({ method }: Characteristic, at: ReductionsAt): Reduced | null {
  if (method.kind !== 'ringEndGap') return null
  const values = at(method.runsIn)?.values
  return (method.springs === 'outward' ? values?.maximum : values?.minimum) ?? null
}
