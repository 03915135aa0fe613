import { forComparison } from '../decimal'
import { inQuadrature } from '../gauge/uncertainty'
import { type Acceptance, guardBand } from '../limit/conformity'
import { ownUncertainty } from '../method/propagate'
import { type Extent, extentOf, intervalOf, type Reduced } from '../method/reduction'
import { subtract } from '../quantity/interval'
import type { ChangeLimit } from './bookSchema'
import type { ReducedSet } from './earlier'
import { commonOf } from './reduce'

/** How a value moved between two measurements, against what may change. */
export interface ChangeOutcome {
  readonly limit: ChangeLimit
  readonly from: Reduced | null
  readonly to: Reduced | null
  readonly change: (Extent & { readonly uncertainty: number }) | null
  /** open: not measured to the end at both; undecided: within the guard band of what may change. */
  readonly standing: 'inside' | 'outside' | 'undecided' | 'open'
}

/**
 * Judges a change. An error of the same gauge is in both values and cancels (GUM 5.2.2); of different gauges each counts.
 */
export function changeOutcome(
  limit: ChangeLimit,
  from: ReducedSet | undefined,
  to: ReducedSet | undefined,
  acceptance: Acceptance,
): ChangeOutcome {
  const [before, after] = [valueOfSet(from, limit), valueOfSet(to, limit)]
  const known = { limit, from: before, to: after }
  if (!before || !after || before.open !== 'complete' || after.open !== 'complete')
    return { ...known, change: null, standing: 'open' }
  const change = subtract(intervalOf(after), intervalOf(before))
  const uncertainty = changeUncertainty(from, to, before, after)
  const guard = guardBand(uncertainty, acceptance)
  const beyond = (low: number, high: number): boolean =>
    (limit.greatest !== null && forComparison(high - limit.greatest) > 0) ||
    (limit.least !== null && forComparison(limit.least - low) > 0)
  const { low, high } = change
  // Beyond doubt outside only where the end nearest to what is allowed is outside too.
  const surely =
    (limit.greatest !== null && forComparison(low - guard - limit.greatest) > 0) ||
    (limit.least !== null && forComparison(limit.least - high - guard) > 0)
  const standing = surely ? 'outside' : beyond(low - guard, high + guard) ? 'undecided' : 'inside'
  return { ...known, change: { ...extentOf(change), uncertainty }, standing }
}

const valueOfSet = (set: ReducedSet | undefined, { judges }: ChangeLimit): Reduced | null =>
  set?.reductions.values[judges] ?? null

/** What each value has for itself; and the error of its gauge, unless it is the same gauge's in both. */
function changeUncertainty(from: ReducedSet | undefined, to: ReducedSet | undefined, before: Reduced, after: Reduced): number {
  const [first, second] = [commonOf(from?.set, before), commonOf(to?.set, after)]
  if (first === null || second === null || first.gauge !== second.gauge)
    return inQuadrature(before.uncertainty, after.uncertainty)
  return inQuadrature(ownUncertainty(before, first), ownUncertainty(after, second))
}
