/** When a reading is taken: as the part was found, after work on it, as it is left in the machine. */
export const stages = ['asFound', 'afterWork', 'asLeft'] as const
export type Stage = (typeof stages)[number]

/** Stages after a part was found: it is judged afresh at each. */
export const laterStages = ['afterWork', 'asLeft'] as const
export type LaterStage = (typeof laterStages)[number]
