import { coverageFactor } from '../gauge/errors'
import type { Reduced } from '../method/reduction'

export interface KnownTwice {
  /** What the measured sizes give, at its tightest and its loosest. */
  readonly minimum: Reduced
  readonly maximum: Reduced
  /** The same measured directly. */
  readonly least: Reduced
  readonly greatest: Reduced
}

/** Expanded uncertainty of two values together, as the difference between them may have. */
export const doubtOf = (a: Reduced, b: Reduced): number =>
  Math.hypot(coverageFactor(a.degreesOfFreedom) * a.uncertainty, coverageFactor(b.degreesOfFreedom) * b.uncertainty)

/** Whether a clearance measured directly lies within what its sizes give; null while one of them is no figure. */
export function directAgrees({ minimum, maximum, least, greatest }: KnownTwice): boolean | null {
  const [low, high, from, to] = [minimum.value, maximum.value, least.value, greatest.value]
  if (low === null || high === null || from === null || to === null) return null
  return to >= low - doubtOf(minimum, greatest) && from <= high + doubtOf(maximum, least)
}
