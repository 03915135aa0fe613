import type { Characteristic, Part, Route } from '../book/bookSchema'
import { neverGiven } from '../book/faults'
import { ASKED, judgingLimits } from '../limit/asked'
import { type GradeSpan, gradeSpan } from '../limit/conformity'
import type { Limit } from '../limit/limit'
import { judged, type LimitOutcome } from '../limit/outcome'
import { quantityOf, quantityOfValue, stepOf } from '../method/gives'
import { slotKey, slotLabel, slotsOf } from '../method/layout'
import { type Reduced, type ReductionName, type Reductions, reductionLabel } from '../method/reduction'
import { type Level, strongest } from '../policy/disposition'
import { intervalOfEnds } from '../quantity/extent'
import { type Figures, figuresOf } from '../quantity/figures'
import { formatHours, formatQuantity, unitOf, withSign } from '../quantity/format'
import { differenceOf } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import type { Policy } from '../record/recordSchema'
import type { Stage } from '../record/stage'
import type { TakenSet } from '../record/standing'
import type { LinesByValue } from '../trend/earlier'
import type { Trend } from '../trend/forecast'
import { lastsOf, type SisterSpread, type TrendInput, trendOf } from '../trend/forecast'
import { spreadWord } from '../trend/spreadWord'
import { rateOf } from '../trend/wearLine'
import { limitVote, listed, strongestLevelOf } from '../verdict/limitVote'
import { type Mending, mendingOf, type RouteContext } from '../verdict/mending'
import { byStrength, spanOf, verdictOf } from '../verdict/partVerdict'
import type { TraceStep, Vote } from '../verdict/vote'
import { openVote, vote } from '../verdict/vote'
import { faultVotes } from './faultVotes'
import type { CharacteristicResult, Measured } from './results'
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
  readonly sisters: (judges: ReductionName) => SisterSpread | null
  readonly now: { readonly overhaul: string; readonly date: string; readonly runningHours: number; readonly mustRunHours: number }
  readonly policy: Policy
  readonly system: UnitSystem
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
  const outcome = judged(limit, reductions.values[limit.judges] ?? null, input.policy.acceptance)
  const { grade } = outcome
  const step = grade.strong === 0 ? null : stepOfWork(input, limit, reductions)
  if (step === null) return outcome
  // Worked to a step of a route, it is judged by that step: bored to its oversize it is not worn out.
  const within: GradeSpan = step.surely ? { mild: 0, strong: 0 } : { mild: 0, strong: grade.strong }
  return { ...outcome, grade: within, step: step.route.id }
}

const JUDGES_SIZE: ReadonlySet<ReductionName> = new Set(['maximum', 'minimum', 'mean', 'median', 'wear'])

/**
 * The step of a route that a value is judged by: what it was worked to now, or how the last overhaul left it, beyond the
 * plain limit and within a step. Since then it has worn, and no book says how far it may from there: it is held.
 */
function stepOfWork(input: CharacteristicInput, limit: Limit, reductions: Reductions) {
  if (input.stage !== 'asFound') return stepWorkedTo(input, limit, reductions)
  const before = input.leftBefore
  if (!before || gradeSpan(before.values[limit.judges] ?? null, limit).mild === 0) return null
  const left = stepWorkedTo(input, limit, before)
  return left?.surely ? { route: left.route, surely: false } : null
}

