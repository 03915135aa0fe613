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
  /** Deviation that was read where the gauge was set on a master, else null: the table is then looked up there. */
  readonly deviation: number | null
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
export function correctReading({ indicated, deviation, gauge, conditions, partPerK }: CorrectionInput): Corrected {
  const zero = conditions === null ? 0 : -conditions.zero
  const at = deviation ?? (Number.isFinite(indicated.low) ? indicated.low : indicated.high)
  const calibration = gauge.corrections.length === 0 ? 0 : -calibrationError(gauge.corrections, at)
  const shifted = { low: indicated.low + zero + calibration, high: indicated.high + zero + calibration }
  const own = readingUncertainty(gauge)
  const warm = conditions?.temperature ?? null
  if (warm === null || partPerK === null || gauge.expansionPerK === null)
    return { interval: shifted, uncertainty: own, zero, calibration, temperature: 0 }
  const thermal = { partC: warm.partC, partPerK, scaleC: warm.scaleC, scalePerK: gauge.expansionPerK }
  const toCold = (end: number): number => (Number.isFinite(end) ? sizeAt20(end, thermal) : end)
  const interval = { low: toCold(shifted.low), high: toCold(shifted.high) }
  const end = Number.isFinite(shifted.low) ? 'low' : 'high'
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
