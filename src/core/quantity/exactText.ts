import { formatQuantity } from './format'
import type { QuantityKind } from './kind'
import type { UnitSystem } from './unitSystem'

/**
 * A figure to its last digit in the units of `system`, at least to `step`: what is shown is what is read again, so that
 * nothing is rounded on the way. `value` and `step` in the fixed unit of `quantity`.
 */
export function exactText(value: number, quantity: QuantityKind, system: UnitSystem, step: number): string {
  const shown = formatQuantity(value, quantity, system, step)
  const fine = formatQuantity(value, quantity, system, FINEST)
  const numberOf = (text: string): number => Number(text.replace('−', '-'))
  return numberOf(shown) === numberOf(fine) ? shown : fine.replace(/(\.\d*?)0+$/, '$1').replace(/\.$/, '')
}
/** Lengths and all other figures are stored to a millionth at least. */
const FINEST = 1e-6
