import type { Characteristic, Part } from '../book/bookSchema'
import { neverGiven } from '../book/neverGiven'
import { ASKED, judgingLimits } from '../limit/asked'
import { type GradeSpan, guardFactorOf } from '../limit/conformity'
import type { Limit } from '../limit/limit'
import { openLimits } from '../limit/limitBy'
import { judged, type LimitOutcome } from '../limit/outcome'
import { quantityOf, quantityOfValue } from '../method/gives'
import { slotKey, slotsOf } from '../method/layout'
import type { Reduced, ReductionName, Reductions } from '../method/reduction'
import { slotOf } from '../method/slot'
import { type Disposition, strongest } from '../policy/disposition'
import type { Policy } from '../record/recordSchema'
import { readAt } from '../record/reduce'
import type { Stage } from '../record/stage'
import type { TakenSet } from '../record/standing'
import { settingOf } from '../setting/setting'
import { type LinesByValue, lineKey } from '../trend/earlier'
import type { Trend } from '../trend/forecast'
import { type SinceNew, type SisterSpread, type TrendInput, trendOf } from '../trend/forecast'
import { rateOf } from '../trend/wearLine'
import { limitVote, strongestLevelOf } from '../verdict/limitVote'
import type { Mending, RouteContext } from '../verdict/mending'
import { mendingOfValue } from '../verdict/mendingOfValue'
import { byStrength, spanOf, verdictOf } from '../verdict/partVerdict'
import { heldLimits, unheldLimits } from '../verdict/reuseRequires'
import {
  type InformationCode,
  type Missing,
  NONE,
  openVote,
  type Settling,
  type TraceStep,
  type Vote,
  vote,
} from '../verdict/vote'
import { faultVotes } from './faultVotes'
import { forecastVote, trendInputOf } from './forecastVote'
import { notMeasuredVote } from './notMeasuredVote'
import { openLimitVotes } from './openLimitVotes'
import type { CharacteristicResult, Measured } from './results'
import { stepOfWork } from './stepOfWork'
import { readingStep, reductionSteps } from './traceSteps'

export interface CharacteristicInput {
  readonly characteristic: Characteristic
  readonly part: Part
  readonly stage: Stage
  readonly set: TakenSet
  /** Values at this stage, and what routes are tried on. */
  readonly routes: RouteContext
  /** Values of earlier overhauls since the part's last base; null at a stage that foretells nothing. */
  readonly earlier: LinesByValue | null
  /** How the last overhaul left this part; null where none measured it. */
  readonly leftBefore: Reductions | null
  /** By the key of the line. */
  readonly sisters: (line: string) => SisterSpread | null
  /** Hours that the part has run in its place; null where nobody counts them. */
  readonly hoursInPlace: Pick<SinceNew, 'hours' | 'isCounted'> | null
  /** Routes of the part that were decided on. */
  readonly routesChosen: ReadonlySet<string>
  /** It was measured after the work. */
  readonly isWorked: boolean
  readonly now: { readonly overhaul: string; readonly date: string; readonly runningHours: number; readonly mustRunHours: number }
  readonly policy: Policy
}

/** Everything that follows for one characteristic: reductions, limits, wear lines, forecasts, votes. */
export function evaluateCharacteristic(input: CharacteristicInput): Measured {
  const { characteristic, set, routes } = input
  const reductions = routes.reductionsOf(characteristic.id)
  if (!reductions) throw new Error(`no reductions for ${characteristic.id}`)
  const limits = judgingLimits(characteristic.method, characteristic.limits).map((limit) => outcomeOf(input, limit, reductions))
  const trends = trendsOf(input, reductions)
  const [first] = trends
  const votes = votesOf(input, reductions, limits, trends)
  const span = spanOf(votes)
  return {
    id: characteristic.id,
    part: characteristic.part,
    readings: standingOf(set),
    reductions,
    judged: limits[0]?.value ?? null,
    limits,
    faults: reductions.faults,
    line: first?.line ?? [],
    rate: first?.rate ?? null,
    forecast: first?.forecasts[0] ?? null,
    trends,
    ...span,
    verdict: verdictOf(span),
    votes: byStrength(votes),
  }
}

function outcomeOf(input: CharacteristicInput, limit: Limit, reductions: Reductions): LimitOutcome {
  const { characteristic, set, policy } = input
  const value = limit.at
    ? readAt(characteristic, set, limit.at, guardFactorOf(policy.acceptance))
    : (reductions.values[limit.judges] ?? null)
  const outcome = judged(limit, value, policy.acceptance)
  const { grade } = outcome
  const step = grade.strong === 0 ? null : stepOfWork(input, limit, reductions)
  if (step === null) return outcome
  // Worked to a step of a route, it is judged by that step: bored to its oversize it is not worn out.
  const within: GradeSpan = step.surely ? { mild: 0, strong: 0 } : { mild: 0, strong: grade.strong }
  return { ...outcome, grade: within, step: step.route.id }
}

