import type { Limit } from '../limit/limit'
import { limitAtNext } from '../limit/limitBy'
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
  /** What it was when the part was new, and the hours since; null where no document says, or it is no size. */
  readonly since: SinceNew | null
}

export interface SinceNew {
  readonly new: Interval
  /** Hours of the part in its place, or the most that they can be. */
  readonly hours: number
  /** They are counted from an overhaul on record. */
  readonly isCounted: boolean
}

/** So few points do not tell how readings scatter about their line. */
const FEW_POINTS = 3

type Spread = NonNullable<Trend['spread']>

/**
 * Spread of readings about a line by Student's t: its own residuals, with those of sister positions where its points are few, and
 * never less than the readings are known to. Two points lie on any line: without sisters nothing tells how they scatter.
 */
function spreadsOf(line: Line, points: readonly LinePoint[], sisters: SisterSpread | null): readonly Spread[] {
  const own = line.points - 2
  const isFew = line.points <= FEW_POINTS
  const gauge = gaugeSpread(points)
  const spreads: Spread[] = [{ value: gauge, degreesOfFreedom: null, from: own === 0 && !sisters ? 'few' : 'gauge' }]
  if (sisters && isFew) {
    const degreesOfFreedom = own + sisters.degreesOfFreedom
    const squares = line.residualSquares + sisters.value ** 2 * sisters.degreesOfFreedom
    spreads.push({ value: Math.sqrt(squares / degreesOfFreedom), degreesOfFreedom, from: 'sisters' })
  } else if (line.residualDeviation !== null) spreads.push({ value: line.residualDeviation, degreesOfFreedom: own, from: 'own' })
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
  return { line, points, spread, value: then, low: then - half, high: then + half, isNoise: isNoiseIn(line, points) }
}

/** The interval against the limit: wholly inside, wholly beyond, or across it. */
function lastsBy({ low, high }: Pick<Projection, 'low' | 'high'>, { side, wear }: Limit, kind: QuantityKind): Lasts {
  const beyond = (value: number): boolean => (side === 'upper' ? exceeds(value, wear, kind) : exceeds(wear, value, kind))
  const [best, worst] = side === 'upper' ? [low, high] : [high, low]
  if (beyond(best)) return 'no'
  return beyond(worst) ? 'unsure' : 'yes'
}

/**
 * What can be said of a limit: it lasts, does not, or is not sure to, with why: two readings without sisters have no band, the
 * wear since new passes it, its table ends before then. notKnown: nothing is known to foretell from.
 */
export interface LastsSpan {
  readonly lasts: Lasts | 'notKnown'
  readonly because?: NotSure
}
export type NotSure = 'twoReadings' | 'sinceNew' | 'limitEnds'

/**
 * Whether a limit lasts until the next overhaul, whatever a reading that is not known to a figure turns out to be. The
 * lower end of the forecast is concave and the upper one convex in it, so both ends of it tell.
 *
 * @param limit as it will be then; null where nothing says
 */
export function lastsOf(input: TrendInput, limit: Limit | null): LastsSpan {
  if (limit === null) return { lasts: 'unsure', because: 'limitEnds' }
  if (input.earlier.length === 0) return lastsSinceNew(input, limit)
  const { value } = input.now
  if (!Number.isFinite(value.low) || !Number.isFinite(value.high)) return { lasts: 'unsure' }
  const [a, b] = [project(input, value.low), project(input, value.high)]
  if (a === null || b === null) return lastsSinceNew(input, limit)
  if (a.line.points === 2 && input.sisters === null) return { lasts: 'unsure', because: 'twoReadings' }
  if (isPoint(value)) return { lasts: lastsBy(a, limit, input.quantity) }
  const [one, other] = [lastsBy(a, limit, input.quantity), lastsBy(b, limit, input.quantity)]
  const turns = a.isNoise || b.isNoise || Math.sign(a.line.slope) !== Math.sign(b.line.slope)
  return { lasts: one === other && !(one === 'no' && turns) ? one : 'unsure' }
}

/**
 * At its first overhaul a part has worn by what it is off its new size, in at most these hours: where wear that goes on as fast
 * as that may have been passes the limit, it is not sure to last. Running-in wears faster than what comes after it, so nothing
 * is sure not to.
 */
function lastsSinceNew({ now, atHours, since, quantity }: TrendInput, { side, wear }: Limit): LastsSpan {
  if (!since || since.hours <= 0) return { lasts: 'notKnown' }
  const [reached, begun] = side === 'upper' ? [now.value.high, since.new.low] : [now.value.low, since.new.high]
  const doubt = twoSided95(null) * now.uncertainty * (side === 'upper' ? 1 : -1)
  const worn = reached + doubt - begun
  const then =
    reached + doubt + (Math.sign(worn) === (side === 'upper' ? 1 : -1) ? (worn / since.hours) * (atHours - now.runningHours) : 0)
  const isPast = side === 'upper' ? exceeds(then, wear, quantity) : exceeds(wear, then, quantity)
  if (isPast) return { lasts: 'unsure', because: 'sinceNew' }
  return { lasts: since.isCounted ? 'yes' : 'notKnown' }
}

/** Whether a line moved by more than its readings are known to: noise is no wear. */
export function showsWear({ line: points }: Pick<Trend, 'line'>): boolean {
  const line = leastSquaresLine(points.map(({ runningHours: hours, value }) => ({ hours, value })))
  return line !== null && !isNoiseIn(line, points)
}

const isNoiseIn = (line: Line, points: readonly LinePoint[]): boolean =>
  Math.abs(line.slope) <= twoSided95(null) * slopeStandardError(line, gaugeSpread(points))

/** What the readings of a line are known to. */
const gaugeSpread = (points: readonly LinePoint[]): number =>
  Math.sqrt(points.reduce((sum, { uncertainty }) => sum + uncertainty ** 2, 0) / points.length)

/** The line of a value that is known to a figure, its rate, and what it foretells for each of its limits. */
export function trendOf(judges: Trend['judges'], input: TrendInput, limits: readonly Limit[]): Trend {
  const { now, earlier, atHours, quantity } = input
  const projection = isPoint(now.value) ? project(input, now.value.low) : null
  const line = isPoint(now.value) ? [...earlier, { ...now, value: now.value.low }] : earlier
  if (projection === null) return { judges, line, rate: rateOf(line), spread: null, forecasts: [] }
  const { spread, line: fitted, points } = projection
  const t = oneSided95
  const one = widest(spreadsOf(fitted, points, input.sisters), t)
  const isBandless = fitted.points === 2 && input.sisters === null
  const forecasts =
    projection.isNoise || isBandless
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
            lasts: lastsBy(projection, limitAtNext(limit) ?? limit, quantity),
            hoursToPlan: limit.plan === null ? null : until(limit.plan),
            hoursToWear: until(limit.wear),
            earliestHoursToWear: earliest === null ? null : Math.max(0, earliest - now.runningHours),
          }
        })
  return { judges, line, rate: rateOf(line), spread, forecasts }
}
