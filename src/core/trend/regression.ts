import { studentQuantile } from '../base/distribution'

/** A value at a number of running hours. */
export interface TrendPoint {
  readonly hours: number
  readonly value: number
}

/** Straight line by ordinary least squares, with what its doubt is computed from. */
export interface Line {
  readonly slope: number
  readonly intercept: number
  readonly points: number
  readonly meanHours: number
  /** Sum of squared distances of the hours from their mean. */
  readonly sxx: number
  /** Sum of squared residuals. */
  readonly residualSquares: number
  /** √(residual squares / (n − 2)); null with two points, which lie on any line. */
  readonly residualDeviation: number | null
}

/** Ordinary least squares of value on hours; null with fewer than two points or all at the same hours: no rate, not a rate of 0. */
export function leastSquaresLine(points: readonly TrendPoint[]): Line | null {
  const n = points.length
  if (n < 2) return null
  const meanHours = points.reduce((sum, { hours }) => sum + hours, 0) / n
  const meanValue = points.reduce((sum, { value }) => sum + value, 0) / n
  const sxx = points.reduce((sum, { hours }) => sum + (hours - meanHours) ** 2, 0)
  if (sxx === 0) return null
  const slope = points.reduce((sum, { hours, value }) => sum + (hours - meanHours) * (value - meanValue), 0) / sxx
  const intercept = meanValue - slope * meanHours
  const residualSquares = points.reduce((sum, { hours, value }) => sum + (value - intercept - slope * hours) ** 2, 0)
  const residualDeviation = n > 2 ? Math.sqrt(residualSquares / (n - 2)) : null
  return { slope, intercept, points: n, meanHours, sxx, residualSquares, residualDeviation }
}

/** Value of the line at so many hours. */
export const valueAt = (line: Line, hours: number): number => line.intercept + line.slope * hours

/** Standard error of the slope for readings that scatter by s about the line. */
export const slopeStandardError = (line: Line, s: number): number => s / Math.sqrt(line.sxx)
export const interceptStandardError = (line: Line, s: number): number =>
  s * Math.sqrt(1 / line.points + line.meanHours ** 2 / line.sxx)

/** How many times s one new reading at so many hours scatters about the line: √(1 + 1/n + (h − x̄)²/Sxx). */
export const predictionFactor = (line: Line, hours: number): number =>
  Math.sqrt(1 + 1 / line.points + (hours - line.meanHours) ** 2 / line.sxx)

/** Hours at which the line reaches a limit; null when it does not go towards it. */
export function hoursAtLimit(line: Line, limit: number, side: 'upper' | 'lower'): number | null {
  const towards = side === 'upper' ? line.slope > 0 : line.slope < 0
  return towards ? (limit - line.intercept) / line.slope : null
}

/**
 * The earliest hours at which one new reading may reach a limit: where the one-sided 95 % prediction limit crosses it,
 * for readings that scatter by s with t that wide. Null unless the slope goes towards the limit beyond its own doubt:
 * only then is there exactly one crossing.
 */
export function earliestHoursAtLimit(line: Line, limit: number, side: 'upper' | 'lower', s: number, t: number): number | null {
  const sign = side === 'upper' ? 1 : -1
  const slope = sign * line.slope
  if (slope <= t * slopeStandardError(line, s)) return null
  // sign·(limit − value) = t·s·√(1 + 1/n + d²/Sxx) with d = h − x̄: a quadratic in d, of which the nearer root counts.
  const room = sign * (limit - valueAt(line, line.meanHours))
  const ts = (t * s) ** 2
  const a = slope ** 2 - ts / line.sxx
  const b = -2 * room * slope
  const c = room ** 2 - ts * (1 + 1 / line.points)
  const root = Math.sqrt(Math.max(0, b * b - 4 * a * c))
  return line.meanHours + (-b - root) / (2 * a)
}

/** Theil–Sen line: median of the slopes of all pairs at different hours, and through the medians. Null without such a pair. */
export function theilSen(points: readonly TrendPoint[]): { readonly slope: number; readonly intercept: number } | null {
  const slopes = points.flatMap((a) =>
    points.flatMap((b) => (b.hours > a.hours ? [(b.value - a.value) / (b.hours - a.hours)] : [])),
  )
  if (slopes.length === 0) return null
  const slope = median(slopes)
  return { slope, intercept: median(points.map(({ value }) => value)) - slope * median(points.map(({ hours }) => hours)) }
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const upper = sorted[Math.floor(sorted.length / 2)] ?? Number.NaN
  return sorted.length % 2 === 1 ? upper : ((sorted[sorted.length / 2 - 1] ?? upper) + upper) / 2
}

/** Two-sided 95 % and one-sided 95 % quantiles of t. */
export const twoSided95 = (degreesOfFreedom: number | null): number => studentQuantile(0.975, degreesOfFreedom)
export const oneSided95 = (degreesOfFreedom: number | null): number => studentQuantile(0.95, degreesOfFreedom)
