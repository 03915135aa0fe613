import type { QuantityKind } from './kind'

/** No value of any quantity here is larger, in its fixed unit: what is typed and what records hold is bounded by the same figure. */
export const GREATEST_VALUE = 1e9
/** No part here is longer, mm. */
export const GREATEST_MM = 100_000

export const greatestOf = (kind: QuantityKind): number => (kind === 'length' ? GREATEST_MM : GREATEST_VALUE)
