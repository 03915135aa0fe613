import { combineErrors, type Errors, standardUncertainty } from '../gauge/errors'
import { ANYTHING, add, type Interval, point, widened } from '../quantity/interval'
import type { QuantityKind } from '../quantity/kind'
import { evaluateFormula, type Formula } from './formula'
import type { Known } from './known'

export interface Named {
  readonly quantity: QuantityKind
  readonly known: Known
}

export interface Propagated {
  readonly value: Known
  /** How far the result moves per unit of each value. */
  readonly sensitivity: ReadonlyMap<string, number>
}

/** Step of a numerical derivative where a value has no uncertainty of its own, in parts of the value. */
const STEP = 1e-6

/**
 * Carries values through a formula. Sensitivities are taken numerically, to either side and at both ends of an interval,
 * and the largest counts, because a formula may turn there (GUM 5.1.3, 5.1.2 note). Errors go through by source: the same
 * error in two values cancels in their difference and doubles in their sum (GUM 5.2.2). Null where the formula has no value.
 */
export function propagate(
  formula: Formula,
  named: ReadonlyMap<string, Named>,
  gives: QuantityKind,
  guard: number,
): Propagated | null {
  const of = (name: string): Named => {
    const found = named.get(name)
    if (!found) throw new Error(`formula name ${name} was looked up before`)
    return found
  }
  const valueWith = (ends: (known: Known) => Interval, moved: string | null, by: number): Interval | null =>
    evaluateFormula(
      formula,
      (name) => {
        const { quantity, known } = of(name)
        const interval = ends(known)
        return { quantity, interval: name === moved ? add(interval, point(by)) : interval }
      },
      gives,
    )
  const taken = (known: Known): Interval => known.interval ?? ANYTHING
  const interval = valueWith(taken, null, 0)
  if (!interval) return null
  // A formula that is defined for what is read may be undefined for what is still to come: then anything is possible.
  const reach = valueWith(({ reach: ends }) => ends, null, 0) ?? ANYTHING
  const sensitivity = new Map(formula.names.map((name) => [name, sensitivityTo(name)] as const))
  function sensitivityTo(name: string): number {
    const { known } = of(name)
    const base = taken(known)
    const size = Math.max(...[base.low, base.high].filter(Number.isFinite).map(Math.abs), 1)
    const step = standardUncertainty(known.errors) || STEP * size
    const moves = [step, -step].flatMap((by) => {
      const moved = valueWith(taken, name, by)
      if (!moved || !interval) return []
      return [moved.low - interval.low, moved.high - interval.high].map((change) => change / by).filter(Number.isFinite)
    })
    return moves.reduce((most, move) => (Math.abs(move) > Math.abs(most) ? move : most), 0)
  }
  const errors: Errors = combineErrors(formula.names.map((name) => [sensitivity.get(name) ?? 0, of(name).known.errors] as const))
  const band = guard === 0 ? 0 : guard * standardUncertainty(errors)
  return { value: { interval, reach, guarded: widened(reach, band), errors }, sensitivity }
}
