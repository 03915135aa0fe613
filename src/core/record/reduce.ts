import { reduceReadings } from '../method/reduce/reduce'
import type { Reduced, ReductionName, Reductions } from '../method/reduction'
import type { Characteristic } from './bookSchema'
import type { TakenSet } from './standing'

export type ReductionsAt = (characteristic: string) => Reductions | undefined

/** The values of one characteristic from its set, and from the values of those it is computed from. */
export function reduce(characteristic: Characteristic, set: TakenSet, at: ReductionsAt): Reductions {
  return reduceReadings(characteristic.method, set.taken, {
    nominal: characteristic.new?.nominal ?? null,
    runsIn: wornDiameter(characteristic, at),
    resultOf: (id, value) => at(id)?.values[value as ReductionName] ?? null,
    marked: set,
  })
}

function wornDiameter({ method }: Characteristic, at: ReductionsAt): Reduced | null {
  if (method.kind !== 'ringEndGap') return null
  const values = at(method.runsIn)?.values
  return (method.springs === 'outward' ? values?.maximum : values?.minimum) ?? null
}
