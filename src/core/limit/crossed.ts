import type { Limit } from './limit'

/** Values of which one is never below the other, smallest first. */
const ORDER: Readonly<Partial<Record<Limit['judges'], number>>> = { minimum: 0, mean: 1, median: 1, maximum: 2 }

/** Whether what one limit keeps above a figure can never lie above what another keeps below one. */
const neverAbove = (lower: Limit['judges'], upper: Limit['judges']): boolean => {
  const [low, high] = [ORDER[lower], ORDER[upper]]
  return lower === upper || (low !== undefined && high !== undefined && low < high)
}

const isSamePlace = (a: Limit['at'], b: Limit['at']): boolean => a?.station === b?.station && a?.direction === b?.direction

/** The upper limit that leaves nothing above a lower one, on the same value or on one that is never smaller; undefined where none does. */
export const crossing = (limits: readonly Limit[], lower: Limit): Limit | undefined =>
  lower.side === 'upper'
    ? undefined
    : limits.find(
        (upper) =>
          upper.side === 'upper' &&
          neverAbove(lower.judges, upper.judges) &&
          isSamePlace(upper.at, lower.at) &&
          lower.wear > upper.wear,
      )

/** Limits between which nothing can lie: a slip of whoever wrote them, which condemns nothing. */
export function crossedLimits(limits: readonly Limit[]): ReadonlySet<Limit> {
  const crossed = new Set<Limit>()
  for (const lower of limits) {
    const upper = crossing(limits, lower)
    if (upper) crossed.add(lower).add(upper)
  }
  return crossed
}
