import { degreesOfFreedom, type Errors, type SourceShare, sharesOf, standardUncertainty } from '../gauge/errors'
import { type Ends, type Extent, endsOf, extentOf, intervalOf, intervalOfEnds } from '../quantity/extent'
import { ANYTHING, type Interval, negate } from '../quantity/interval'
import type { QuantityKind } from '../quantity/kind'
import type { Known } from './known'

/** Names of the values a method reduces its readings to; a limit judges one of them. */
export const reductionLabel = {
  maximum: 'Largest',
  minimum: 'Smallest',
  mean: 'Mean',
  median: 'Median',
  range: 'Range of repeats',
  outOfRound: 'Out-of-round',
  taper: 'Taper',
  barrel: 'Barrel (+) or waist (−)',
  wear: 'Wear from new',
  total: 'Total gap',
  gapAtWornDiameter: 'Gap where it runs',
  stripTaper: 'Taper along',
  tilt: 'Tilt along',
  sideDifference: 'Difference of the sides',
  parallelism: 'Parallelism',
  variation: 'Variation',
  oppositeDifference: 'Difference of opposite places',
  totalIndicated: 'Total indicated reading',
  eccentricity: 'Eccentricity',
  eccentricityAngle: 'High point at',
  secondHarmonic: 'Oval part',
  bow: 'Bow',
  offset: 'Offset',
  offsetAngle: 'Offset towards',
  angularity: 'Angle between axes',
  angularityAngle: 'Opens towards',
  contactPercent: 'Contact',
  contactEnds: 'Difference of the ends',
  contactSides: 'Difference of the sides, contact',
  springRate: 'Rate',
  loadAtWorking: 'Load at working length',
  loadLoss: 'Load lost',
  freeLength: 'Free length',
  lean: 'Lean',
  drips: 'Drips',
  pressureFall: 'Fall of pressure',
  adjustment: 'To be adjusted by',
  lowestOfTarget: 'Lowest, of the target',
  highestOfTarget: 'Highest, of the target',
  largestAngle: 'Farthest from its mark',
  damaged: 'Damaged elements',
  adjacentDamaged: 'Damaged neighbours',
  worstWorn: 'Most worn element',
  broken: 'Broken elements',
  worstOfRest: 'Most worn of the rest',
  failedPoints: 'Points failed',
  notAsWanted: 'Not as wanted',
  result: 'Result',
} as const
export type ReductionName = keyof typeof reductionLabel
export const reductionNames = Object.keys(reductionLabel) as [ReductionName, ...ReductionName[]]

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
  /** Where it lies or how it was got, in words: “at A”, “direction 1, A to C”. */
  readonly where: string
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

/** One term of a sum: a size or a factor with what it is. One named “less …” is taken off: it holds the opposite of what it names. */
export interface Term extends Extent {
  readonly label: string
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
  { quantity, where, sum }: { readonly quantity: QuantityKind; readonly where: string; readonly sum: readonly Term[] },
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
export function namedBy({ label, value, interval }: Term): Extent {
  if (!label.startsWith('less ')) return { value, interval }
  return extentOf(negate(intervalOf({ value, interval })))
}

export type MethodFault =
  | {
      readonly code: 'repeatsDisagree'
      /** Where, in words; empty where the method has one place. */
      readonly at: string
      readonly range: number
      readonly limitValue: number
      readonly sticksOut: number | null
    }
  | { readonly code: 'repeatsNotFigures'; readonly at: string; readonly limitValue: number }
  | { readonly code: 'noGauge'; readonly slots: readonly string[] }
  | { readonly code: 'otherGauge'; readonly slots: readonly string[] }
  | { readonly code: 'notUnderstood'; readonly slots: readonly string[] }
  | { readonly code: 'outsideStripScale'; readonly slots: readonly string[] }
  | { readonly code: 'shimsUnequal'; readonly range: number; readonly limitValue: number }
  | { readonly code: 'noSpringLine' }
  | { readonly code: 'formula'; readonly why: string }

export interface Reductions {
  readonly values: Partial<Record<ReductionName, Reduced>>
  readonly taken: number
  readonly needed: number
  /** Places marked as not to be measured. */
  readonly cannot: number
  readonly faults: readonly MethodFault[]
}