/** The route whose sizes a worked part lies within, surely or perhaps; null where none is. */
function stepWorkedTo(
  { characteristic, part }: CharacteristicInput,
  { judges }: Limit,
  { values }: Reductions,
): { readonly route: Route; readonly surely: boolean } | null {
  if (!JUDGES_SIZE.has(judges) || !values.maximum || !values.minimum) return null
  const [smallest, largest] = [intervalOfEnds(values.minimum.guarded), intervalOfEnds(values.maximum.guarded)]
  const tried = part.routes.flatMap((route) => {
    const after = route.sizeAfter
    if (after?.characteristic !== characteristic.id) return []
    if (smallest.high < after.leastMm || largest.low > after.greatestMm) return []
    return [{ route, surely: smallest.low >= after.leastMm && largest.high <= after.greatestMm }]
  })
  return tried.find(({ surely }) => surely) ?? tried[0] ?? null
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
  { characteristic, earlier, sisters, now }: CharacteristicInput,
  judges: ReductionName,
  value: Reduced,
): TrendInput {
  return {
    earlier: earlier?.get(judges) ?? [],
    now: {
      overhaul: now.overhaul,
      date: now.date,
      runningHours: now.runningHours,
      value: intervalOfEnds(value.reach),
      uncertainty: value.uncertainty,
    },
    atHours: now.runningHours + now.mustRunHours,
    sisters: sisters(judges),
    quantity: quantityOfValue(characteristic.method, judges),
  }
}

/** Lines of every value that has a limit, in the order of the limits. */
function trendsOf(input: CharacteristicInput, { values }: Reductions): readonly Trend[] {
  const { characteristic, earlier } = input
  if (earlier === null) return []
  return [...new Set(characteristic.limits.map(({ judges }) => judges))].map((judges): Trend => {
    const value = values[judges]
    const line = earlier.get(judges) ?? []
    if (!value) return { judges, line, rate: rateOf(line), spread: null, forecasts: [] }
    return trendOf(
      judges,
      trendInput(input, judges, value),
      characteristic.limits.filter((limit) => limit.judges === judges),
    )
  })
}

function votesOf(
  input: CharacteristicInput,
  reductions: Reductions,
  limits: readonly LimitOutcome[],
  trends: readonly Trend[],
): Vote[] {
  const { characteristic, part, system, set, stage, routes } = input
  const { method, showTo } = characteristic
  const own = figuresOf(quantityOf(method), system, showTo)
  const mending = (limit: Limit): Mending =>
    mendingOf(part, { kind: 'characteristic', id: characteristic.id, limit }, { ...routes, figure: own.figure })
  const ways = new Map(limits.map(({ limit }) => [limit.id, mending(limit)] as const))
  const wayOf = (limit: Limit): Mending => ways.get(limit.id) ?? mending(limit)
  const strongestOfAll = strongestOf(limits, wayOf)
  // What is measured besides settles what it settles: its limits leave open what only the marked places could tell.
  const cannot = cannotVotes(input, set.taken.length === 0 ? strongestOfAll : 'reuse')
  if (set.taken.length === 0 && method.kind !== 'computed') {
    if (cannot.length > 0) return cannot
    return characteristic.asLeftOnly && stage === 'asFound'
      ? [asLeftVote(characteristic)]
      : [notMeasuredVote(input, strongestOfAll)]
  }
  const settled = new Set([...set.cannot, ...set.notApplicable, ...set.taken.map(slotKey)])
  const missing = slotsOf(method)
    .filter((slot) => !settled.has(slotKey(slot)))
    .map((slot) => slotLabel(method, slot))
  const readingSteps = set.taken.map((taken): TraceStep => readingStep(characteristic, taken, system))
  const votes = limits.map((outcome) => {
    const kind = quantityOfValue(method, outcome.limit.judges)
    const figures = figuresOf(kind, system, stepOf(method, showTo, kind))
    const never = outcome.value === null ? neverGiven(characteristic, outcome.limit.judges, hasBase(input)) : null
    return limitVote({
      subject: characteristic.id,
      rule: 'limit',
      stage,
      outcome,
      mending: wayOf(outcome.limit),
      reductions,
      missing: [...missing, ...waitingFor(input, outcome)],
      settledOtherwise: never ?? howToSettle(set),
      figures,
      steps: [...readingSteps, ...reductionSteps(set, outcome, figures, system)],
    })
  })
  return [
    ...votes,
    ...cannot,
    ...limits.flatMap((outcome) => forecastVote(input, outcome, trends, wayOf(outcome.limit)) ?? []),
    ...faultVotes(input, reductions, own, openTo(votes)),
    ...(limits.length === 0 ? [informationVote(input)] : []),
  ]
}

