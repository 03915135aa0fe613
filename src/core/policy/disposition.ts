/** What is done with a part, mildest first. */
export const levels = ['reuse', 'recondition', 'replace'] as const
export type Level = (typeof levels)[number]
export type Verdict = Level | 'hold'

export const levelRank: Record<Level, number> = { reuse: 0, recondition: 1, replace: 2 }
export const strongest = (a: Level, b: Level): Level => (levelRank[a] >= levelRank[b] ? a : b)
export const mildest = (a: Level, b: Level): Level => (levelRank[a] <= levelRank[b] ? a : b)
