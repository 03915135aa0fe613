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
  readonly unit: string
}

export function figuresOf(quantity: QuantityKind, system: UnitSystem, step: number): Figures {
  const figure = (value: number): string => formatQuantity(value, quantity, system, step)
  return {
    figure,
    extent: ({ value, interval }) => formatEnds(value ?? interval?.low ?? null, value ?? interval?.high ?? null, figure),
    unit: unitOf(quantity, system),
  }
}
