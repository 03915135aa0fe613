import { coverageFactor } from '../gauge/errors'
import { ASKED } from '../limit/asked'
import type { Grade } from '../limit/conformity'
import type { Limit } from '../limit/limit'
import type { LimitOutcome } from '../limit/outcome'
import { type Reductions, reductionLabel } from '../method/reduction'
import type { Level } from '../policy/disposition'
import type { Figures } from '../quantity/figures'
import type { Stage } from '../record/stage'
import type { Mending } from './mending'
import type { TraceStep, Vote, VoteFacts } from './vote'
import { vote } from './vote'

export interface LimitVoteInput {
  readonly subject: string
  readonly rule: 'limit' | 'fit'
  readonly outcome: LimitOutcome
  readonly mending: Mending
  readonly reductions: Reductions
  /** The slots still to be read, in words. */
  readonly missing: readonly string[]
  /** Name of the judged value where it is not a reduction of readings (a clearance). */
  readonly valueName?: string
  readonly figures: Figures
  /** Steps that lead to the value: readings, corrections, the sum. */
  readonly steps: readonly TraceStep[]
  readonly stage: Stage
  /** What settles a value that stays open though all is taken; null where a better figure does. */
  readonly settledOtherwise: string | null
}

const levelAt = (grade: Grade, limit: Limit, mending: Mending): { mild: Level; strong: Level } => {
  if (grade === 0) return { mild: 'reuse', strong: 'reuse' }
  if (grade === 2 && limit.whenPassed === 'replace') return { mild: 'replace', strong: 'replace' }
  return mending
}

/** The strongest level a limit could still ask for. */
export const strongestLevelOf = (limit: Limit, mending: Mending): Level => levelAt(2, limit, mending).strong

/** What one limit says about a part, with its reason and its way there. */
export function limitVote(input: LimitVoteInput): Vote {
  const { outcome, mending } = input
  const { limit, grade } = outcome
  const mild = levelAt(grade.mild, limit, mending).mild
  const strong = levelAt(grade.strong, limit, mending).strong
  return vote({
    rule: input.rule,
    code: codeOf(input),
    facts: factsOf(input),
    stage: input.stage,
    subject: input.subject,
    mild,
    strong,
    reason: reasonOf(input),
    settledBy: mild === strong ? null : settledBy(input),
    source: sourceOf(limit),
    route: grade.mild > 0 ? (mending.route?.id ?? null) : null,
    trace: [...input.steps, limitStep(input), ...(grade.strong > 0 ? mending.trace : []), ruleStep(input, mild, strong)],
  })
}

function codeOf({ outcome: { value, grade } }: LimitVoteInput): string {
  if (value === null) return 'notMeasured'
  if (grade.mild === grade.strong) return (['inside', 'pastPlan', 'beyond'] as const)[grade.mild]
  if (value.open !== 'complete') return 'missing'
  return value.interval === null ? 'undecided' : 'notAFigure'
}

function factsOf({ outcome: { limit, value, guard, grade }, missing }: LimitVoteInput): VoteFacts {
  return {
    limit: limit.id,
    judges: limit.judges,
    value: value?.value ?? null,
    low: value?.interval?.low ?? null,
    high: value?.interval?.high ?? null,
    uncertainty: value?.uncertainty ?? null,
    guard,
    wear: limit.wear,
    plan: limit.plan,
    mildGrade: grade.mild,
    strongGrade: grade.strong,
    missing,
  }
}

const sign = (limit: Limit): string => (limit.side === 'upper' ? '≤' : '≥')

function nameOf({ outcome, valueName }: LimitVoteInput): string {
  return valueName ?? reductionLabel[outcome.limit.judges]
}

