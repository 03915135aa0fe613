import { strongest } from '../decision/level'
import { limitVote, listed, strongestLevelOf } from '../decision/limitVote'
import { type Mending, mendingOf, type ReductionsOf } from '../decision/mending'
import { byStrength, spanOf, verdictOf } from '../decision/partVerdict'
import { COVERAGE_FACTOR } from '../gauge/uncertainty'
import { gradeOf, gradeSpan, guardBandMm } from '../limit/conformity'
import { layoutOf, slotKey, slotLabel } from '../method/method'
import type { TakenReading } from '../method/reduce'
import { type Reductions, reductionLabel } from '../method/reduction'
import { formatHours, formatLength, formatSignedLength, type UnitSystem, unitLabel } from '../quantity/format'
import { expectedValueMm, hoursUntilMm, type LinePoint, wearRate } from '../trend/wearLine'
import type { Characteristic, Part } from './bookSchema'
import type { Policy, Reading } from './recordSchema'
import type { CharacteristicResult, Forecast, LimitOutcome, TraceStep, Vote } from './results'

export interface CharacteristicInput {
  readonly characteristic: Characteristic
  readonly part: Part
  readonly taken: readonly (TakenReading & { readonly reading: Reading })[]
  readonly reductionsOf: ReductionsOf
  readonly isBore: (characteristic: string) => boolean
  /** Judged values of earlier overhauls since the part's last base. */
  readonly earlier: readonly LinePoint[]
  readonly now: { readonly overhaul: string; readonly date: string; readonly runningHours: number; readonly mustRunHours: number }
  readonly policy: Policy
  readonly system: UnitSystem
}

