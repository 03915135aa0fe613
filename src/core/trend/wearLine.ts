/** One measured value on a wear line. */
export interface LinePoint {
  readonly overhaul: string
  readonly date: string
  readonly runningHours: number
  readonly value: number
}

/** Straight line through wear points by least squares: value against running hours. */
export interface WearRate {
  /** mm per 1000 h, signed as the value moves. */
  readonly perThousandHours: number
  readonly points: number
  readonly fromHours: number
  readonly toHours: number
}

/**
 * Slope of the line by ordinary least squares, mm per 1000 running hours. Null with fewer than two points or with all
 * points at the same hours: there is no rate then, not a rate of 0.
 */
export function wearRate(points: readonly LinePoint[]): WearRate | null {
  if (points.length < 2) return null
  const hours = points.map((point) => point.runningHours)
  const meanHours = hours.reduce((sum, h) => sum + h, 0) / hours.length
  const meanMm = points.reduce((sum, point) => sum + point.value, 0) / points.length
  const spread = hours.reduce((sum, h) => sum + (h - meanHours) ** 2, 0)
  if (spread === 0) return null
  const slope = points.reduce((sum, point) => sum + (point.runningHours - meanHours) * (point.value - meanMm), 0) / spread
  return {
    perThousandHours: slope * 1000,
    points: points.length,
    fromHours: Math.min(...hours),
    toHours: Math.max(...hours),
  }
}

/**
 * Value expected after further running hours, mm: from the latest measured value at the line's rate. It is an
 * expectation without a band; the latest value anchors it because it is the one that was just measured.
 */
export const expectedValue = (latestMm: number, rate: WearRate, furtherHours: number): number =>
  latestMm + (rate.perThousandHours * furtherHours) / 1000

/** Hours from now until the value reaches a limit at this rate; null when it does not move towards it. 0 when already there. */
export function hoursUntil(latestMm: number, rate: WearRate, limitValue: number, side: 'upper' | 'lower'): number | null {
  const room = side === 'upper' ? limitValue - latestMm : latestMm - limitValue
  if (room <= 0) return 0
  const pace = side === 'upper' ? rate.perThousandHours : -rate.perThousandHours
  return pace <= 0 ? null : (room / pace) * 1000
}
