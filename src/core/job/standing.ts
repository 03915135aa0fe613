/** Where a job stands: who may still write in it follows from that, everywhere. */
export type JobState = 'open' | 'withReviewer' | 'returned' | 'signed' | 'imported' | 'ended'

/** By where its readings come from, whether it is signed, and what the review said last. */
export function standingBy(importedFrom: string | null, isSigned: boolean, lastReview: string | null | undefined): JobState {
  if (importedFrom !== null) return 'imported'
  if (isSigned) return 'signed'
  if (lastReview === 'sent') return 'withReviewer'
  if (lastReview === 'ended') return 'ended'
  return lastReview === 'returned' ? 'returned' : 'open'
}

export const jobState = (job: {
  readonly importedFrom: string | null
  readonly reportId: string | null
  readonly review: readonly { readonly kind: string }[]
}): JobState => standingBy(job.importedFrom, job.reportId !== null, job.review.at(-1)?.kind)

/** Why nothing may be written in a job that stands so; null while it may. */
export const whyClosed = (standing: JobState): ClosedBecause | null =>
  standing === 'open' || standing === 'returned' ? null : standing
export type ClosedBecause = Exclude<JobState, 'open' | 'returned'>

/** Signed, taken over, or a practice job that is over: nothing is ever written in it again, not even by a second person. */
export const hasEnded = (standing: JobState): boolean => standing === 'signed' || standing === 'imported' || standing === 'ended'
