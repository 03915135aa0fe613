/** Bounds of what is kept of a gauge: the same where one is typed and where a record is read. */
export const gaugeBounds = {
  /** Steps, errors and uncertainties, in the fixed unit of its quantity. */
  difference: 1e6,
  leastCoverage: 1,
  greatestCoverage: 4,
  corrections: 200,
  /** Expansion, per K. */
  expansionPerK: 1e-3,
} as const
