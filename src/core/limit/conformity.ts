import { exceeds } from '../decimal'
import { intervalOf, type Reduced } from '../method/reduction'
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

/** Grade of an exact value. A value exactly at a limit passes. */
export function gradeOf(value: number, limit: Limit): Grade {
  const beyond = (boundMm: number): boolean => (limit.side === 'upper' ? exceeds(value, boundMm) : exceeds(boundMm, value))
  if (beyond(limit.wear)) return 2
  return limit.plan !== null && beyond(limit.plan) ? 1 : 0
}

/** Guard band at each limit, mm: the guard factor times the standard uncertainty; 0 under simple acceptance (ISO 14253-1, JCGM 106). */
export const guardBand = (uncertainty: number, acceptance: Acceptance): number =>
  acceptance.kind === 'simple' ? 0 : acceptance.guardFactor * uncertainty

/**
 * The grades a reduced value can still have. Doubt within the guard band and readings still missing both widen the
 * span; readings already past a limit settle it whatever is missing, when more readings can only make it worse.
 */
export function gradeSpan(reduced: Reduced | null, limit: Limit, acceptance: Acceptance): GradeSpan {
  if (reduced === null) return { mild: 0, strong: 2 }
  const guard = guardBand(reduced.uncertainty, acceptance)
  const inward = limit.side === 'upper' ? -guard : guard
  // A bound or a range is judged at both its ends.
  const { low, high } = intervalOf(reduced)
  const mild = gradeOf((limit.side === 'upper' ? low : high) + inward, limit)
  const strong = gradeOf((limit.side === 'upper' ? high : low) - inward, limit)
  const worsening = limit.side === 'upper' ? 'canOnlyGrow' : 'canOnlyShrink'
  if (reduced.open === 'complete') return { mild, strong }
  if (reduced.open === worsening) return { mild, strong: 2 }
  const easing = limit.side === 'upper' ? 'canOnlyShrink' : 'canOnlyGrow'
  return reduced.open === easing ? { mild: 0, strong } : { mild: 0, strong: 2 }
}
