import type { Limit } from '../limit/limit'
import type { ReductionName } from '../method/reduction'
import { exceeds } from '../quantity/decimal'
import { type Interval, isPoint } from '../quantity/interval'
import type { QuantityKind } from '../quantity/kind'
import {
  earliestHoursAtLimit,
  hoursAtLimit,
  type Line,
  leastSquaresLine,
  oneSided95,
  predictionFactor,
  slopeStandardError,
  twoSided95,
  valueAt,
} from './regression'
import { type LinePoint, rateOf, type WearRate } from './wearLine'

/** Whether a value stays inside a limit until the next overhaul: by its 95 % interval against the limit. */
export type Lasts = 'yes' | 'no' | 'unsure'

export interface Forecast {
  /** Limit it is held against. */
  readonly limit: string
  readonly atHours: number
  /** Expected then, and the ends of the 95 % interval for one new reading. */
  readonly value: number
  readonly low: number
  readonly high: number
  readonly lasts: Lasts
  /** Hours from now to the limits; null where it does not get there. */
  readonly hoursToPlan: number | null
  readonly hoursToWear: number | null
  /** Hours from now at which the wear limit may be reached at the earliest, one-sided 95 %; null where it is not. */
  readonly earliestHoursToWear: number | null
}

/** How one judged value moved from overhaul to overhaul, and where it goes. */
export interface Trend {
  readonly judges: ReductionName
  readonly line: readonly LinePoint[]
  readonly rate: WearRate | null
  /**
   * Spread of readings about their line, and where it comes from: their own residuals, sister positions, what they are known
   * to, or too few points to tell; null where no rate is known.
   */
  readonly spread: {
    readonly value: number
    readonly degreesOfFreedom: number | null
    readonly from: 'own' | 'sisters' | 'gauge' | 'few'
  } | null
  /** One for each limit of the value; none while nothing but noise moved it. */
  readonly forecasts: readonly Forecast[]
}

/** How far readings of sister positions scatter about their own lines, pooled. */
export interface SisterSpread {
  readonly value: number
  readonly degreesOfFreedom: number
}

export interface TrendInput {
  /** Earlier readings since the part's last base, oldest first. */
  readonly earlier: readonly LinePoint[]
  /** What is read now: a figure, or the ends it may have. */
  readonly now: Omit<LinePoint, 'value'> & { readonly value: Interval }
  readonly atHours: number
  readonly sisters: SisterSpread | null
  readonly quantity: QuantityKind
}

/** So few points do not tell how readings scatter about their line. */
const FEW_POINTS = 3

type Spread = NonNullable<Trend['spread']>

/**
 * Spread of readings about a line: its own residuals, with those of sister positions where its points are few, and never
 * less than the readings are known to. With few points and no sisters that spread is not known: then the doubt of the
 * readings themselves, and what they are off their line, is all there is.
 */
function spreadsOf(line: Line, points: readonly LinePoint[], sisters: SisterSpread | null): readonly Spread[] {
  const own = line.points - 2
  const isFew = line.points <= FEW_POINTS
  const gauge = Math.sqrt(points.reduce((sum, { uncertainty }) => sum + uncertainty ** 2, 0) / points.length)
  const spreads: Spread[] = [{ value: gauge, degreesOfFreedom: null, from: isFew && !sisters ? 'few' : 'gauge' }]
  if (sisters && isFew) {
    const degreesOfFreedom = own + sisters.degreesOfFreedom
    const squares = line.residualSquares + sisters.value ** 2 * sisters.degreesOfFreedom
    spreads.push({ value: Math.sqrt(squares / degreesOfFreedom), degreesOfFreedom, from: 'sisters' })
  } else if (line.residualDeviation !== null)
    spreads.push({ value: line.residualDeviation, degreesOfFreedom: isFew ? null : own, from: isFew ? 'few' : 'own' })
  return spreads
}

const widest = (spreads: readonly Spread[], quantile: (degreesOfFreedom: number | null) => number): Spread => {
  const [first, ...others] = spreads
  if (!first) throw new Error('a line has at least the spread of its gauge')
  const width = ({ value, degreesOfFreedom }: Spread): number => value * quantile(degreesOfFreedom)
  return others.reduce((best, spread) => (width(spread) > width(best) ? spread : best), first)
}