function reasonOf(input: LimitVoteInput): string {
  const { outcome, reductions } = input
  const { bound: figures, extent, expanded, unit } = input.figures
  const { value, limit, grade, step } = outcome
  const name = nameOf(input)
  if (value === null) return `${name} is not measured yet, limit ${sign(limit)} ${figures(limit.wear)} ${unit}`
  if (limit.id === ASKED && grade.mild === 2) return `${name}: ${value.where}`
  const size = `${name} ${extent(value)}`
  const bound = (at: Grade): string =>
    at === 2 || limit.plan === null ? `wear limit ${figures(limit.wear)} ${unit}` : `plan limit ${figures(limit.plan)} ${unit}`
  if (step !== null && grade.strong === 0) return `${size} is within the step it was worked to`
  if (step !== null) return `${size}: worked to a step, so the plain ${bound(2)} may not be its own`
  if (grade.mild === 2) return `${size} is beyond the ${bound(2)}`
  if (grade.mild === 1 && grade.strong === 1) return `${size} is past the ${bound(1)}, inside the ${bound(2)}`
  if (grade.mild === 1) return `${size} is past the ${bound(1)}; whether beyond the ${bound(2)} is open`
  if (grade.strong === 0) return `${size} is inside the limit ${sign(limit)} ${figures(limit.plan ?? limit.wear)} ${unit}`
  if (value.open !== 'complete' && reductions.faults.length > 0 && reductions.taken === reductions.needed)
    return `${size} does not count before its readings are taken again, limit ${sign(limit)} ${figures(limit.wear)} ${unit}`
  if (value.open !== 'complete')
    return `${size} so far, ${reductions.taken} of ${reductions.needed} readings, limit ${sign(limit)} ${figures(limit.wear)} ${unit}`
  if (value.interval !== null) return `${size} reaches over the ${bound(grade.strong)}`
  return `${size} ± ${expanded(value.uncertainty, coverageFactor(value.degreesOfFreedom))} is too close to the ${bound(grade.strong)} to say`
}

function settledBy({ outcome, missing, mending, reductions, settledOtherwise }: LimitVoteInput): string {
  const { grade, value, step } = outcome
  if (grade.mild === grade.strong && mending.mild !== mending.strong)
    return mending.needs ?? 'Measure what the mending routes need.'
  if (missing.length > 0) return `Take what is missing: ${listed(missing)}.`
  if (reductions.faults.length > 0) return 'Take the doubtful readings again.'
  if (settledOtherwise !== null) return settledOtherwise
  if (value?.interval) return 'Measure it to a figure, with a gauge that reaches it.'
  if (step !== null) return 'Hold it against the maker’s limit for the step it was worked to.'
  return value === null || value.open !== 'complete'
    ? 'Take the doubtful readings again.'
    : 'Measure with a better gauge, or take the cautious side.'
}

export function listed(names: readonly string[]): string {
  const shown = names.slice(0, 4).join('; ')
  return names.length > 4 ? `${shown} and ${names.length - 4} more` : shown
}

function limitStep({ outcome, figures: { bound: figures, expanded, unit } }: LimitVoteInput): TraceStep {
  const { limit } = outcome
  const plan = limit.plan === null ? '' : `plan ${sign(limit)} ${figures(limit.plan)}, `
  const guard = outcome.guard > 0 ? `, guard band ${expanded(outcome.guard, 1)}` : ''
  const instruction = limit.instruction === '' ? '' : `. ${limit.instruction}`
  return {
    kind: 'limit',
    text: `${plan}wear ${sign(limit)} ${figures(limit.wear)} ${unit}${guard}${instruction}`,
    source: sourceOf(limit),
  }
}

/** What a method asks itself stands in no document. */
const sourceOf = ({ id, source }: Limit): Limit['source'] | null => (id === ASKED ? null : source)

const gradeWord: Record<Grade, string> = { 0: 'inside', 1: 'past the plan limit', 2: 'beyond the wear limit' }

function ruleStep({ outcome }: LimitVoteInput, mild: Level, strong: Level): TraceStep {
  const { grade } = outcome
  const found =
    grade.mild === grade.strong ? gradeWord[grade.mild] : `from ${gradeWord[grade.mild]} to ${gradeWord[grade.strong]}`
  const asks = mild === strong ? mild : `${mild} to ${strong}`
  return { kind: 'rule', text: `${found} asks for ${asks}`, source: null }
}
