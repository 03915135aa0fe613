import { limitAtNext } from '../limit/limitBy'
import type { LimitOutcome } from '../limit/outcome'
import type { Reduced } from '../method/reduction'
import { intervalOfEnds } from '../quantity/extent'
import { lastsOf, type Trend, type TrendInput } from '../trend/forecast'
import type { WearRate } from '../trend/wearLine'
import { strongestLevelOf } from '../verdict/limitVote'
import type { Mending } from '../verdict/mending'
import { type ForecastFacts, type TraceStep, type Vote, vote } from '../verdict/vote'

interface Now {
  readonly overhaul: string
  readonly date: string
  readonly runningHours: number
  readonly mustRunHours: number
}

/** A value as it is read now, at the end of its line. */
export const trendInputOf = (
  { overhaul, date, runningHours, mustRunHours }: Now,
  value: Reduced,
  line: Pick<TrendInput, 'earlier' | 'sisters' | 'quantity' | 'since'>,
): TrendInput => ({
  ...line,
  now: { overhaul, date, runningHours, value: intervalOfEnds(value.reach), uncertainty: value.uncertainty },
  atHours: runningHours + mustRunHours,
})

interface Foretelling {
  readonly subject: string
  readonly outcome: LimitOutcome
  readonly input: TrendInput
  /** The line that is shown; null where none is. */
  readonly trend: Trend | null
  readonly mustRunHours: number
  readonly mending: Mending
}

/** What the line of a value foretells of one limit until the next overhaul: it votes with its doubt. */
export function forecastVote({ subject, outcome, input, trend, mustRunHours, mending }: Foretelling): Vote | null {
  const { limit, grade, step } = outcome
  // Beyond it already, or judged by the step that it was worked to.
  if (grade.mild === 2 || step !== null) return null
  const { lasts, because } = lastsOf(input, limitAtNext(limit))
  if (lasts === 'notKnown') return null
  const forecast = because ? undefined : trend?.forecasts.find((of) => of.limit === limit.id)
  const foretold: ForecastFacts = {
    limit,
    quantity: input.quantity,
    atHours: input.atHours,
    expected: forecast ? { value: forecast.value, low: forecast.low, high: forecast.high } : null,
    ...(because ? { because } : {}),
  }
  return vote({
    rule: 'forecast',
    code: lasts,
    facts: foretold,
    subject,
    mild: lasts === 'no' ? (limit.whenPassed === 'replace' && !mending.setting ? 'replace' : mending.mild) : 'reuse',
    strong: lasts === 'yes' ? 'reuse' : strongestLevelOf(limit, mending),
    settledBy:
      lasts === 'unsure'
        ? { code: because === 'limitEnds' ? 'limitThen' : 'shorterInterval' }
        : lasts === 'no' && mending.mild !== mending.strong
          ? (mending.needs ?? { code: 'routesNeed' })
          : null,
    source: limit.source,
    route: lasts === 'no' ? (mending.route?.id ?? null) : null,
    ...(mending.setting && lasts !== 'yes' ? { setting: mending.setting } : {}),
    trace: [
      ...(trend?.rate ? [paceStep(trend, trend.rate, foretold, mustRunHours)] : []),
      ...(lasts === 'yes' ? [] : mending.trace),
      { kind: 'rule', code: 'lasts', lasts, source: null },
    ],
  })
}

const paceStep = (
  { spread }: Trend,
  { perThousandHours, points, fromHours, toHours }: WearRate,
  { quantity, atHours, expected }: ForecastFacts,
  mustRunHours: number,
): TraceStep => ({
  kind: 'forecast',
  quantity,
  perThousandHours,
  overhauls: points,
  fromHours,
  toHours,
  mustRunHours,
  atHours,
  expected,
  spread: spread?.from ?? null,
  source: null,
})
