import type { Gauge } from './gauge'

/** Coverage factor of the expanded uncertainty that is shown: about 95 % (GUM, JCGM 100 clause 6.2). */
export const COVERAGE_FACTOR = 2

/** Square root of the sum of squares: independent contributions combined (GUM 5.1.2). */
export const inQuadrature = (...contributions: readonly number[]): number => Math.hypot(...contributions)

/** Standard uncertainty of reading to a step, rectangular half-step: resolution / (2√3) (GUM F.2.2.1). */
const resolutionUncertainty = (gauge: Gauge): number => gauge.resolution / (2 * Math.sqrt(3))

/**
 * Standard uncertainty of one reading: that of its calibration (U/k) where the certificate gives it, else maximum
 * permissible error / √3, with the resolution in quadrature (GUM 4.3.3, 4.3.7).
 */
export function readingUncertainty(gauge: Gauge): number {
  const { calibration, maximumPermissibleError } = gauge
  const instrument = calibration === null ? maximumPermissibleError / Math.sqrt(3) : calibration.expanded / calibration.coverage
  return inQuadrature(instrument, resolutionUncertainty(gauge))
}

/**
 * Standard uncertainty of a difference of two readings of the same gauge: its error is common to both and cancels,
 * the reading steps do not (GUM 5.2.2, correlation taken as 1).
 */
export const differenceUncertainty = (gauge: Gauge): number => Math.SQRT2 * resolutionUncertainty(gauge)

/** 97.725 % points of Student's t for 1 to 10 degrees of freedom (JCGM 100 table G.2, column 95.45 %). */
const STUDENT_T_95_45 = [13.97, 4.53, 3.31, 2.87, 2.65, 2.52, 2.43, 2.37, 2.32, 2.28]

/**
 * Standard uncertainty of the mean of n repeats from their own spread, widened for few repeats so that twice it covers
 * 95.45 %: t·s/(2√n). From 12 repeats on the widening is left out (t within 14 % of 2).
 */
export function repeatabilityUncertainty(sampleStandardDeviationMm: number, repeats: number): number {
  const t = STUDENT_T_95_45[repeats - 2] ?? COVERAGE_FACTOR
  return (t * sampleStandardDeviationMm) / (COVERAGE_FACTOR * Math.sqrt(repeats))
}
