import { formatEnds, formatQuantity, unitOf } from './format'
import { differenceOf, type QuantityKind } from './kind'
import type { UnitSystem } from './unitSystem'
import { inUnit, unitById } from './units'

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
  /** A limit as the book has it: to the same step, or to as many figures more as it was given in. */
  readonly bound: (value: number) => string
  /** An expanded uncertainty k·u: to the same step, or finer where that would leave less than two figures of it. */
  readonly expanded: (standard: number, coverage?: number) => string
  /** A change per so many hours: to a tenth of the step. */
  readonly rate: (value: number) => string
  readonly unit: string
}

/** GUM 7.2.6: an uncertainty is given with two figures at most, and never as nothing. */
const FINER = 2
const LEAST_STEPS = 3
const COVERAGE = 2
/** A limit is never shown rounded: “110.04 is beyond 110.04” helps nobody. */
const FIGURES_MORE = [1, 0.1, 0.01, 0.001] as const
const SHOWN_WITHIN = 1e-12

/** Whether a value shown to a step is the value itself. */
function isShown(value: number, quantity: QuantityKind, system: UnitSystem, step: number): boolean {
  const shown = Number(formatQuantity(value, quantity, system, step).replace('−', '-'))
  const own = inUnit(value, unitById(quantity, unitOf(quantity, system)))
  return Math.abs(shown - own) <= SHOWN_WITHIN * Math.max(1, Math.abs(own))
}

export function figuresOf(quantity: QuantityKind, system: UnitSystem, step: number): Figures {
  const figure = (value: number): string => formatQuantity(value, quantity, system, step)
  return {
    figure,
    difference: (value) => formatQuantity(value, differenceOf(quantity), system, step),
    extent: ({ value, interval }) => formatEnds(value ?? interval?.low ?? null, value ?? interval?.high ?? null, figure),
    bound: (value) => {
      const steps = FIGURES_MORE.map((part) => step * part)
      // A limit given in the other unit never ends: it gets a figure more, and is that much nearer.
      const exact = steps.find((finer) => isShown(value, quantity, system, finer)) ?? step / 10
      return formatQuantity(value, quantity, system, exact)
    },
    expanded: (standard, coverage = COVERAGE) => {
      let finer = step
      for (let times = 0; times < FINER && coverage * standard < LEAST_STEPS * finer; times++) finer /= 10
      return formatQuantity(coverage * standard, differenceOf(quantity), system, finer)
    },
    rate: (value) => formatQuantity(value, differenceOf(quantity), system, step / 10),
    unit: unitOf(quantity, system),
  }
}
