import { exceedsMm } from '../decimal'
import type { Reduced } from '../method/reduction'
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
export function gradeOf(valueMm: number, limit: Limit): Grade {
  const beyond = (boundMm: number): boolean =>
    limit.side === 'upper' ? exceedsMm(valueMm, boundMm) : exceedsMm(boundMm, valueMm)
  if (beyond(limit.wearMm)) return 2
  return limit.planMm !== null && beyond(limit.planMm) ? 1 : 0
}

/** Guard band at each limit, mm: the guard factor times the standard uncertainty; 0 under simple acceptance (ISO 14253-1, JCGM 106). */
export const guardBandMm = (uncertaintyMm: number, acceptance: Acceptance): number =>
  acceptance.kind === 'simple' ? 0 : acceptance.guardFactor * uncertaintyMm

/**
 * The grades a reduced value can still have. Doubt within the guard band and readings still missing both widen the
 * span; readings already past a limit settle it whatever is missing, when more readings can only make it worse.
 */
export function gradeSpan(reduced: Reduced | null, limit: Limit, acceptance: Acceptance): GradeSpan {
  if (reduced === null) return { mild: 0, strong: 2 }
  const guard = guardBandMm(reduced.uncertaintyMm, acceptance)
  const inward = limit.side === 'upper' ? -guard : guard
  const mild = gradeOf(reduced.valueMm + inward, limit)
  const strong = gradeOf(reduced.valueMm - inward, limit)
  const worsening = limit.side === 'upper' ? 'canOnlyGrow' : 'canOnlyShrink'
  if (reduced.open === 'complete') return { mild, strong }
  if (reduced.open === worsening) return { mild, strong: 2 }
  const easing = limit.side === 'upper' ? 'canOnlyShrink' : 'canOnlyGrow'
  return reduced.open === easing ? { mild: 0, strong } : { mild: 0, strong: 2 }
}
