import type { Reduced } from '../method/reduction'
import { type Acceptance, type GradeSpan, gradeSpan, guardBand } from './conformity'
import type { Limit } from './limit'

/** A limit with the value it judged, and how far that has gone. */
export interface LimitOutcome {
  readonly limit: Limit
  readonly value: Reduced | null
  readonly guard: number
  readonly grade: GradeSpan
  /** Route by whose step it is judged, because the part was worked to it; null for the limit as the book has it. */
  readonly step: string | null
}

/** A value against a limit as the book has it; null where nothing gives one yet. */
export const judged = (limit: Limit, value: Reduced | null, acceptance: Acceptance): LimitOutcome => ({
  limit,
  value,
  guard: value === null ? 0 : guardBand(value.uncertainty, acceptance),
  grade: gradeSpan(value, limit),
  step: null,
})
