import { err, ok, type Result } from '../base/result'
import type { QuantityKind } from './kind'
import { parseQuantity, type Quantity, type QuantityFault } from './quantity'

const WRITTEN_TWICE = /^([^=()]+?)\s*(?:=\s*([^=()]+)|\(\s*([^=()]+)\))$/u

/** Why a figure that is given in two units says nothing. */
export type TwoUnitsFault = QuantityFault | { readonly code: 'unitsDisagree'; readonly text: string; readonly also: string }

/** A figure with the same in another unit behind it, as documents print it: `0.30 mm (0.012 in)`, `0.30 mm = 0.012 in`. */
export function parseInTwoUnits(text: string, kind: QuantityKind, defaultUnit: string): Result<Quantity, TwoUnitsFault> {
  const [, first, second, third] = WRITTEN_TWICE.exec(text.trim()) ?? []
  if (first === undefined) return parseQuantity(text, kind, defaultUnit)
  const also = second ?? third ?? ''
  const [one, other] = [parseQuantity(first, kind, defaultUnit), parseQuantity(also, kind, defaultUnit)]
  if (!one.ok) return one
  if (!other.ok) return other
  return agree(one.value, other.value) ? ok(one.value) : err({ code: 'unitsDisagree', text: first, also })
}

/** Whether two figures differ by no more than what both are rounded to. */
export const agree = (a: Rounded, b: Rounded): boolean =>
  Math.abs(a.value - b.value) <= ((a.typedStep ?? 0) + (b.typedStep ?? 0)) / 2 + TINY * Math.abs(a.value)

type Rounded = Pick<Quantity, 'value' | 'typedStep'>
/** What a sum of doubles may be off by. */
const TINY = 1e-9
