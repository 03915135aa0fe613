import type { LimitBook } from '../core/book/bookSchema'
import type { FitResult } from '../core/evaluate/results'
import type { Policy } from '../core/record/recordSchema'
import { chosenWords } from '../core/words/policy'

/** Shown on every view. */
export const CAUTION = 'The maker’s instructions and local rules come first. Medida advises; a competent person decides.'
/** A moment as people write it in a log, in UTC so that server and browser agree: 2026-11-16 07:31 UTC. */
export const formatMoment = (iso: string): string => `${iso.slice(0, 10)} ${iso.slice(11, 16)} UTC`

/** A job's schools of practice in words; the report names them. */
export function policyWords(policy: Policy): string[] {
  return [
    policy.acceptance.kind === 'guarded'
      ? `guarded near limits (${policy.acceptance.guardFactor} u)`
      : 'simple acceptance: the limit as it stands',
    policy.mustLastTheInterval ? 'must last the interval' : 'worn only at the limit',
    policy.clearanceBy === 'strip' ? 'bearing clearance by strip' : 'bearing clearance from the measured parts',
    ...chosenWords(policy.schools ?? {}),
  ]
}

export const fitWord: Record<FitResult['verdict'], string> = {
  passes: 'passes',
  pastPlan: 'past its plan limit',
  fails: 'beyond its limits',
  open: 'not complete',
}

/** A limit book by title and revision; none where everything was typed while measuring. */
export const bookWords = ({ title, revision }: Pick<LimitBook, 'title' | 'revision'>): string =>
  revision === 'none' ? 'none: limits were typed while measuring' : `${title}, rev. ${revision}`

/** A document as sources name it. */
export const documentWords = ({ id, revision }: { readonly id: string; readonly revision: string }): string =>
  revision === '' ? id : `${id} rev. ${revision}`
