import { limitVote, listed, strongestLevelOf } from '../decision/limitVote'
import { type Mending, mendingOf, type ReductionsOf } from '../decision/mending'
import { byStrength, spanOf, verdictOf } from '../decision/partVerdict'
import { gradeOf, gradeSpan, guardBand } from '../limit/conformity'
import { quantityOf, quantityOfValue, stepOf } from '../method/gives'
import { slotKey, slotLabel, slotsOf } from '../method/layout'
import type { Reductions } from '../method/reduction'
import { type Figures, figuresOf } from '../quantity/figures'
import { formatHours, formatQuantity, type UnitSystem, unitOf } from '../quantity/format'
import { differenceOf } from '../quantity/kind'
import { expectedValue, hoursUntil, type LinePoint, wearRate } from '../trend/wearLine'
import type { Characteristic, Part } from './bookSchema'
import { faultVotes } from './faultVotes'
import type { Policy } from './recordSchema'
import type { CharacteristicResult, Forecast, LimitOutcome, Measured, TraceStep, Vote } from './results'
import type { TakenSet } from './standing'
import { readingStep, reductionSteps } from './traceSteps'

export interface CharacteristicInput {
  readonly characteristic: Characteristic
  readonly part: Part
  readonly set: TakenSet
  readonly reductionsOf: ReductionsOf
  readonly isBore: (characteristic: string) => boolean
  /** Judged values of earlier overhauls since the part's last base. */
  readonly earlier: readonly LinePoint[]
  readonly now: { readonly overhaul: string; readonly date: string; readonly runningHours: number; readonly mustRunHours: number }
  readonly policy: Policy
  readonly system: UnitSystem
}

