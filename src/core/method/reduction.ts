import { degreesOfFreedom, type Errors, type SourceShare, sharesOf, standardUncertainty } from '../gauge/errors'
import { type Ends, type Extent, endsOf, extentOf, intervalOf, intervalOfEnds } from '../quantity/extent'
import { ANYTHING, type Interval, negate } from '../quantity/interval'
import type { QuantityKind } from '../quantity/kind'
import type { FormulaFault } from './formula'
import type { Known } from './known'
import type { Slot } from './slot'
import type { PlaceOf, TermName, Where } from './where'

/** The values a method reduces its readings to; a limit judges one of them. */
export const reductionNames = [
  'maximum',
  'minimum',
  'mean',
  'median',
  'range',
  'outOfRound',
  'taper',
  'barrel',
  'wear',
  'total',
  'gapAtWornDiameter',
  'stripTaper',
  'tilt',
  'sideDifference',
  'parallelism',
  'variation',
  'oppositeDifference',
  'totalIndicated',
  'eccentricity',
  'eccentricityAngle',
  'secondHarmonic',
  'bow',
  'offset',
  'offsetAngle',
  'angularity',
  'angularityAngle',
  'contactPercent',
  'contactEnds',
  'contactSides',
  'springRate',
  'loadAtWorking',
  'loadLoss',
  'freeLength',
  'lean',
  'drips',
  'pressureFall',
  'adjustment',
  'lowestOfTarget',
  'highestOfTarget',
  'largestAngle',
  'damaged',
  'adjacentDamaged',
  'worstWorn',
  'broken',
  'worstOfRest',
  'failedPoints',
  'notAsWanted',
  'result',
] as const
export type ReductionName = (typeof reductionNames)[number]

/** Where the errors of a value go along inside the core; no part of stored results. */
const ERRORS: unique symbol = Symbol('errors')

/** A reduced value with the sum that gave it, in the fixed unit of its quantity. */
export interface Reduced extends Extent {
  readonly quantity: QuantityKind
  /** Combined standard uncertainty; of either end where it is an interval. */
  readonly uncertainty: number
  /** Effective degrees of freedom of the uncertainty; null where nothing limits them. */
  readonly degreesOfFreedom: number | null
  /** What the uncertainty is made of, by source. */
  readonly contributions: readonly SourceShare[]
  /** Where it lies or how it was got. */
  readonly where: Where
  /** The sum in figures, from which a person can recompute it. */
  readonly sum: readonly Term[]
  /** Ends between which it lies once everything is read and settled; null where nothing bounds it. */
  readonly reach: Ends
  /** The same with the guard band of the job's policy: what limits judge. */
  readonly guarded: Ends
  /**
   * What more readings can still do to it: nothing (complete), only raise it, only lower it, or move it either way.
   */
  readonly open: 'complete' | 'canOnlyGrow' | 'canOnlyShrink' | 'eitherWay'
  readonly [ERRORS]: Errors
}
export type Open = Reduced['open']

/** One term of a sum: a size or a factor with what it is. One that is taken off holds the opposite of what it names. */
export interface Term extends Extent {
  readonly name: TermName
  readonly less: boolean
  readonly quantity: QuantityKind
}

function openOf(interval: Interval, reach: Interval): Open {
  const [grows, shrinks] = [reach.high > interval.high, reach.low < interval.low]
  if (grows) return shrinks ? 'eitherWay' : 'canOnlyGrow'
  return shrinks ? 'canOnlyShrink' : 'complete'
}

/** A value as limits, people and records take it. It must have been taken: there is no value of nothing. */
export function reduced(
  { interval, reach, guarded, errors }: Known,
  { quantity, where, sum }: { readonly quantity: QuantityKind; readonly where: Where; readonly sum: readonly Term[] },
): Reduced {
  const taken = interval ?? ANYTHING
  return {
    ...extentOf(taken),
    quantity,
    uncertainty: standardUncertainty(errors),
    degreesOfFreedom: degreesOfFreedom(errors),
    contributions: sharesOf(errors),
    where,
    sum,
    reach: endsOf(reach),
    guarded: endsOf(guarded),
    open: openOf(taken, reach),
    [ERRORS]: errors,
  }
}

/** The same value to go on computing with. */
export const knownOf = (value: Reduced): Known => ({
  interval: intervalOf(value),
  reach: intervalOfEnds(value.reach),
  guarded: intervalOfEnds(value.guarded),
  errors: value[ERRORS],
})

/** What a term names, as a person would write it into the sum: “largest 0.03, less smallest −0.02”. */
export function namedBy({ less, value, interval }: Term): Extent {
  if (!less) return { value, interval }
  return extentOf(negate(intervalOf({ value, interval })))
}

export type MethodFault =
  | {
      readonly code: 'repeatsDisagree'
      readonly at: PlaceOf
      readonly range: number
      readonly limitValue: number
      readonly sticksOut: number | null
    }
  | { readonly code: 'repeatsNotFigures'; readonly at: PlaceOf; readonly limitValue: number }
  | { readonly code: 'noGauge'; readonly slots: readonly Slot[] }
  | { readonly code: 'otherGauge' | 'beyondRange' | 'lapsed'; readonly slots: readonly Slot[] }
  | { readonly code: 'notUnderstood'; readonly slots: readonly Slot[] }
  | { readonly code: 'outsideStripScale'; readonly places: readonly PlaceOf[] }
  | { readonly code: 'shimsUnequal'; readonly range: number; readonly limitValue: number }
  | { readonly code: 'noSpringLine' }
  | { readonly code: 'formula'; readonly why: FormulaFault }

export interface Reductions {
  readonly values: Partial<Record<ReductionName, Reduced>>
  readonly taken: number
  readonly needed: number
  /** Places marked as not to be measured. */
  readonly cannot: number
  readonly faults: readonly MethodFault[]
}