const ANOTHER_WAY = 'Find another way to measure it, or take the cautious side.'

/** Whether an earlier overhaul says what wear is counted from. */
const hasBase = ({ characteristic, earlier }: CharacteristicInput): boolean =>
  [...(earlier?.values() ?? [])].some((line) => line.length > 0) || characteristic.new !== null

/** How far the votes of limits that are open could lead; what a fault leaves open is what they leave open. */
const openTo = (votes: readonly Vote[]): Level =>
  votes.filter(({ mild, strong }) => mild !== strong).reduce<Level>((most, { strong }) => strongest(most, strong), 'reuse')

/** What settles a value that its readings leave open though all are taken; null where a better figure does. */
function howToSettle({ taken, cannot }: TakenSet): string | null {
  if (cannot.length > 0) return ANOTHER_WAY
  if (taken.some(({ corrected }) => corrected.anyMetal))
    return 'Measure at 20 °C, or have the expansion of part and gauge on record: at this temperature any metal is possible.'
  const bound = taken.find(({ interval: { low, high } }) => low !== high)
  return bound ? `“${bound.reading.text}” must be read to a figure, with a gauge that reaches it.` : null
}

/** What this one cannot be computed without and is not known yet. */
function waitingFor({ characteristic, routes }: CharacteristicInput, outcome: LimitOutcome): string[] {
  const { method } = characteristic
  const isOpen = (id: string): boolean => {
    const of = routes.reductionsOf(id)
    return !of || of.taken < of.needed
  }
  const nameOf = (id: string): string => routes.characteristicOf(id).name
  if (method.kind === 'computed')
    return [...new Set(Object.values(method.names).map(({ characteristic: id }) => id))].filter(isOpen).map(nameOf)
  if (outcome.limit.judges !== 'gapAtWornDiameter' || method.kind !== 'ringEndGap') return []
  return isOpen(method.runsIn) ? [`${nameOf(method.runsIn)}, in which it runs`] : []
}

const strongestOf = (limits: readonly LimitOutcome[], wayOf: (limit: Limit) => Mending): Level =>
  limits.map(({ limit }) => strongestLevelOf(limit, wayOf(limit))).reduce<Level>(strongest, 'reuse')

const notMeasuredVote = ({ characteristic, stage }: CharacteristicInput, strong: Level): Vote =>
  openVote({
    rule: 'notMeasured',
    code: 'notMeasured',
    stage,
    subject: characteristic.id,
    strong,
    reason: `${characteristic.name} is not measured yet`,
    settledBy: `Measure ${characteristic.name}.`,
  })

/** There is nothing to find; what it is left at is asked for when it is left. */
const asLeftVote = (characteristic: Characteristic): Vote =>
  vote({
    rule: 'information',
    code: 'asLeftOnly',
    subject: characteristic.id,
    mild: 'reuse',
    strong: 'reuse',
    reason: `${characteristic.name} is taken as the part is left`,
  })

const informationVote = ({ characteristic, stage }: CharacteristicInput): Vote =>
  vote({
    rule: 'information',
    code: 'nothingJudges',
    stage,
    subject: characteristic.id,
    mild: 'reuse',
    strong: 'reuse',
    reason:
      (characteristic.changes ?? []).length === 0
        ? `${characteristic.name} is for information: nothing judges it`
        : `${characteristic.name} is judged by how it changes`,
  })

/** Places marked as not to be measured leave open what only they could have settled. */
function cannotVotes({ characteristic, set, stage }: CharacteristicInput, strong: Level): Vote[] {
  const marks = set.standing.filter(({ kind }) => kind === 'cannot')
  if (marks.length === 0) return []
  const places = marks.map((mark) => `${slotLabel(characteristic.method, mark) || characteristic.name} (${mark.reason ?? ''})`)
  return [
    openVote({
      rule: 'cannot',
      code: 'cannot',
      facts: { places },
      stage,
      subject: characteristic.id,
      strong,
      reason: `Cannot be measured: ${listed(places)}`,
      settledBy: strong === 'reuse' ? null : ANOTHER_WAY,
    }),
  ]
}

