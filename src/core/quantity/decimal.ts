import { type QuantityKind, quantityFacts } from './kind'

/**
 * Readings are decimal numbers, doubles are not: 25.41 − 25.40 is 0.010000000000001563 in binary.
 * These two roundings are the only tolerances in the core; their steps are named per quantity (`quantity/kind.ts`).
 */

/** Stored results are this many times finer than what is compared. */
const RECORDED_FINER = 10

const roundTo = (value: number, per: number): number => {
  const rounded = Math.round(value * per) / per
  return rounded === 0 ? 0 : rounded // no −0 in a record
}

/** Rounds a value of a kind to the step at which it is compared with a limit, half up: 1e-6 mm for a length. */
export const forComparison = (value: number, kind: QuantityKind = 'length'): number =>
  roundTo(value, quantityFacts[kind].comparedPer)

/** Rounds a value of a kind to the step of stored results, half up: 1e-7 mm for a length. */
export const forRecord = (value: number, kind: QuantityKind = 'length'): number =>
  roundTo(value, quantityFacts[kind].comparedPer * RECORDED_FINER)

/** a > b as decimals: true only if a exceeds b by at least one step of comparison, 0.000001 mm for a length. */
export const exceeds = (a: number, b: number, kind: QuantityKind = 'length'): boolean => forComparison(a - b, kind) > 0