function standingOf({ standing, taken }: TakenSet): CharacteristicResult['readings'] {
  const corrections = new Map(
    taken.map(({ reading, corrected: { zero, calibration, temperature } }) => [reading.id, zero + calibration + temperature]),
  )
  return standing.flatMap(({ id, station, direction, repeat, text, kind, value, low, high }) =>
    kind === 'withdrawn'
      ? []
      : [{ id, station, direction, repeat, text, kind, value, low, high, correction: corrections.get(id) ?? 0 }],
  )
}

/** What the line of a value is worked out from; the value may still be open. */
function trendInput(
  { characteristic, earlier, sisters, now, hoursInPlace }: CharacteristicInput,
  judged: Pick<Limit, 'judges' | 'at'>,
  value: Reduced,
): TrendInput {
  const isSize =
    SIZES.has(judged.judges) && quantityOfValue(characteristic.method, judged.judges) === quantityOf(characteristic.method)
  const { new: size } = characteristic
  return trendInputOf(now, value, {
    earlier: earlier?.get(lineKey(judged)) ?? [],
    sisters: sisters(lineKey(judged)),
    quantity: quantityOfValue(characteristic.method, judged.judges),
    since: size && isSize && hoursInPlace ? { new: { low: size.lower, high: size.upper }, ...hoursInPlace } : null,
  })
}

/** Values that begin at the new size. */
const SIZES: ReadonlySet<ReductionName> = new Set(['maximum', 'minimum', 'mean', 'median', 'total', 'result'])

/** What its line foretells of one limit; what is set does not wear: each setting starts anew. */
function foretold(input: CharacteristicInput, outcome: LimitOutcome, trends: readonly Trend[], mending: Mending): Vote | null {
  const { policy, now, characteristic, earlier } = input
  const { limit, value } = outcome
  const isSet = settingOf(characteristic, limit)?.is === 'setting'
  if (earlier === null || limit.id === ASKED || !policy.mustLastTheInterval || isSet || value === null) return null
  return forecastVote({
    subject: characteristic.id,
    outcome,
    trend: limit.at ? null : (trends.find(({ judges }) => judges === limit.judges) ?? null),
    input: trendInput(input, limit, value),
    mustRunHours: now.mustRunHours,
    mending,
  })
}

/** Lines of every value that has a limit, in the order of the limits. */
function trendsOf(input: CharacteristicInput, { values }: Reductions): readonly Trend[] {
  const { characteristic, earlier } = input
  if (earlier === null) return []
  // A line is drawn of a value over all places; one place alone has none.
  return [...new Set(characteristic.limits.filter(({ at }) => !at).map(({ judges }) => judges))].map((judges): Trend => {
    const value = values[judges]
    const line = earlier.get(lineKey({ judges })) ?? []
    // What is only set drifts between settings: that is its line, and no wear.
    if (settingOf(characteristic, { judges })?.is === 'setting') return { judges, line, rate: null, spread: null, forecasts: [] }
    if (!value) return { judges, line, rate: rateOf(line), spread: null, forecasts: [] }
    return trendOf(
      judges,
      trendInput(input, { judges }, value),
      characteristic.limits.filter((limit) => limit.judges === judges && !limit.at),
    )
  })
}

function votesOf(
  input: CharacteristicInput,
  reductions: Reductions,
  limits: readonly LimitOutcome[],
  trends: readonly Trend[],
): Vote[] {
  const { characteristic, part, set, stage, routes } = input
  const { method } = characteristic
  const mending = (limit: Limit): Mending => mendingOfValue(part, characteristic, limit, reductions, routes)
  // What a method asks by itself stands in no book, and is never typed.
  const held = new Set<Limit>(heldLimits(characteristic))
  const judging = limits.filter(({ limit }) => limit.id === ASKED || held.has(limit))
  const ways = new Map(judging.map(({ limit }) => [limit.id, mending(limit)] as const))
  const wayOf = (limit: Limit): Mending => ways.get(limit.id) ?? mending(limit)
  const open = [
    ...openLimitVotes(characteristic.id, stage, openLimits(characteristic), mending),
    ...unheldLimits(characteristic, characteristic.safety, stage),
  ]
  const strongestOfAll = open.reduce((most, { strong }) => strongest(most, strong), strongestOf(judging, wayOf))
  const asks = judging.map(({ limit }) => ({ strong: strongestLevelOf(limit, wayOf(limit)), ...markOf(wayOf(limit)) }))
  // What is measured besides settles what it settles: its limits leave open what only the marked places could tell.
  const cannot = cannotVotes(input, set.taken.length === 0 ? strongestOfAll : 'reuse')
  if (set.taken.length === 0 && method.kind !== 'computed') {
    if (cannot.length > 0) return cannot
    return characteristic.asLeftOnly && stage === 'asFound'
      ? [information(characteristic, stage, 'asLeftOnly'), ...open]
      : [{ ...notMeasuredVote(characteristic.id, stage, strongestOfAll), ...leavesOpen([...asks, ...open]) }, ...open]
  }
  const settled = new Set([...set.cannot, ...set.notApplicable, ...set.taken.map(slotKey)])
  const missing = slotsOf(method)
    .filter((slot) => !settled.has(slotKey(slot)))
    .map((slot): Missing => ({ code: 'slot', slot }))
  const readingSteps = set.taken.map((taken): TraceStep => readingStep(characteristic, taken))
  const votes = judging.map((outcome) => {
    const quantity = quantityOfValue(method, outcome.limit.judges)
    const never = outcome.value === null ? neverGiven(characteristic, outcome.limit.judges, hasBase(input)) : null
    return limitVote({
      subject: characteristic.id,
      rule: 'limit',
      quantity,
      stage,
      outcome,
      mending: wayOf(outcome.limit),
      reductions,
      missing: [...missing, ...waitingFor(input, outcome)],
      settledOtherwise: never ? { code: 'never', fault: never } : howToSettle(set),
      steps: [...readingSteps, ...reductionSteps(set, outcome, quantity)],
    })
  })
  return [
    ...votes,
    ...open,
    ...cannot,
    ...judging.flatMap((outcome) => foretold(input, outcome, trends, wayOf(outcome.limit)) ?? []),
    ...faultVotes(input, reductions, openTo(votes)).map((fault) => ({ ...fault, ...leavesOpen(votes.filter(isOpen)) })),
    ...(limits.length === 0 && open.length === 0 ? [information(characteristic, stage, informationCode(characteristic))] : []),
  ]
}

