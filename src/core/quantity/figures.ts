import { formatEnds, formatQuantity, type UnitSystem, unitOf } from './format'
import { differenceOf, type QuantityKind } from './kind'

/** How values of one kind are written in one system: bare figures and the unit beside them. */
export interface Figures {
  readonly figure: (value: number) => string
  /** What two values differ by, or a value is changed by. */
  readonly difference: (value: number) => string
  /** A value or the interval it is known to lie in. */
  readonly extent: (extent: {
    readonly value: number | null
    readonly interval: { readonly low: number | null; readonly high: number | null } | null
  }) => string
  /** An expanded uncertainty: to the same step, or finer where that would leave less than two figures of it. */
  readonly expanded: (standard: number) => string
  readonly unit: string
}

/** GUM 7.2.6: an uncertainty is given with two figures at most, and never as nothing. */
const FINER = 2
const LEAST_STEPS = 3
const COVERAGE = 2

export function figuresOf(quantity: QuantityKind, system: UnitSystem, step: number): Figures {
  const figure = (value: number): string => formatQuantity(value, quantity, system, step)
  return {
    figure,
    difference: (value) => formatQuantity(value, differenceOf(quantity), system, step),
    extent: ({ value, interval }) => formatEnds(value ?? interval?.low ?? null, value ?? interval?.high ?? null, figure),
    expanded: (standard) => {
      let finer = step
      for (let times = 0; times < FINER && COVERAGE * standard < LEAST_STEPS * finer; times++) finer /= 10
      return formatQuantity(COVERAGE * standard, differenceOf(quantity), system, finer)
    },
    unit: unitOf(quantity, system),
  }
}
