import { exceedsMm } from '../decimal'
import { mean, range, sampleStandardDeviation } from '../statistics'

export interface RepeatsReduction {
  readonly meanMm: number
  readonly rangeMm: number
  /** Null with one reading. */
  readonly sampleStandardDeviationMm: number | null
  /** The range is beyond the repeatability limit; a range exactly at it is not. */
  readonly exceedsRepeatability: boolean
  /** Index of the repeat farthest from the mean of the others; null unless the limit is exceeded and there are three or more. */
  readonly sticksOut: number | null
}

/** Reduces repeats of one measurement, at least one; lengths in mm. */
export function reduceRepeats(readingsMm: readonly number[], repeatabilityLimitMm: number): RepeatsReduction {
  const rangeMm = range(readingsMm)
  const exceedsRepeatability = exceedsMm(rangeMm, repeatabilityLimitMm)
  return {
    meanMm: mean(readingsMm),
    rangeMm,
    sampleStandardDeviationMm: readingsMm.length < 2 ? null : sampleStandardDeviation(readingsMm),
    exceedsRepeatability,
    sticksOut: exceedsRepeatability && readingsMm.length >= 3 ? farthestFromTheOthers(readingsMm) : null,
  }
}

function farthestFromTheOthers(readingsMm: readonly number[]): number {
  const distances = readingsMm.map((value, index) => Math.abs(value - mean(readingsMm.filter((_, other) => other !== index))))
  return distances.indexOf(Math.max(...distances))
}
