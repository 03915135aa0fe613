/** The order of work of an overhaul (the bar along the top of its pages), and where one job stands along it. */
export const steps = [
  'receive',
  'makeSafe',
  'asFound',
  'strip',
  'gate',
  'look',
  'measure',
  'fits',
  'decide',
  'order',
  'rebuild',
  'prove',
  'sign',
] as const
export type Step = (typeof steps)[number]

/** Steps a person confirms by name and time; the others follow from what is recorded. */
export const confirmableSteps = ['makeSafe', 'asFound', 'strip', 'gate', 'look', 'order', 'rebuild', 'prove'] as const
export type ConfirmableStep = (typeof confirmableSteps)[number]
export const isConfirmable = (step: Step): step is ConfirmableStep => (confirmableSteps as readonly string[]).includes(step)

/** done: recorded. now: the first thing to do. ahead: later. closed: waits for a gate. nothing: there is nothing to do in it here. */
export type StepState = 'done' | 'now' | 'ahead' | 'closed' | 'nothing'

export interface StepCount {
  readonly done: number
  readonly of: number
}

export interface StepStanding {
  readonly step: Step
  readonly state: StepState
  /** Done out of so many, where the step can be counted. */
  readonly count: StepCount | null
}

export interface JobProgress {
  /** Steps confirmed as a whole, where the book has no procedure for them. */
  readonly confirmed: ReadonlySet<Step>
  /** Steps of the book's procedure, stage by stage. */
  readonly stages: Partial<Record<Step, StepCount>>
  readonly measured: StepCount
  readonly fitsJudged: StepCount
  readonly decided: StepCount
  readonly signed: boolean
}

/**
 * Where a job stands. Making safe is a gate: until it is done, everything after it is closed. “Now” is the first step
 * that is not done among those Medida can tell; unconfirmed records of steps around it do not hold the work up.
 */
export function orderOfWork(progress: JobProgress): StepStanding[] {
  const counts: Partial<Record<Step, StepCount>> = {
    ...progress.stages,
    measure: progress.measured,
    fits: progress.fitsJudged,
    decide: progress.decided,
  }
  const isDone = (step: Step): boolean => {
    if (progress.confirmed.has(step)) return true
    const count = counts[step]
    // Where nothing is named yet to be measured or decided, it is not done; where nothing is fitted, nothing is.
    if (count) return count.done === count.of && count.of > 0
    if (step === 'receive') return true
    return step === 'sign' && progress.signed
  }
  const safe = isDone('makeSafe')
  const hasNothing = (step: Step): boolean => counts[step]?.of === 0 && step !== 'measure' && step !== 'decide' && !isDone(step)
  // These are known by being confirmed alone: once one of them is, those after it are waited for as well.
  const confirmedOnly: readonly Step[] = ['order', 'rebuild', 'prove']
  const canTell = (step: Step): boolean => {
    const at = confirmedOnly.indexOf(step)
    if (at >= 0) return confirmedOnly.slice(0, at).some((before) => progress.confirmed.has(before))
    return step === 'makeSafe' || step === 'sign' || counts[step] !== undefined
  }
  const now = steps.find((step) => canTell(step) && !isDone(step) && !hasNothing(step))
  return steps.map((step) => ({
    step,
    state: isDone(step)
      ? 'done'
      : hasNothing(step)
        ? 'nothing'
        : step === now
          ? 'now'
          : !safe && step !== 'receive'
            ? 'closed'
            : 'ahead',
    count: counts[step] ?? null,
  }))
}