/** Everything that follows for one characteristic: reductions, limits, wear line, forecast, votes. */
export function evaluateCharacteristic(input: CharacteristicInput): Omit<CharacteristicResult, 'need'> {
  const { characteristic, taken, policy } = input
  const reductions = input.reductionsOf(characteristic.id)
  if (!reductions) throw new Error(`no reductions for ${characteristic.id}`)
  const limits = characteristic.limits.map((limit): LimitOutcome => {
    const value = reductions.values[limit.judges] ?? null
    return {
      limit,
      value,
      guardMm: value === null ? 0 : guardBandMm(value.uncertaintyMm, policy.acceptance),
      grade: gradeSpan(value, limit, policy.acceptance),
    }
  })
  const judged = limits[0]?.value ?? null
  const { now } = input
  const line =
    judged?.open === 'complete'
      ? [...input.earlier, { overhaul: now.overhaul, date: now.date, runningHours: now.runningHours, valueMm: judged.valueMm }]
      : input.earlier
  const rate = wearRate(line)
  const forecast = forecastOf(input, limits[0], rate)
  const votes = votesOf(input, reductions, limits, forecast, rate)
  const span = spanOf(votes)
  return {
    id: characteristic.id,
    part: characteristic.part,
    readings: taken.map(({ reading, valueMm, station, direction, repeat }) => ({
      id: reading.id,
      station,
      direction,
      repeat,
      text: reading.text,
      valueMm,
    })),
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

function forecastOf(
  input: CharacteristicInput,
  first: LimitOutcome | undefined,
  rate: ReturnType<typeof wearRate>,
): Forecast | null {
  if (first?.value?.open !== 'complete' || rate === null) return null
  const { valueMm } = first.value
  const { limit } = first
  return {
    atHours: input.now.runningHours + input.now.mustRunHours,
    valueMm: expectedValueMm(valueMm, rate, input.now.mustRunHours),
    hoursToPlan: limit.planMm === null ? null : hoursUntilMm(valueMm, rate, limit.planMm, limit.side),
    hoursToWear: hoursUntilMm(valueMm, rate, limit.wearMm, limit.side),
  }
}

function votesOf(
  input: CharacteristicInput,
  reductions: Reductions,
  limits: readonly LimitOutcome[],
  forecast: Forecast | null,
  rate: ReturnType<typeof wearRate>,
): Vote[] {
  const { characteristic, part, system, taken } = input
  const figures = (valueMm: number): string => formatLength(valueMm, system, characteristic.showToMm)
  const unit = unitLabel(system)
  const mending = mendingOf(part, [characteristic.id], input.isBore, input.reductionsOf, figures)
  const missing = layoutOf(characteristic.method)
    .filter((slot) => !taken.some((reading) => slotKey(reading) === slotKey(slot)))
    .map((slot) => slotLabel(characteristic.method, slot))
  if (taken.length === 0) return [notMeasuredVote(characteristic, mending)]

  const readingSteps = taken.map(({ reading }): TraceStep => readingStep(characteristic, reading, figures, unit))
  const votes = limits.map((outcome) =>
    limitVote({
      subject: characteristic.id,
      rule: 'limit',
      outcome,
      mending,
      reductions,
      missing: [...missing, ...waitingFor(input, outcome)],
      figures,
      unit,
      steps: [...readingSteps, ...reductionSteps(input, outcome, figures, unit)],
    }),
  )
  const forecastSays = forecastVote(input, limits[0], forecast, rate, mending, figures, unit)
  return [...votes, ...(forecastSays ? [forecastSays] : []), ...faultVotes(characteristic, reductions, figures, unit)]
}

/** The characteristic a ring runs in must be measured before the gap where it runs is known. */
function waitingFor({ characteristic, reductionsOf }: CharacteristicInput, outcome: LimitOutcome): string[] {
  if (outcome.limit.judges !== 'gapAtWornDiameter' || characteristic.method.kind !== 'ringEndGap') return []
  const runsIn = reductionsOf(characteristic.method.runsIn)
  return runsIn && runsIn.taken === runsIn.needed ? [] : [`${characteristic.method.runsIn} it runs in`]
}

function notMeasuredVote(characteristic: Characteristic, mending: Mending): Vote {
  return {
    rule: 'notMeasured',
    subject: characteristic.id,
    mild: 'reuse',
    strong: characteristic.limits.map((limit) => strongestLevelOf(limit, mending)).reduce(strongest, 'reuse'),
    reason: `${characteristic.name} is not measured yet`,
    settledBy: `Measure ${characteristic.name}.`,
    source: null,
    route: null,
    trace: [],
  }
}

function readingStep(characteristic: Characteristic, reading: Reading, figures: (mm: number) => string, unit: string): TraceStep {
  const place = slotLabel(characteristic.method, reading)
  const fromMaster = reading.masterMm !== null && /^\s*[+-]/.test(reading.text)
  const correction = fromMaster ? `, on the master ${figures(reading.masterMm ?? 0)}` : ''
  return { kind: 'reading', text: `${place}: “${reading.text}”${correction} → ${figures(reading.valueMm)} ${unit}`, source: null }
}

function reductionSteps(
  { taken }: CharacteristicInput,
  outcome: LimitOutcome,
  figures: (mm: number) => string,
  unit: string,
): TraceStep[] {
  const { value, limit } = outcome
  if (value === null) return []
  const sum =
    value.sum.length > 1 ? ` = ${value.sum.map((term) => `${term.label} ${figures(Math.abs(term.valueMm))}`).join(', ')}` : ''
  const gauges = [...new Set(taken.map((reading) => reading.gauge.code))].join(', ')
  return [
    {
      kind: 'reduction',
      text: `${reductionLabel[limit.judges]} ${figures(value.valueMm)} ${unit}, ${value.where}${sum}`,
      source: null,
    },
    {
      kind: 'uncertainty',
      text: `± ${figures(COVERAGE_FACTOR * value.uncertaintyMm)} ${unit} (k = ${COVERAGE_FACTOR}), gauge ${gauges}`,
      source: null,
    },
  ]
}

function forecastVote(
  { policy, system, now, characteristic }: CharacteristicInput,
  first: LimitOutcome | undefined,
  forecast: Forecast | null,
  rate: ReturnType<typeof wearRate>,
  mending: Mending,
  figures: (mm: number) => string,
  unit: string,
): Vote | null {
  if (!first || !forecast || !rate || !policy.mustLastTheInterval || first.grade.mild === 2) return null
  const beyond = gradeOf(forecast.valueMm, first.limit) === 2
  const pace = `${formatSignedLength(rate.perThousandHoursMm, system, characteristic.showToMm / 10)} ${unit} per 1\u00a0000 h`
  const at = `expected ${figures(forecast.valueMm)} ${unit} at ${formatHours(forecast.atHours)} h`
  const says = beyond
    ? `Will not last the interval: ${at}, wear limit ${figures(first.limit.wearMm)}`
    : `Lasts the interval: ${at}, wear limit ${figures(first.limit.wearMm)}`
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

/** Faults of the method keep the verdict open until the readings are taken again. */
function faultVotes(
  characteristic: Characteristic,
  reductions: Reductions,
  figures: (mm: number) => string,
  unit: string,
): Vote[] {
  return reductions.faults.map((fault): Vote => {
    const base = { subject: characteristic.id, source: null, route: null, trace: [], mild: 'reuse', strong: 'replace' } as const
    switch (fault.code) {
      case 'repeatsDisagree':
        return {
          ...base,
          rule: 'repeats',
          reason: `Repeats spread over ${figures(fault.rangeMm)} ${unit}, more than the ${figures(fault.limitMm)} allowed: they must agree before the mean counts`,
          settledBy:
            fault.sticksOut === null
              ? 'Take the repeats again.'
              : `Turn the shaft over and take repeat ${fault.sticksOut} again.`,
        }
      case 'outsideStripScale':
        return {
          ...base,
          rule: 'stripScale',
          reason: `Strip width outside its scale at ${listed(fault.slots)}: wrong strip for this clearance`,
          settledBy: 'Use the strip of the next range and take it again.',
        }
    }
  })
}
