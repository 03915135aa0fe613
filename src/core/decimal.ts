/**
 * Readings are decimal numbers, doubles are not: 25.41 − 25.40 is 0.010000000000001563 in binary.
 * These two roundings are the only tolerances in the core.
 */

/** mm; what is compared with a limit is first rounded to this step, so a value exactly at a limit is at it. */
const COMPARISON_STEP_PER_MM = 1e6
/** mm; stored results carry this step, so that recomputing them gives the same bytes. */
const RECORD_STEP_PER_MM = 1e7

const roundTo = (value: number, perMm: number): number => {
  const rounded = Math.round(value * perMm) / perMm
  return rounded === 0 ? 0 : rounded // no −0 in a record
}

/** Rounds a length in mm to 1e-6 mm, half up. */
export const forComparison = (value: number): number => roundTo(value, COMPARISON_STEP_PER_MM)

/** Rounds a length in mm to 1e-7 mm, half up. */
export const forRecord = (value: number): number => roundTo(value, RECORD_STEP_PER_MM)

/** a > b as decimals: true only if a exceeds b by at least 0.000001 mm. */
export const exceeds = (aMm: number, bMm: number): boolean => forComparison(aMm - bMm) > 0
