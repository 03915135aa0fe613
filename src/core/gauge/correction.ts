import type { Interval } from '../quantity/interval'
import type { CalibrationPoint, Gauge } from './gauge'
import { sizeAt20 } from './temperature'
import { inQuadrature, readingUncertainty } from './uncertainty'

/** Under which conditions a reading was taken, as noted at the bench. */
export interface Conditions {
  /** What the gauge showed at zero, or at its master, before use: taken off every reading. */
  readonly zero: number
  /** Temperatures of the part and of the scale (or master), °C, each known to within so many kelvin. */
  readonly temperature: { readonly partC: number; readonly scaleC: number; readonly withinK: number } | null
}

/** A reading with what was done to it, one term each; every term is what is added to the indicated value. */
export interface Corrected {
  readonly interval: Interval
  readonly uncertainty: number
  readonly zero: number
  readonly calibration: number
  readonly temperature: number
}

export interface CorrectionInput {
  readonly indicated: Interval
  /** Size of the master from which deviations were read, else null: the table is looked up at what the gauge showed. */
  readonly master: number | null
  readonly gauge: Gauge
  readonly conditions: Conditions | null
  /** Linear expansion of the part, per K; null where the book gives none. */
  readonly partPerK: number | null
}

/**
 * Error of the gauge at an indicated value by linear interpolation in its table; beyond the ends the end's error holds,
 * because a certificate says nothing there. 0 without a table.
 */
function calibrationError(table: readonly CalibrationPoint[], at: number): number {
  const points = [...table].sort((a, b) => a.at - b.at)
  const above = points.findIndex((point) => point.at >= at)
  const high = points[above]
  const low = points[above - 1]
  if (!high) return points.at(-1)?.error ?? 0
  if (!low) return high.error
  return low.error + ((high.error - low.error) * (at - low.at)) / (high.at - low.at)
}

/** Corrects a reading for zero, calibration table and temperature, in that order, and says by how much each. */
export function correctReading({ indicated, master, gauge, conditions, partPerK }: CorrectionInput): Corrected {
  const zero = conditions === null ? 0 : -conditions.zero
  const certified = (end: number): number =>
    gauge.corrections.length === 0 || !Number.isFinite(end) ? 0 : -calibrationError(gauge.corrections, end - (master ?? 0))
  const shifted = {
    low: indicated.low + zero + certified(indicated.low),
    high: indicated.high + zero + certified(indicated.high),
  }
  const own = readingUncertainty(gauge)
  const warm = conditions?.temperature ?? null
  // What is told of a range is told of its lower end, of a bound of the end it has.
  const end = Number.isFinite(indicated.low) ? 'low' : 'high'
  const calibration = certified(indicated[end])
  if (warm === null || partPerK === null || gauge.expansionPerK === null)
    return { interval: shifted, uncertainty: own, zero, calibration, temperature: 0 }
  const thermal = { partC: warm.partC, partPerK, scaleC: warm.scaleC, scalePerK: gauge.expansionPerK }
  const toCold = (end: number): number => (Number.isFinite(end) ? sizeAt20(end, thermal) : end)
  const interval = { low: toCold(shifted.low), high: toCold(shifted.high) }
  const size = Number.isFinite(shifted[end]) ? shifted[end] : 0
  const perKelvin = warm.withinK / Math.sqrt(3)
  return {
    interval,
    uncertainty: inQuadrature(own, size * partPerK * perKelvin, size * gauge.expansionPerK * perKelvin),
    zero,
    calibration,
    temperature: Number.isFinite(shifted[end]) ? interval[end] - shifted[end] : 0,
  }
}
