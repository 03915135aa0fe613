/** A load on a spring at a length. */
export interface LoadPoint {
  readonly lengthMm: number
  readonly loadN: number
}

export interface SpringLine {
  readonly rateNPerMm: number
  /** Length at which the straight line carries no load, mm. */
  readonly freeLengthMm: number
  readonly loadAt: (lengthMm: number) => number
}

/**
 * Straight line of a compression spring through two loads at two lengths, in either order. Null when the lengths are
 * the same or the longer one carries as much as the shorter: coil bind or a slip, no rate follows.
 */
export function springLine(a: LoadPoint, b: LoadPoint): SpringLine | null {
  const rateNPerMm = (b.loadN - a.loadN) / (a.lengthMm - b.lengthMm)
  if (!Number.isFinite(rateNPerMm) || rateNPerMm <= 0) return null
  const freeLengthMm = a.lengthMm + a.loadN / rateNPerMm
  return { rateNPerMm, freeLengthMm, loadAt: (lengthMm) => rateNPerMm * (freeLengthMm - lengthMm) }
}
