import { coverageFactor } from '../gauge/errors'
import type { Reduced } from '../method/reduction'
import { intervalOfEnds } from '../quantity/extent'

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

/**
 * Whether a clearance measured directly lies within what its sizes give; null while that is not known. What was felt at one place,
 * or as a range, already contradicts them where nothing that is still to be read could bring it back.
 */
export function directAgrees({ minimum, maximum, least, greatest }: KnownTwice): boolean | null {
  const [low, high] = [intervalOfEnds(minimum.reach), intervalOfEnds(maximum.reach)]
  const [from, to] = [intervalOfEnds(least.reach), intervalOfEnds(greatest.reach)]
  const [below, above] = [doubtOf(minimum, least), doubtOf(maximum, greatest)]
  if (from.high < low.low - below || to.low > high.high + above) return false
  return from.low >= low.high - below && to.high <= high.low + above ? true : null
}
