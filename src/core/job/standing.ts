/** Where a job stands: who may still write in it follows from that, everywhere. */
export type JobStanding = 'open' | 'withReviewer' | 'returned' | 'signed' | 'imported'

/** By where its readings come from, whether it is signed, and what the review said last. */
export function standingBy(importedFrom: string | null, isSigned: boolean, lastReview: string | null | undefined): JobStanding {
  if (importedFrom !== null) return 'imported'
  if (isSigned) return 'signed'
  if (lastReview === 'sent') return 'withReviewer'
  return lastReview === 'returned' ? 'returned' : 'open'
}

export const jobStanding = (job: {
  readonly importedFrom: string | null
  readonly reportId: string | null
  readonly review: readonly { readonly kind: string }[]
}): JobStanding => standingBy(job.importedFrom, job.reportId !== null, job.review.at(-1)?.kind)

/** Why nothing may be written in a job that stands so; null while it may. */
export const whyClosed = (standing: JobStanding): ClosedBecause | null =>
  standing === 'open' || standing === 'returned' ? null : standing
export type ClosedBecause = Exclude<JobStanding, 'open' | 'returned'>

/** Signed or taken over: nothing is ever written in it again, not even by a second person. */
export const hasEnded = (standing: JobStanding): boolean => standing === 'signed' || standing === 'imported'
