import { sampleStandardDeviation as deviationOf, mean as meanOf, range as rangeOf } from '../base/statistics'
import { exceeds } from '../quantity/decimal'
import type { QuantityKind } from '../quantity/kind'

export interface RepeatsReduction {
  readonly mean: number
  readonly range: number
  /** Null with one reading. */
  readonly sampleStandardDeviation: number | null
  /** The range is beyond the repeatability limit; a range exactly at it is not. */
  readonly exceedsRepeatability: boolean
  /** Index of the repeat farthest from the mean of the others; null unless the limit is exceeded and there are three or more. */
  readonly sticksOut: number | null
}

/** Reduces repeats of one measurement, at least one, all in one unit. */
export function reduceRepeats(
  readings: readonly number[],
  repeatabilityLimit: number,
  kind: QuantityKind = 'length',
): RepeatsReduction {
  const range = rangeOf(readings)
  const exceedsRepeatability = exceeds(range, repeatabilityLimit, kind)
  return {
    mean: meanOf(readings),
    range,
    sampleStandardDeviation: readings.length < 2 ? null : deviationOf(readings),
    exceedsRepeatability,
    sticksOut: exceedsRepeatability && readings.length >= 3 ? farthestFromTheOthers(readings) : null,
  }
}

function farthestFromTheOthers(readings: readonly number[]): number {
  const distances = readings.map((value, index) => Math.abs(value - meanOf(readings.filter((_, other) => other !== index))))
  return distances.indexOf(Math.max(...distances))
}
