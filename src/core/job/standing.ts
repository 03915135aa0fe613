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

/** Why nothing may be written in a job that stands so, in a sentence; null while it may. */
export function whyClosed(standing: JobStanding): string | null {
  switch (standing) {
    case 'imported':
      return 'This overhaul was taken over from earlier records: nothing in it can be changed.'
    case 'signed':
      return 'This job is signed: nothing in it can be changed. A correction is a new job.'
    case 'withReviewer':
      return 'This job lies with the reviewer. Ask for it to be returned before changing anything.'
    case 'open':
    case 'returned':
      return null
  }
}

/** Signed or taken over: nothing is ever written in it again, not even by a second person. */
export const hasEnded = (standing: JobStanding): boolean => standing === 'signed' || standing === 'imported'
