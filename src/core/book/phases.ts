/** Phases of a limit book's procedure, in the order of work. */
export const phases = ['makeSafe', 'asFound', 'strip', 'gate', 'look', 'rebuild', 'prove'] as const
export type Phase = (typeof phases)[number]

/** A state that a step must stop at: only loosened, not touched yet, only so far. */
export const stops = ['slackenOnly', 'notYet', 'onlySoFar'] as const
export type Stop = (typeof stops)[number]