/** Everything that follows for one characteristic: reductions, limits, wear line, forecast, votes. */
export function evaluateCharacteristic(input: CharacteristicInput): Measured {
  const { characteristic, set, policy } = input
  const reductions = input.reductionsOf(characteristic.id)
  if (!reductions) throw new Error(`no reductions for ${characteristic.id}`)
  const limits = characteristic.limits.map((limit): LimitOutcome => {
    const value = reductions.values[limit.judges] ?? null
    return {
      limit,
      value,
      guard: value === null ? 0 : guardBand(value.uncertainty, policy.acceptance),
      grade: gradeSpan(value, limit, policy.acceptance),
    }
  })
  const judged = limits[0]?.value ?? null
  const { now } = input
  const line =
    judged?.open === 'complete' && judged.value !== null
      ? [...input.earlier, { overhaul: now.overhaul, date: now.date, runningHours: now.runningHours, value: judged.value }]
      : input.earlier
  const rate = wearRate(line)
  const forecast = forecastOf(input, limits[0], rate)
  const votes = votesOf(input, reductions, limits, forecast, rate)
  const span = spanOf(votes)
  return {
    id: characteristic.id,
    part: characteristic.part,
    readings: standingOf(set),
    reductions,
    judged,
    limits,
    faults: reductions.faults,
    line,
    rate,
    forecast,
    ...span,
    verdict: verdictOf(span),
    votes: byStrength(votes),
  }
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

function forecastOf(
  input: CharacteristicInput,
  first: LimitOutcome | undefined,
  rate: ReturnType<typeof wearRate>,
): Forecast | null {
  const value = first?.value?.open === 'complete' ? first.value.value : null
  if (!first || value === null || rate === null) return null
  const { limit } = first
  return {
    atHours: input.now.runningHours + input.now.mustRunHours,
    value: expectedValue(value, rate, input.now.mustRunHours),
    hoursToPlan: limit.plan === null ? null : hoursUntil(value, rate, limit.plan, limit.side),
    hoursToWear: hoursUntil(value, rate, limit.wear, limit.side),
  }
}

function votesOf(
  input: CharacteristicInput,
  reductions: Reductions,
  limits: readonly LimitOutcome[],
  forecast: Forecast | null,
  rate: ReturnType<typeof wearRate>,
): Vote[] {
  const { characteristic, part, system, set } = input
  const { method, showTo } = characteristic
  const quantity = quantityOf(method)
  const own = figuresOf(quantity, system, showTo)
  const mending = mendingOf(part, [characteristic.id], input.isBore, input.reductionsOf, own.figure)
  const settled = new Set([...set.cannot, ...set.notApplicable, ...set.taken.map(slotKey)])
  const missing = slotsOf(method)
    .filter((slot) => !settled.has(slotKey(slot)))
    .map((slot) => slotLabel(method, slot))
  const cannot = cannotVotes(input, mending)
  if (set.taken.length === 0 && method.kind !== 'computed')
    return cannot.length > 0 ? cannot : [notMeasuredVote(characteristic, mending)]

  const readingSteps = set.taken.map((taken): TraceStep => readingStep(characteristic, taken, system))
  const votes = limits.map((outcome) => {
    const kind = quantityOfValue(method, outcome.limit.judges)
    const figures = figuresOf(kind, system, stepOf(method, showTo, kind))
    return limitVote({
      subject: characteristic.id,
      rule: 'limit',
      outcome,
      mending,
      reductions,
      missing: [...missing, ...waitingFor(input, outcome)],
      figures,
      steps: [...readingSteps, ...reductionSteps(set, outcome, figures, system)],
    })
  })
  const forecastSays = forecastVote(input, limits[0], forecast, rate, mending)
  return [
    ...votes,
    ...cannot,
    ...(forecastSays ? [forecastSays] : []),
    ...faultVotes(characteristic, reductions, own, strongestOf(characteristic, mending)),
  ]
}

/** What this one cannot be computed without and is not known yet. */
function waitingFor({ characteristic, reductionsOf }: CharacteristicInput, outcome: LimitOutcome): string[] {
  const { method } = characteristic
  if (method.kind === 'computed')
    return [...new Set(Object.values(method.names).map(({ characteristic: id }) => id))].filter((id) => {
      const of = reductionsOf(id)
      return !of || of.taken < of.needed
    })
  if (outcome.limit.judges !== 'gapAtWornDiameter' || method.kind !== 'ringEndGap') return []
  const runsIn = reductionsOf(method.runsIn)
  return runsIn && runsIn.taken === runsIn.needed ? [] : [`${method.runsIn} it runs in`]
}

const strongestOf = (characteristic: Characteristic, mending: Mending) =>
  characteristic.limits
    .map((limit) => strongestLevelOf(limit, mending))
    .reduce((a, b) => (a === 'replace' || b === 'reuse' ? a : b), 'reuse')

function notMeasuredVote(characteristic: Characteristic, mending: Mending): Vote {
  return {
    rule: 'notMeasured',
    subject: characteristic.id,
    mild: 'reuse',
    strong: strongestOf(characteristic, mending),
    reason: `${characteristic.name} is not measured yet`,
    settledBy: `Measure ${characteristic.name}.`,
    source: null,
    route: null,
    trace: [],
  }
}

/** Places marked as not to be measured leave open what only they could have settled. */
function cannotVotes({ characteristic, set }: CharacteristicInput, mending: Mending): Vote[] {
  const marks = set.standing.filter(({ kind }) => kind === 'cannot')
  if (marks.length === 0) return []
  const places = marks.map((mark) => `${slotLabel(characteristic.method, mark) || characteristic.name} (${mark.reason ?? ''})`)
  return [
    {
      rule: 'cannot',
      subject: characteristic.id,
      mild: 'reuse',
      strong: strongestOf(characteristic, mending),
      reason: `Cannot be measured: ${listed(places)}`,
      settledBy: 'Find another way to measure it, or take the cautious side.',
      source: null,
      route: null,
      trace: [],
    },
  ]
}

function forecastVote(
  { policy, system, now, characteristic }: CharacteristicInput,
  first: LimitOutcome | undefined,
  forecast: Forecast | null,
  rate: ReturnType<typeof wearRate>,
  mending: Mending,
): Vote | null {
  if (!first || !forecast || !rate || !policy.mustLastTheInterval || first.grade.mild === 2) return null
  const { method, showTo } = characteristic
  const kind = quantityOfValue(method, first.limit.judges)
  const step = stepOf(method, showTo, kind)
  const { figure, unit }: Figures = figuresOf(kind, system, step)
  const beyond = gradeOf(forecast.value, first.limit) === 2
  const perThousand = formatQuantity(rate.perThousandHours, differenceOf(kind), system, step / 10)
  const pace = `${perThousand.startsWith('−') || Number(perThousand) === 0 ? '' : '+'}${perThousand} ${unitOf(differenceOf(kind), system)} per 1\u00a0000 h`
  const at = `expected ${figure(forecast.value)} ${unit} at ${formatHours(forecast.atHours)} h`
  const says = beyond
    ? `Will not last the interval: ${at}, wear limit ${figure(first.limit.wear)}`
    : `Lasts the interval: ${at}, wear limit ${figure(first.limit.wear)}`
  return {
    rule: 'forecast',
    subject: characteristic.id,
    mild: beyond ? mending.mild : 'reuse',
    strong: beyond ? mending.strong : 'reuse',
    reason: says,
    settledBy: beyond && mending.mild !== mending.strong ? 'Measure what the mending routes need.' : null,
    source: first.limit.source,
    route: beyond ? (mending.route?.id ?? null) : null,
    trace: [
      {
        kind: 'forecast',
        text: `${pace} over ${rate.points} overhauls from ${formatHours(rate.fromHours)} to ${formatHours(rate.toHours)} h; ${formatHours(now.mustRunHours)} h to run: ${at}, without a band`,
        source: null,
      },
      ...(beyond ? mending.trace : []),
      {
        kind: 'rule',
        text: `${beyond ? 'beyond the wear limit before the next overhaul' : 'inside until the next overhaul'} (policy: must last the interval)`,
        source: null,
      },
    ],
  }
}
