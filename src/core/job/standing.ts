/** Where a job stands: who may still write in it follows from that, everywhere. */
export type JobStanding = 'open' | 'withReviewer' | 'returned' | 'signed' | 'imported'

export interface StandingOf {
  readonly importedFrom: string | null
  readonly reportId: string | null
  readonly review: readonly { readonly kind: 'sent' | 'returned' | 'signed' }[]
}

export function jobStanding({ importedFrom, reportId, review }: StandingOf): JobStanding {
  if (importedFrom !== null) return 'imported'
  if (reportId !== null) return 'signed'
  const last = review.at(-1)
  if (last?.kind === 'sent') return 'withReviewer'
  return last?.kind === 'returned' ? 'returned' : 'open'
}

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
