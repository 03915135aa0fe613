/** The order of work of an overhaul (the steel rule), and where one job stands along it. */
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

export const stepLabel: Record<Step, string> = {
  receive: 'Receive',
  makeSafe: 'Make safe',
  asFound: 'As found',
  strip: 'Strip',
  gate: 'Gate',
  look: 'Look',
  measure: 'Measure',
  fits: 'Fits',
  decide: 'Decide',
  order: 'Order',
  rebuild: 'Rebuild',
  prove: 'Prove',
  sign: 'Sign',
}

/** Steps a person confirms by name and time; the others follow from what is recorded. */
export const confirmableSteps = ['makeSafe', 'asFound', 'strip', 'gate', 'look', 'order', 'rebuild', 'prove'] as const
export type ConfirmableStep = (typeof confirmableSteps)[number]
export const isConfirmable = (step: Step): step is ConfirmableStep => (confirmableSteps as readonly string[]).includes(step)

/** done: recorded. now: the first thing to do. ahead: later. closed: waits for a gate. */
export type StepState = 'done' | 'now' | 'ahead' | 'closed'

export interface StepStanding {
  readonly step: Step
  readonly state: StepState
  /** Done out of so many, where the step can be counted. */
  readonly count: { readonly done: number; readonly of: number } | null
}

export interface JobProgress {
  readonly confirmed: ReadonlySet<Step>
  readonly measured: { readonly done: number; readonly of: number }
  readonly fitsJudged: { readonly done: number; readonly of: number }
  readonly decided: { readonly done: number; readonly of: number }
  readonly signed: boolean
}

/**
 * Where a job stands. Making safe is a gate: until it is confirmed, everything after it is closed. “Now” is the first
 * step that is not done among those Medida can tell; unconfirmed records of steps around it do not hold the work up.
 */
export function orderOfWork(progress: JobProgress): StepStanding[] {
  const safe = progress.confirmed.has('makeSafe')
  const counts: Partial<Record<Step, { done: number; of: number }>> = {
    measure: progress.measured,
    fits: progress.fitsJudged,
    decide: progress.decided,
  }
  const isDone = (step: Step): boolean => {
    const count = counts[step]
    if (count) return count.done === count.of
    if (step === 'receive') return true
    if (step === 'sign') return progress.signed
    return progress.confirmed.has(step)
  }
  const leading: readonly Step[] = ['makeSafe', 'measure', 'fits', 'decide', 'sign']
  const now = leading.find((step) => !isDone(step))
  return steps.map((step) => ({
    step,
    state: isDone(step) ? 'done' : step === now ? 'now' : !safe && step !== 'receive' ? 'closed' : 'ahead',
    count: counts[step] ?? null,
  }))
}
