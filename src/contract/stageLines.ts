import type { FitResult } from '../core/evaluate/results'
import type { Verdict } from '../core/policy/disposition'
import type { PartResult } from '../core/verdict/partVerdict'
import { stageName } from '../core/words/labels'
import { fitWord } from './words'

export interface StageLine {
  readonly stage: string
  readonly verdict: Verdict
}

/**
 * What each stage says of a part, in their order; none where nothing was measured after it was found. Reports signed
 * before results of version 3 know no stages of parts.
 */
export function stageLines({ stages }: Partial<Pick<PartResult, 'stages'>>): readonly StageLine[] {
  if (!stages?.some(({ stage }) => stage !== 'asFound')) return []
  return stages.map(({ stage, verdict }) => ({ stage: stageName[stage], verdict }))
}

export interface FitStageLine {
  readonly stage: string
  readonly minimumMm: number | null
  readonly maximumMm: number | null
  readonly words: string
  readonly verdict: FitResult['verdict']
}

/** What each stage says of a fit; none where neither side was measured after it was found. */
export function fitStageLines(fit: FitResult): readonly FitStageLine[] {
  const later = (fit as Partial<Pick<FitResult, 'stages'>>).stages ?? []
  if (later.length === 0) return []
  return [{ ...fit, stage: 'asFound' as const }, ...later].map(({ stage, minimum, maximum, verdict }) => ({
    stage: stageName[stage],
    minimumMm: minimum?.value ?? null,
    maximumMm: maximum?.value ?? null,
    words: fitWord[verdict],
    verdict,
  }))
}
