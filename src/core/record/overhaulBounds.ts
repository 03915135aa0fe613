/** Bounds of what is kept of an overhaul: the same where a table of earlier readings is taken over and where a record is read. */
export const overhaulBounds = {
  name: 120,
  /** Mark of an installed part. */
  mark: 60,
  /** Earlier overhauls that a record holds; of more, the latest. */
  overhauls: 100,
  readings: 200_000,
} as const
