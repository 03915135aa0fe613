/** What is done with a part, mildest first. */
export const dispositions = ['reuse', 'adjust', 'recondition', 'replace'] as const
export type Disposition = (typeof dispositions)[number]
export type Verdict = Disposition | 'hold'

export const dispositionRank: Record<Disposition, number> = { reuse: 0, adjust: 1, recondition: 2, replace: 3 }
export const strongest = (a: Disposition, b: Disposition): Disposition => (dispositionRank[a] >= dispositionRank[b] ? a : b)
export const mildest = (a: Disposition, b: Disposition): Disposition => (dispositionRank[a] <= dispositionRank[b] ? a : b)

/** Whether a part is another one afterwards, or has another surface: its wear begins anew, and what rests on it is set again. */
export const isRenewed = (disposition: Disposition): boolean => disposition === 'recondition' || disposition === 'replace'
