/** Stages of a limit book's procedure, in the order of work. */
export const procedureStages = ['makeSafe', 'asFound', 'strip', 'gate', 'look'] as const
export type ProcedureStage = (typeof procedureStages)[number]
