import { formatEnds, formatQuantity, type UnitSystem, unitOf } from './format'
import type { QuantityKind } from './kind'

/** How values of one kind are written in one system: bare figures and the unit beside them. */
export interface Figures {
  readonly figure: (value: number) => string
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
    extent: ({ value, interval }) => formatEnds(value ?? interval?.low ?? null, value ?? interval?.high ?? null, figure),
    expanded: (standard) => {
      let finer = step
      for (let times = 0; times < FINER && COVERAGE * standard < LEAST_STEPS * finer; times++) finer /= 10
      return formatQuantity(COVERAGE * standard, quantity, system, finer)
    },
    unit: unitOf(quantity, system),
  }
}
