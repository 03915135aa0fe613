import type { Common } from '../method/propagate'
import { reduceReadings } from '../method/reduce/reduce'
import type { Reduced, ReductionName, Reductions } from '../method/reduction'
import type { Characteristic } from './bookSchema'
import type { TakenSet } from './standing'

export type ReductionsAt = (characteristic: string) => Reductions | undefined
export type SetAt = (characteristic: string) => TakenSet | undefined

/**
 * What one gauge adds to a value of a set: its error without its step, where all was taken with it. In a difference within
 * the set that error has cancelled already: then the value's own uncertainty is too small to hold it.
 */
export function commonOf(set: TakenSet | undefined, value: Reduced): Common | null {
  const [first, ...others] = set?.taken ?? []
  if (!first || others.some(({ gauge }) => gauge.id !== first.gauge.id)) return null
  const step = first.differenceUncertainty / Math.SQRT2
  const uncertainty = Math.sqrt(Math.max(0, first.sizeUncertainty ** 2 - step ** 2))
  return uncertainty > 0 && value.uncertainty >= uncertainty ? { gauge: first.gauge.id, uncertainty } : null
}

/** The values of one characteristic from its set, and from the values of those it is computed from. */
export function reduce(characteristic: Characteristic, set: TakenSet, at: ReductionsAt, sets: SetAt): Reductions {
  return reduceReadings(characteristic.method, set.taken, {
    nominal: characteristic.new?.nominal ?? null,
    runsIn: wornDiameter(characteristic, at),
    resultOf: (id, value) => at(id)?.values[value as ReductionName] ?? null,
    commonOf: (id, value) => commonOf(sets(id), value),
    marked: set,
  })
}

function wornDiameter({ method }: Characteristic, at: ReductionsAt): Reduced | null {
  if (method.kind !== 'ringEndGap') return null
  const values = at(method.runsIn)?.values
  return (method.springs === 'outward' ? values?.maximum : values?.minimum) ?? null
}
