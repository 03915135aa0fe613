import type { InspectionRecord } from '../record/recordSchema'
import type { Results } from '../record/results'
import type { JobProgress, Step } from './orderOfWork'

/** The verdict that stands for each part: the latest decision, and whether what it was made on still holds. */
export interface StandingDecision {
  readonly decided: InspectionRecord['decisions'][number]
  /** The recommended verdict has changed since. */
  readonly stale: boolean
}

export function standingDecisions(record: InspectionRecord, results: Results): Map<string, StandingDecision> {
  const standing = new Map<string, StandingDecision>()
  for (const decided of record.decisions) {
    const now = results.parts.find((part) => part.id === decided.part)?.verdict
    standing.set(decided.part, { decided, stale: now !== decided.recommended })
  }
  return standing
}

/** Counts along the order of work, from the record and what follows from it. */
export function jobProgress(
  record: InspectionRecord,
  results: Results,
  confirmed: ReadonlySet<Step>,
  signed: boolean,
): JobProgress {
  const decided = [...standingDecisions(record, results).values()].filter((decision) => !decision.stale)
  return {
    confirmed,
    measured: {
      done: results.characteristics.reduce((sum, { reductions }) => sum + reductions.taken, 0),
      of: results.characteristics.reduce((sum, { reductions }) => sum + reductions.needed, 0),
    },
    fitsJudged: { done: results.fits.filter((fit) => fit.verdict !== 'open').length, of: results.fits.length },
    decided: { done: decided.length, of: results.parts.length },
    signed,
  }
}
