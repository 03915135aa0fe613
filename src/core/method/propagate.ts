import { inQuadrature } from '../gauge/uncertainty'
import type { Interval } from '../quantity/interval'
import type { QuantityKind } from '../quantity/kind'
import { evaluateFormula, type Formula } from './formula'
import { intervalOf, type Reduced } from './reduction'

/** What the gauge of a value adds to its uncertainty, the same for every value taken with it. */
export interface Common {
  readonly gauge: string
  readonly uncertainty: number
}

/** What a value has for itself: its uncertainty without what its gauge adds to every value. */
export const ownUncertainty = ({ uncertainty }: Pick<Reduced, 'uncertainty'>, common: Common | null): number =>
  Math.sqrt(Math.max(0, uncertainty ** 2 - (common?.uncertainty ?? 0) ** 2))

export interface Named {
  readonly value: Reduced
  /** Null where it was taken with several gauges, or its gauge's error is not in it. */
  readonly common: Common | null
}

export interface Propagated {
  readonly interval: Interval
  /** Standard uncertainty. */
  readonly uncertainty: number
  /** How far the result moves per unit of each value. */
  readonly sensitivity: ReadonlyMap<string, number>
}

/** Step of a numerical derivative where a value has no uncertainty of its own. */
const STEP = 1e-6

/**
 * Carries values through a formula. Sensitivities are taken numerically (GUM 5.1.3); what each value has for itself is
 * added in quadrature, and an error that several have from the same gauge goes through as one (GUM 5.2.2): it cancels in
 * a difference and doubles in a sum. Null where the formula has no value.
 */
export function propagate(formula: Formula, known: ReadonlyMap<string, Named>, gives: QuantityKind): Propagated | null {
  const of = (name: string): Named => {
    const found = known.get(name)
    if (!found) throw new Error(`formula name ${name} was looked up before`)
    return found
  }
  const at = (moved: string | null, by: number): Interval | null =>
    evaluateFormula(
      formula,
      (name) => {
        const { value } = of(name)
        const { low, high } = intervalOf(value)
        const shift = name === moved ? by : 0
        return { quantity: value.quantity, interval: { low: low + shift, high: high + shift } }
      },
      gives,
    )
  const interval = at(null, 0)
  if (!interval) return null
  const sensitivity = new Map(
    formula.names.map((name) => {
      const step = of(name).value.uncertainty || STEP
      const moved = at(name, step)
      const by = !moved
        ? 0
        : Number.isFinite(moved.high) && Number.isFinite(interval.high)
          ? moved.high - interval.high
          : moved.low - interval.low
      return [name, Number.isFinite(by) ? by / step : 0]
    }),
  )
  const own: number[] = []
  const common = new Map<string, number>()
  for (const name of formula.names) {
    const { value, common: shared } = of(name)
    const moves = sensitivity.get(name) ?? 0
    own.push(moves * ownUncertainty(value, shared))
    if (shared) common.set(shared.gauge, (common.get(shared.gauge) ?? 0) + moves * shared.uncertainty)
  }
  return { interval, uncertainty: inQuadrature(...own, ...common.values()), sensitivity }
}
