import type { Interval } from '../quantity/interval'
import { isPoint } from '../quantity/interval'
import type { Errors, ErrorTerm } from './errors'
import type { Gauge } from './gauge'

/** Standard deviation of a value that is anywhere within ± a half-width with equal chance (GUM 4.3.7). */
const RECTANGULAR = Math.sqrt(3)

/** Standard uncertainty of reading to a step, rectangular half-step: resolution / (2√3) (GUM F.2.2.1). */
const resolutionUncertainty = (gauge: Gauge): number => gauge.resolution / (2 * RECTANGULAR)

/**
 * Standard uncertainty of the gauge's own error. A table of errors corrects it, and leaves the uncertainty of the
 * calibration (U/k; GUM 4.3.3). Without a table nothing is corrected, and the permissible error counts whatever the
 * certificate says besides: maximum permissible error / √3 (GUM 4.3.7).
 */
function instrumentUncertainty({ calibration, maximumPermissibleError, corrections }: Gauge): number {
  const certified = calibration === null ? null : calibration.expanded / calibration.coverage
  if (corrections.length > 0 && certified !== null) return certified
  return Math.hypot(maximumPermissibleError / RECTANGULAR, certified ?? 0)
}

/** Part of a gauge's range, of the figure it shows, and number of its steps, over which its error stays about the same. */
const OF_RANGE = 1 / 50
const OF_INDICATION = 1 / 50
const STEPS = 50

/** Distance along the scale over which the error of a gauge is taken to stay about the same: half a turn of a thimble on its 25 mm. */
function nearOf({ range, resolution }: Gauge, indication: number): number {
  const span = range === null ? OF_INDICATION * Math.abs(indication) : OF_RANGE * (range.greatest - range.least)
  return Math.max(span, STEPS * resolution, Number.MIN_VALUE)
}

/** Errors of one reading of a gauge: the gauge's own, common to readings near the same indication; the step; what repeats are known to scatter by. */
export function readingErrors(gauge: Gauge, reading: string, indicated: Interval): Errors {
  const instrument = instrumentUncertainty(gauge)
  const at = isPoint(indicated) ? indicated.low : null
  const near = nearOf(gauge, at ?? 0)
  const own = (kind: ErrorTerm['kind'], amount: number): ErrorTerm[] =>
    amount === 0 ? [] : [{ kind, of: reading, amount, along: null, degreesOfFreedom: null }]
  return [
    ...(instrument === 0
      ? []
      : [{ kind: 'gauge', of: gauge.id, amount: instrument, along: { at, near }, degreesOfFreedom: null } as const]),
    ...own('resolution', resolutionUncertainty(gauge)),
    ...own('repeats', gauge.repeatability ?? 0),
  ]
}

/** Combined standard uncertainty of one reading of a gauge by itself (GUM 5.1.2). */
export const readingUncertainty = (gauge: Gauge): number =>
  Math.hypot(instrumentUncertainty(gauge), resolutionUncertainty(gauge), gauge.repeatability ?? 0)

/** Error of the mean of n repeats from their own spread: s/√n with n − 1 degrees of freedom (GUM 4.2.3). */
export const spreadError = (reading: string, sampleStandardDeviation: number, repeats: number): ErrorTerm => ({
  kind: 'repeats',
  of: `spread at ${reading}`,
  amount: sampleStandardDeviation / Math.sqrt(repeats),
  along: null,
  degreesOfFreedom: repeats - 1,
})

/** A rectangular error of half-width a: a/√3, the same wherever it acts. */
export const boundedError = (kind: ErrorTerm['kind'], of: string, halfWidth: number, factor = 1): ErrorTerm => ({
  kind,
  of,
  amount: (factor * halfWidth) / RECTANGULAR,
  along: null,
  degreesOfFreedom: null,
})
