import type { LimitBook } from '../book/bookSchema'
import type { Results } from '../evaluate/results'
import { hasLimits, sidesOf } from '../fit/kinds'
import type { Entry } from '../notes/entrySchema'
import { foldNotes } from '../notes/fold'
import { jobSteps, phaseCounts } from '../notes/steps'
import type { InspectionRecord } from '../record/recordSchema'
import { levelsInPlay } from '../scope/need'
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

/** Counts along the order of work, from the record and what follows from it. What the level leaves out does not count. */
export function jobProgress(
  record: InspectionRecord,
  results: Results,
  confirmed: ReadonlySet<Step>,
  signed: boolean,
): JobProgress {
  const asLeftOnly = new Set(record.book.characteristics.filter((own) => own.asLeftOnly).map(({ id }) => id))
  const needed = results.characteristics.filter(({ id, need }) => need === 'required' && !asLeftOnly.has(id))
  const required = new Set(needed.map(({ id }) => id))
  const fits = record.book.fits
    .filter((fit) => hasLimits(fit) && sidesOf(fit).every((id) => required.has(id)))
    .map(({ id }) => id)
  const parts = new Set(results.parts.filter(({ need }) => need === 'required').map(({ id }) => id))
  const standing = [...standingDecisions(record, results)].filter(([part, { stale }]) => !stale && parts.has(part))
  const steps = jobSteps(record.book, foldNotes(record.book, record.job.entries), levelsInPlay(results.scope))
  return {
    confirmed,
    stages: phaseCounts(steps),
    measured: {
      done: needed.reduce((sum, { reductions }) => sum + reductions.taken, 0),
      of: needed.reduce((sum, { reductions }) => sum + reductions.needed, 0),
    },
    fitsJudged: {
      done: results.fits.filter(({ id, verdict }) => fits.includes(id) && verdict !== 'open').length,
      of: fits.length,
    },
    decided: { done: standing.length, of: parts.size },
    signed,
  }
}

/** Whether the machine is made safe: every step of that stage done, or confirmed as a whole where the book has none. */
export function isMadeSafe(record: InspectionRecord, confirmations: readonly { readonly step: Step }[]): boolean {
  return confirmations.some(({ step }) => step === 'makeSafe') || stepsAreSafe(record.book, record.job.level, record.job.entries)
}

/** Whether every step of a level that makes the machine safe is done. */
export function stepsAreSafe(book: LimitBook, level: string | null, entries: readonly Entry[]): boolean {
  const levels = new Set(level === null ? [] : [level])
  const count = phaseCounts(jobSteps(book, foldNotes(book, entries), levels)).makeSafe
  return count !== undefined && count.done === count.of
}
