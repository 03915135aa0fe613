import { combineErrors, type Errors, standardUncertainty } from '../../gauge/errors'
import type { Interval } from '../../quantity/interval'
import { type HarmonicFit, type HarmonicWeights, harmonicFit, harmonicWeights } from '../harmonics'
import { type Known, linear, UNKNOWN } from '../known'
import type { ClockPlace } from '../slot'

/** A vector of which each part is known to some ends: x along the angle 0, y along the angle of a quarter turn. */
export interface KnownVector {
  readonly x: Known
  readonly y: Known
}

/** Readings around a circle: the first and second harmonic, as far as they are read. */
export interface Around {
  readonly first: KnownVector
  readonly second: KnownVector | null
}

/** Harmonics of the places in their order; null while too few are read to tell them apart. */
export function harmonicsOf(places: readonly ClockPlace[], known: readonly Known[], guard: number): Around | null {
  const read = known.flatMap((value, index) => (value.interval === null ? [] : [index]))
  const fittedTo = (indices: readonly number[]): Around | null => {
    const weights = harmonicWeights(indices.map((index) => places[index]?.angleDeg ?? 0))
    return (
      weights && {
        first: vector(weights.first, indices, known, guard),
        second: weights.second && vector(weights.second, indices, known, guard),
      }
    )
  }
  const now = fittedTo(read)
  if (now === null || read.length === known.length) return now
  // What is still to be read turns and stretches the whole curve.
  const open = ({ x, y }: KnownVector): KnownVector => ({
    x: { ...UNKNOWN, interval: x.interval, errors: x.errors },
    y: { ...UNKNOWN, interval: y.interval, errors: y.errors },
  })
  return { first: open(now.first), second: now.second && open(now.second) }
}

function vector(
  weights: HarmonicWeights['first'],
  indices: readonly number[],
  known: readonly Known[],
  guard: number,
): KnownVector {
  const of = (part: readonly number[]): Known =>
    linear(
      part.map((weight, at) => [weight, known[indices[at] ?? -1] ?? UNKNOWN] as const),
      guard,
    )
  return { x: of(weights.cos), y: of(weights.sin) }
}

/** Where a curve of dial readings is highest; for drawings. Null while one of them is a bound or a range, or too few are read. */
export function fitAround<T extends { readonly interval: Interval }>(
  places: readonly ClockPlace[],
  read: readonly T[],
  of: (item: T) => string,
): HarmonicFit | null {
  if (read.some(({ interval: { low, high } }) => low !== high)) return null
  return harmonicFit(
    read.flatMap((own) => {
      const place = places.find(({ id }) => id === of(own))
      return place ? [{ angleDeg: place.angleDeg, value: own.interval.low }] : []
    }),
  )
}

/** Least and greatest length of a vector in a box. */
function lengthIn(x: Interval, y: Interval): Interval {
  const nearest = ({ low, high }: Interval): number => (low > 0 ? low : high < 0 ? high : 0)
  const farthest = ({ low, high }: Interval): number => Math.max(Math.abs(low), Math.abs(high))
  return { low: Math.hypot(nearest(x), nearest(y)), high: Math.hypot(farthest(x), farthest(y)) }
}

/** Largest standard uncertainty of a vector in any direction: the root of the larger eigenvalue of its covariance. */
function worstDirection({ x, y }: KnownVector): number {
  const [ux, uy] = [standardUncertainty(x.errors), standardUncertainty(y.errors)]
  const both = standardUncertainty(
    combineErrors([
      [Math.SQRT1_2, x.errors],
      [Math.SQRT1_2, y.errors],
    ]),
  )
  const covariance = both * both - (ux * ux + uy * uy) / 2
  const half = (ux * ux + uy * uy) / 2
  return Math.sqrt(half + Math.hypot((ux * ux - uy * uy) / 2, covariance))
}

