import type { LimitBook } from '../core/book/bookSchema'
import type { FitResult } from '../core/evaluate/results'
import type { Policy } from '../core/record/recordSchema'
import { chosenWords } from '../core/words/policy'
import { say } from '../labels/shell'

/** Shown on every view. */
export const CAUTION = say.makersInstructionsLocal
/** A moment as people write it in a log, in UTC so that server and browser agree: 2026-11-16 07:31 UTC. */
export const formatMoment = (iso: string): string => `${iso.slice(0, 10)} ${iso.slice(11, 16)} UTC`

/** A job's schools of practice in words; the report names them. */
export function policyWords(policy: Policy): string[] {
  return [
    policy.acceptance.kind === 'guarded' ? say.guardedNearLimits(policy.acceptance.guardFactor) : say.simpleAcceptanceLimit,
    policy.mustLastTheInterval ? say.mustLastInterval : say.wornOnlyLimit,
    policy.clearanceBy === 'strip' ? say.bearingClearanceStrip : say.bearingClearanceFrom,
    ...chosenWords(policy.schools ?? {}),
  ]
}

export const fitWord: Record<FitResult['verdict'], string> = {
  passes: 'passes',
  pastPlan: say.pastPlanLimit,
  fails: say.beyondLimits,
  open: say.notComplete,
}

/** A limit book by title and revision; none where everything was typed while measuring. */
export const bookWords = ({ title, revision }: Pick<LimitBook, 'title' | 'revision'>): string =>
  revision === 'none' ? say.noneLimitsWere : say.rev(title, revision)

/** A document as sources name it. */
export const documentWords = ({ id, revision }: { readonly id: string; readonly revision: string }): string =>
  revision === '' ? id : say.revOf(id, revision)