interface Projection {
  readonly line: Line
  readonly points: readonly LinePoint[]
  readonly spread: Spread
  readonly value: number
  readonly low: number
  readonly high: number
  /** The readings moved by no more than they are known to: nothing is foretold from that. */
  readonly isNoise: boolean
}

function project({ earlier, now, atHours, sisters }: TrendInput, value: number): Projection | null {
  const points = [...earlier, { ...now, value }]
  const line = leastSquaresLine(points.map(({ runningHours, value: of }) => ({ hours: runningHours, value: of })))
  if (line === null) return null
  const spreads = spreadsOf(line, points, sisters)
  const spread = widest(spreads, twoSided95)
  const half = spread.value * twoSided95(spread.degreesOfFreedom) * predictionFactor(line, atHours)
  const then = valueAt(line, atHours)
  const noise = spreads[0]?.value ?? 0
  const isNoise = Math.abs(line.slope) <= twoSided95(null) * slopeStandardError(line, noise)
  return { line, points, spread, value: then, low: then - half, high: then + half, isNoise }
}

/** The interval against the limit: wholly inside, wholly beyond, or across it. */
function lastsBy({ low, high }: Pick<Projection, 'low' | 'high'>, { side, wear }: Limit, kind: QuantityKind): Lasts {
  const beyond = (value: number): boolean => (side === 'upper' ? exceeds(value, wear, kind) : exceeds(wear, value, kind))
  const [best, worst] = side === 'upper' ? [low, high] : [high, low]
  if (beyond(best)) return 'no'
  return beyond(worst) ? 'unsure' : 'yes'
}

/** What can be said of a limit: lasts, does not, is not sure to; notKnown where there is no line, or noise explains it. */
export type LastsSpan = Lasts | 'notKnown'

/**
 * Whether a limit lasts until the next overhaul, whatever a reading that is not known to a figure turns out to be. The
 * lower end of the forecast is concave and the upper one convex in it, so both ends of it tell.
 */
export function lastsOf(input: TrendInput, limit: Limit): LastsSpan {
  if (input.earlier.length === 0) return 'notKnown'
  const { value } = input.now
  if (!Number.isFinite(value.low) || !Number.isFinite(value.high)) return 'unsure'
  const [a, b] = [project(input, value.low), project(input, value.high)]
  if (a === null || b === null) return 'notKnown'
  if (isPoint(value)) return a.isNoise ? 'notKnown' : lastsBy(a, limit, input.quantity)
  const [one, other] = [lastsBy(a, limit, input.quantity), lastsBy(b, limit, input.quantity)]
  const turns = a.isNoise || b.isNoise || Math.sign(a.line.slope) !== Math.sign(b.line.slope)
  return one === other && !(one === 'no' && turns) ? one : 'unsure'
}

/** The line of a value that is known to a figure, its rate, and what it foretells for each of its limits. */
export function trendOf(judges: Trend['judges'], input: TrendInput, limits: readonly Limit[]): Trend {
  const { now, earlier, atHours, quantity } = input
  const projection = isPoint(now.value) ? project(input, now.value.low) : null
  const line = isPoint(now.value) ? [...earlier, { ...now, value: now.value.low }] : earlier
  if (projection === null) return { judges, line, rate: rateOf(line), spread: null, forecasts: [] }
  const { spread, line: fitted, points } = projection
  const t = oneSided95
  const one = widest(spreadsOf(fitted, points, input.sisters), t)
  const forecasts = projection.isNoise
    ? []
    : limits.map((limit): Forecast => {
        const until = (bound: number): number | null => {
          const at = hoursAtLimit(fitted, bound, limit.side)
          return at === null ? null : Math.max(0, at - now.runningHours)
        }
        const earliest = earliestHoursAtLimit(fitted, limit.wear, limit.side, one.value, t(one.degreesOfFreedom))
        return {
          limit: limit.id,
          atHours,
          value: projection.value,
          low: projection.low,
          high: projection.high,
          lasts: lastsBy(projection, limit, quantity),
          hoursToPlan: limit.plan === null ? null : until(limit.plan),
          hoursToWear: until(limit.wear),
          earliestHoursToWear: earliest === null ? null : Math.max(0, earliest - now.runningHours),
        }
      })
  return { judges, line, rate: rateOf(line), spread, forecasts }
}