/**
 * Standard uncertainty of the length of a vector: along it, and what the one across it adds. Near nothing the first
 * order says nothing of that: the second order is added (GUM 5.1.2, note), at most the whole of it.
 */
const lengthUncertainty = (across: number, length: number): number =>
  Math.sqrt(across ** 2 + (length > across ? across ** 4 / (2 * length ** 2) : across ** 2))

/** Errors so large together; for a value that no sum of others gives. */
const scaledTo = (errors: Errors, uncertainty: number): Errors => {
  const own = standardUncertainty(errors)
  return own === 0 ? [] : combineErrors([[uncertainty / own, errors]])
}

/** Length of a vector: of an eccentricity, an offset, a bow. */
export function lengthOf(of: KnownVector, guard: number): Known {
  const { x, y } = of
  const worst = worstDirection(of)
  const interval = x.interval && y.interval && lengthIn(x.interval, y.interval)
  const reach = lengthIn(x.reach, y.reach)
  const band = guard * lengthUncertainty(worst, reach.low)
  const shown = lengthUncertainty(worst, interval?.low ?? 0)
  const larger = standardUncertainty(x.errors) >= standardUncertainty(y.errors) ? x : y
  return {
    interval,
    reach,
    guarded: { low: Math.max(0, reach.low - band), high: reach.high + band },
    errors: scaledTo(larger.errors, shown),
  }
}

const DEG = 180 / Math.PI
const TURN_DEG = 360
export const ANY_ANGLE: Interval = { low: 0, high: TURN_DEG }
/** Standard deviation of an angle of which nothing is known. */
const ANY_ANGLE_UNCERTAINTY = TURN_DEG / Math.sqrt(12)

const angleAt = (x: number, y: number): number => {
  const degrees = (Math.atan2(y, x) * DEG + TURN_DEG) % TURN_DEG
  return degrees === TURN_DEG ? 0 : degrees
}

/** Angles that a vector in a box may have; all of them where it may be nothing or where they pass through the top. */
function anglesIn(x: Interval, y: Interval): Interval {
  if (x.low <= 0 && x.high >= 0 && y.low <= 0 && y.high >= 0) return ANY_ANGLE
  if (![x.low, x.high, y.low, y.high].every(Number.isFinite)) return ANY_ANGLE
  const middle = angleAt((x.low + x.high) / 2, (y.low + y.high) / 2)
  const off = [x.low, x.high].flatMap((cx) =>
    [y.low, y.high].map((cy) => {
      const by = angleAt(cx, cy) - middle
      return by > TURN_DEG / 2 ? by - TURN_DEG : by < -TURN_DEG / 2 ? by + TURN_DEG : by
    }),
  )
  return onTheDial({ low: middle + Math.min(...off), high: middle + Math.max(...off) })
}

const onTheDial = (angles: Interval): Interval => (angles.low < 0 || angles.high >= TURN_DEG ? ANY_ANGLE : angles)

/** Direction of a vector, degrees; as uncertain as its length is small. */
export function angleOf(of: KnownVector, guard: number): Known {
  const { x, y } = of
  const worst = worstDirection(of)
  const interval = x.interval && y.interval && anglesIn(x.interval, y.interval)
  const reach = anglesIn(x.reach, y.reach)
  const uncertainty = (length: number): number =>
    length === 0 ? ANY_ANGLE_UNCERTAINTY : Math.min(ANY_ANGLE_UNCERTAINTY, (worst / length) * DEG)
  const band = guard * uncertainty(lengthIn(x.reach, y.reach).low)
  const shown = x.interval && y.interval ? uncertainty(lengthIn(x.interval, y.interval).low) : 0
  const larger = standardUncertainty(x.errors) >= standardUncertainty(y.errors) ? x : y
  return {
    interval,
    reach,
    guarded: reach === ANY_ANGLE ? ANY_ANGLE : onTheDial({ low: reach.low - band, high: reach.high + band }),
    errors: scaledTo(larger.errors, shown),
  }
}
