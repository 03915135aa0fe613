import { normalProbability } from '../base/distribution'
import type { Reduced } from '../method/reduction'
import { exceeds } from '../quantity/decimal'
import { intervalOfEnds } from '../quantity/extent'
import type { QuantityKind } from '../quantity/kind'
import type { Limit } from './limit'

/** How far a value has gone: 0 inside, 1 past the plan limit, 2 past the wear limit. */
export type Grade = 0 | 1 | 2

/** The mildest and the strongest grade still possible; equal when nothing more can change it. */
export interface GradeSpan {
  readonly mild: Grade
  readonly strong: Grade
}

/** How doubt near a limit is taken: the limit as it stands, or with a guard band of factor × standard uncertainty. */
export type Acceptance = { readonly kind: 'simple' } | { readonly kind: 'guarded'; readonly guardFactor: number }

/** Grade of an exact value of a kind. A value exactly at a limit passes. */
export function gradeOf(value: number, limit: Limit, kind: QuantityKind = 'length'): Grade {
  const beyond = (bound: number): boolean => (limit.side === 'upper' ? exceeds(value, bound, kind) : exceeds(bound, value, kind))
  if (beyond(limit.wear)) return 2
  return limit.plan !== null && beyond(limit.plan) ? 1 : 0
}

/** Standard uncertainties the guard band is wide; 0 under simple acceptance. */
export const guardFactorOf = (acceptance: Acceptance): number => (acceptance.kind === 'simple' ? 0 : acceptance.guardFactor)

/** Guard band at each limit: the guard factor times the standard uncertainty; 0 under simple acceptance (ISO 14253-1, JCGM 106). */
export const guardBand = (uncertainty: number, acceptance: Acceptance): number => guardFactorOf(acceptance) * uncertainty

/**
 * The grades a reduced value can still have: those between its guarded ends, which hold what is still to be read and the
 * doubt of whatever may hold an end. Readings past a limit settle it whatever is missing, when more can only make it worse.
 */
export function gradeSpan(reduced: Reduced | null, limit: Limit): GradeSpan {
  if (reduced === null) return { mild: 0, strong: 2 }
  const { low, high } = intervalOfEnds(reduced.guarded)
  const [best, worst] = limit.side === 'upper' ? [low, high] : [high, low]
  return { mild: gradeOf(best, limit, reduced.quantity), strong: gradeOf(worst, limit, reduced.quantity) }
}

export type Decision = 'accept' | 'undecided' | 'reject'

/** A measured value against its limits; a limit that is null does not bound it. */
export interface Against {
  readonly value: number
  readonly standardUncertainty: number
  readonly lower: number | null
  readonly upper: number | null
}

/**
 * Probability that the true value lies between the limits, normal distribution (JCGM 106, 7.2 and 7.3); it does not depend
 * on the guard band. Without uncertainty it is 1 inside, limits included, and 0 outside.
 */
export function probabilityOfConformity({ value, standardUncertainty, lower, upper }: Against): number {
  if (standardUncertainty === 0)
    return (upper !== null && exceeds(value, upper)) || (lower !== null && exceeds(lower, value)) ? 0 : 1
  const below = (limit: number | null, none: number): number =>
    limit === null ? none : normalProbability((limit - value) / standardUncertainty)
  return below(upper, 1) - below(lower, 0)
}

/** accept: inside every limit by the guard band; reject: beyond one by more than it; undecided between (ISO 14253-1). */
export function decide({ value, standardUncertainty, lower, upper }: Against, guardFactor: number): Decision {
  const guard = guardFactor * standardUncertainty
  if ((upper !== null && exceeds(value - guard, upper)) || (lower !== null && exceeds(lower, value + guard))) return 'reject'
  const inside = (upper === null || !exceeds(value + guard, upper)) && (lower === null || !exceeds(lower, value - guard))
  return inside ? 'accept' : 'undecided'
}
