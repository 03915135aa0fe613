import { exceeds } from '../quantity/decimal'

/** One line of a strip's printed scale: a strip flattened to this width lay in this clearance. */
export interface StripScalePoint {
  readonly widthMm: number
  readonly clearanceMm: number
}

/** The clearance with the slope of the scale there, mm per mm, for carrying the width's uncertainty. */
export interface StripClearance {
  readonly clearanceMm: number
  readonly slope: number
}

/**
 * Clearance from the flattened width by linear interpolation in the strip's scale (any order; a wider strip means a
 * smaller clearance). Null outside the scale: nothing is extrapolated, the strip is the wrong one for this clearance.
 */
export function stripClearance(widthMm: number, scale: readonly StripScalePoint[]): StripClearance | null {
  const points = [...scale].sort((a, b) => a.widthMm - b.widthMm)
  for (let index = 1; index < points.length; index += 1) {
    const low = points[index - 1]
    const high = points[index]
    // A width at the very end of the scale may be off by rounding, in inches or after a correction.
    if (!low || !high || exceeds(low.widthMm, widthMm) || exceeds(widthMm, high.widthMm)) continue
    const slope = (high.clearanceMm - low.clearanceMm) / (high.widthMm - low.widthMm)
    return { clearanceMm: low.clearanceMm + slope * (widthMm - low.widthMm), slope }
  }
  return null
}

/** Tilt of the journal in the bearing from the clearances at two stations, mm per metre; positive when a is wider. */
export function stripTiltMmPerM(clearanceAMm: number, clearanceBMm: number, distanceMm: number): number {
  return ((clearanceAMm - clearanceBMm) / distanceMm) * 1000
}
