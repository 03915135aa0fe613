import { ASKED } from '../limit/asked'
import type { Grade } from '../limit/conformity'
import type { Limit } from '../limit/limit'
import type { LimitOutcome } from '../limit/outcome'
import type { Reductions } from '../method/reduction'
import type { Disposition } from '../policy/disposition'
import type { QuantityKind } from '../quantity/kind'
import type { Stage } from '../record/stage'
import type { Mending } from './mending'
import type { LimitFacts, Missing, Said, Settling, TraceStep, Vote } from './vote'
import { vote } from './vote'

export interface LimitVoteInput {
  readonly subject: string
  readonly rule: 'limit' | 'fit'
  readonly quantity: QuantityKind
  readonly outcome: LimitOutcome
  readonly mending: Mending
  readonly reductions: Pick<Reductions, 'taken' | 'needed' | 'faults'>
  readonly missing: readonly Missing[]
  /** Steps that lead to the value: readings, corrections, the sum. */
  readonly steps: readonly TraceStep[]
  readonly stage: Stage
  /** What settles a value that stays open though all is taken; null where a better figure does. */
  readonly settledOtherwise: Settling | null
}

const levelAt = (grade: Grade, limit: Limit, mending: Mending): { mild: Disposition; strong: Disposition } => {
  if (grade === 0) return { mild: 'reuse', strong: 'reuse' }
  if (mending.setting) return mending
  if (grade === 2 && limit.whenPassed === 'replace') return { mild: 'replace', strong: 'replace' }
  return mending
}

/** The strongest level a limit could still ask for. */
export const strongestLevelOf = (limit: Limit, mending: Mending): Disposition => levelAt(2, limit, mending).strong

/** What one limit says about a part, with its reason and its way there. */
export function limitVote(input: LimitVoteInput): Vote {
  const { outcome, mending, quantity } = input
  const { limit, grade, guard } = outcome
  const mild = levelAt(grade.mild, limit, mending).mild
  const strong = levelAt(grade.strong, limit, mending).strong
  const source = sourceOf(limit)
  return vote({
    rule: input.rule,
    code: codeOf(input),
    facts: factsOf(input),
    stage: input.stage,
    subject: input.subject,
    mild,
    strong,
    settledBy: mild === strong ? null : settledBy(input),
    source,
    route: grade.mild > 0 ? (mending.route?.id ?? null) : null,
    ...(mending.setting && grade.strong > 0 ? { setting: mending.setting } : {}),
    trace: [
      ...input.steps,
      { kind: 'limit', quantity, limit, guard, source },
      ...(grade.strong > 0 ? mending.trace : []),
      { kind: 'rule', code: 'grades', grade, mild, strong, source: null },
    ],
  })
}

type LimitCode = Extract<Said, { rule: 'limit' | 'fit' }>['code']

function codeOf({ outcome: { limit, value, grade, step }, reductions }: LimitVoteInput): LimitCode {
  if (value === null) return 'notMeasured'
  if (limit.id === ASKED && grade.mild === 2) return 'notAsAsked'
  if (step !== null) return grade.strong === 0 ? 'withinStep' : 'workedToStep'
  if (grade.mild === 2) return 'beyond'
  if (grade.mild === 1) return grade.strong === 1 ? 'pastPlan' : 'pastPlanAtLeast'
  if (grade.strong === 0) return 'inside'
  if (value.open !== 'complete')
    return reductions.faults.length > 0 && reductions.taken === reductions.needed ? 'doubtful' : 'missing'
  return value.interval === null ? 'undecided' : 'notAFigure'
}

function factsOf({ outcome: { limit, value, guard, grade, step }, quantity, reductions }: LimitVoteInput): LimitFacts {
  return {
    limit,
    quantity,
    value: value && { value: value.value, interval: value.interval },
    where: value?.where ?? null,
    uncertainty: value?.uncertainty ?? 0,
    degreesOfFreedom: value?.degreesOfFreedom ?? null,
    guard,
    grade,
    step,
    taken: reductions.taken,
    needed: reductions.needed,
  }
}

function settledBy({ outcome, missing, mending, reductions, settledOtherwise }: LimitVoteInput): Settling {
  const { grade, value, step } = outcome
  if (grade.mild === grade.strong && mending.mild !== mending.strong) return mending.needs ?? { code: 'routesNeed' }
  if (missing.length > 0) return { code: 'take', missing }
  if (reductions.faults.length > 0) return { code: 'doubtfulAgain' }
  if (settledOtherwise !== null) return settledOtherwise
  if (value?.interval) return { code: 'toAFigure', text: null }
  if (step !== null) return { code: 'stepLimit' }
  return { code: value === null || value.open !== 'complete' ? 'doubtfulAgain' : 'betterGauge' }
}

/** What a method asks itself stands in no document. */
const sourceOf = ({ id, source }: Limit): Limit['source'] | null => (id === ASKED ? null : source)