/** Whether an earlier overhaul says what wear is counted from. */
const hasBase = ({ characteristic, earlier }: CharacteristicInput): boolean =>
  [...(earlier?.values() ?? [])].some((line) => line.length > 0) || characteristic.new !== null

const markOf = ({ setting }: Mending): Pick<Vote, 'setting'> => (setting ? { setting } : {})

/** What is not known of a setting leaves open what its chain does, and beside it what everything else could ask for. */
function leavesOpen(votes: readonly Pick<Vote, 'strong' | 'setting'>[]): Pick<Vote, 'setting'> {
  const [first] = votes.flatMap(({ setting }) => setting ?? [])
  if (!first) return {}
  const otherwise = votes.map(({ setting, strong }) => setting?.otherwise ?? strong).reduce<Disposition>(strongest, 'adjust')
  return { setting: { ...first, change: null, otherwise } }
}

const isOpen = ({ mild, strong }: Vote): boolean => mild !== strong

/** How far the votes of limits that are open could lead; what a fault leaves open is what they leave open. */
const openTo = (votes: readonly Vote[]): Disposition =>
  votes.filter(isOpen).reduce<Disposition>((most, { strong }) => strongest(most, strong), 'reuse')

/** What settles a value that its readings leave open though all are taken; null where a better figure does. */
function howToSettle({ taken, cannot }: TakenSet): Settling | null {
  if (cannot.length > 0) return { code: 'anotherWay' }
  if (taken.some(({ corrected }) => corrected.anyMetal)) return { code: 'atTwenty' }
  const bound = taken.find(({ interval: { low, high } }) => low !== high)
  return bound ? { code: 'toAFigure', text: bound.reading.text } : null
}

/** What this one cannot be computed without and is not known yet. */
function waitingFor({ characteristic, routes }: CharacteristicInput, outcome: LimitOutcome): Missing[] {
  const { method } = characteristic
  const isOpen = (id: string): boolean => {
    const of = routes.reductionsOf(id)
    return !of || of.taken < of.needed
  }
  if (method.kind === 'computed')
    return [...new Set(Object.values(method.names).map(({ characteristic: id }) => id))]
      .filter(isOpen)
      .map((id): Missing => ({ code: 'other', characteristic: id }))
  if (outcome.limit.judges !== 'gapAtWornDiameter' || method.kind !== 'ringEndGap') return []
  return isOpen(method.runsIn) ? [{ code: 'runsIn', characteristic: method.runsIn }] : []
}

const strongestOf = (limits: readonly LimitOutcome[], wayOf: (limit: Limit) => Mending): Disposition =>
  limits.map(({ limit }) => strongestLevelOf(limit, wayOf(limit))).reduce<Disposition>(strongest, 'reuse')

/** Why a value without a limit judges nothing. */
const informationCode = ({ changes = [] }: Characteristic): InformationCode => (changes.length > 0 ? 'byChange' : 'nothingJudges')

const information = ({ id }: Characteristic, stage: Stage, code: InformationCode): Vote =>
  vote({ rule: 'information', code, facts: NONE, stage, subject: id, mild: 'reuse', strong: 'reuse' })

/** Places marked as not to be measured leave open what only they could have settled. */
function cannotVotes({ characteristic, set, stage }: CharacteristicInput, strong: Disposition): Vote[] {
  const places = set.standing
    .filter(({ kind }) => kind === 'cannot')
    .map((mark) => ({ slot: slotOf(mark), why: mark.reason ?? '' }))
  if (places.length === 0) return []
  return [
    openVote({
      rule: 'cannot',
      code: 'cannot',
      facts: { places },
      stage,
      subject: characteristic.id,
      strong,
      settledBy: strong === 'reuse' ? null : { code: 'anotherWay' },
    }),
  ]
}
