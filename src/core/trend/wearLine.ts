import { leastSquaresLine } from './regression'

/** One measured value on a wear line. */
export interface LinePoint {
  readonly overhaul: string
  readonly date: string
  readonly runningHours: number
  readonly value: number
  /** Standard uncertainty of the value. */
  readonly uncertainty: number
}

/** Straight line through wear points by least squares: value against running hours. */
export interface WearRate {
  /** Fixed unit per 1000 h, signed as the value moves. */
  readonly perThousandHours: number
  readonly points: number
  readonly fromHours: number
  readonly toHours: number
}

const THOUSAND = 1000

/**
 * Slope of the line by ordinary least squares, per 1000 running hours. Null with fewer than two points or with all points
 * at the same hours: there is no rate then, not a rate of 0.
 */
export function rateOf(points: readonly LinePoint[]): WearRate | null {
  const line = leastSquaresLine(points.map(({ runningHours, value }) => ({ hours: runningHours, value })))
  if (line === null) return null
  const hours = points.map(({ runningHours }) => runningHours)
  return {
    perThousandHours: line.slope * THOUSAND,
    points: points.length,
    fromHours: Math.min(...hours),
    toHours: Math.max(...hours),
  }
}