/** What the line foretells of one limit, where the policy asks for it: it votes with its doubt, and not while noise explains it. */
function forecastVote(
  input: CharacteristicInput,
  { limit, value, grade, step }: LimitOutcome,
  trends: readonly Trend[],
  mending: Mending,
): Vote | null {
  const { policy, system, now, characteristic, earlier } = input
  if (
    earlier === null ||
    limit.id === ASKED ||
    !policy.mustLastTheInterval ||
    grade.mild === 2 ||
    value === null ||
    step !== null
  )
    return null
  const lasts = lastsOf(trendInput(input, limit.judges, value), limit)
  if (lasts === 'notKnown') return null
  const trend = trends.find(({ judges }) => judges === limit.judges)
  const forecast = trend?.forecasts.find((of) => of.limit === limit.id)
  const { method, showTo } = characteristic
  const kind = quantityOfValue(method, limit.judges)
  const step_ = stepOf(method, showTo, kind)
  const { figure, bound, unit }: Figures = figuresOf(kind, system, step_)
  const wear = `wear limit ${bound(limit.wear)}`
  const at = forecast
    ? `expected ${figure(forecast.value)} (${figure(forecast.low)} … ${figure(forecast.high)}) ${unit} at ${formatHours(forecast.atHours)} h`
    : `at ${formatHours(now.runningHours + now.mustRunHours)} h`
  const says = { no: 'will not last the interval', unsure: 'is not sure to last the interval', yes: 'lasts the interval' }[lasts]
  const strong = lasts === 'yes' ? 'reuse' : strongestLevelOf(limit, mending)
  return vote({
    rule: 'forecast',
    code: lasts,
    facts: {
      limit: limit.id,
      atHours: now.runningHours + now.mustRunHours,
      value: forecast?.value ?? null,
      low: forecast?.low ?? null,
      high: forecast?.high ?? null,
      wear: limit.wear,
    },
    subject: characteristic.id,
    mild: lasts === 'no' ? (limit.whenPassed === 'replace' ? 'replace' : mending.mild) : 'reuse',
    strong,
    reason: `${reductionLabel[limit.judges]} ${says}: ${at}, ${wear}`,
    settledBy:
      lasts === 'unsure'
        ? 'Shorten the interval, or decide on the cautious side.'
        : lasts === 'no' && mending.mild !== mending.strong
          ? (mending.needs ?? 'Measure what the mending routes need.')
          : null,
    source: limit.source,
    route: lasts === 'no' ? (mending.route?.id ?? null) : null,
    trace: [
      ...(trend?.rate ? [paceStep(trend, kind, system, step_, now.mustRunHours, at)] : []),
      ...(lasts === 'yes' ? [] : mending.trace),
      {
        kind: 'rule',
        text: `${{ no: 'beyond the wear limit before the next overhaul', unsure: 'the wear limit lies within what is to be expected', yes: 'inside until the next overhaul' }[lasts]} (policy: must last the interval)`,
        source: null,
      },
    ],
  })
}

function paceStep(
  { rate, spread }: Trend,
  kind: Parameters<typeof differenceOf>[0],
  system: UnitSystem,
  step: number,
  mustRunHours: number,
  at: string,
): TraceStep {
  const difference = differenceOf(kind)
  const perThousand = formatQuantity(rate?.perThousandHours ?? 0, difference, system, step / 10)
  const pace = `${withSign(perThousand)} ${unitOf(difference, system)} per 1\u00a0000 h`
  const from = spread ? `; 95 % by ${spreadWord[spread.from]}` : ''
  return {
    kind: 'forecast',
    text: `${pace} over ${rate?.points ?? 0} overhauls from ${formatHours(rate?.fromHours ?? 0)} to ${formatHours(rate?.toHours ?? 0)} h; ${formatHours(mustRunHours)} h to run: ${at}${from}`,
    source: null,
  }
}
