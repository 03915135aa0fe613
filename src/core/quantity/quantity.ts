import { err, ok, type Result } from '../base/result'
import { greatestOf } from './greatest'
import type { QuantityKind } from './kind'
import { findUnit, type Rational } from './units'

export type Sign = '+' | '-' | ''

/** A quantity as typed: its exact decimal in the kind's fixed unit, and the double nearest to it. */
export interface Quantity {
  readonly value: number
  /** Exact decimal in the fixed unit; one that never ends (1/3 in) is cut at 12 places, half up. */
  readonly exact: string
  readonly unit: string
  readonly sign: Sign
  /** Last place of the figure as typed, in the fixed unit: 0.01 for “12.34”; null for a fraction. */
  readonly typedStep: number | null
}

export type QuantityFault =
  | { readonly code: 'empty'; readonly kind: QuantityKind }
  | { readonly code: 'notANumber'; readonly text: string; readonly kind: QuantityKind }
  | { readonly code: 'twoDecimalMarks'; readonly text: string }
  | { readonly code: 'unknownUnit'; readonly text: string; readonly unit: string; readonly kind: QuantityKind }
  | { readonly code: 'unitAlone'; readonly text: string }
  | { readonly code: 'zeroDenominator'; readonly text: string }
  | { readonly code: 'tooLarge'; readonly text: string; readonly kind: QuantityKind }

const SHAPE = /^([+-]?)\s*([\d.,/\s-]*?)\s*([^\d.,/\s+-].*)?$/u
const DECIMAL = /^(\d+(?:[.,]\d+)?|[.,]\d+)$/
const FRACTION = /^(?:(\d+)(?:\s+|\s*-\s*))?(\d+)\s*\/\s*(\d+)$/
/** More digits than any gauge has; keeps a pasted page from becoming a large sum. */
const MOST_CHARACTERS = 400
const PLACES = 12

/** One minus, whatever a tablet or a page it was copied from made of it. */
export const plainMinus = (text: string): string => text.replaceAll('\u2212', '-')

/**
 * Reads a quantity as people type it at the bench: `12.34`, `12,34`, `.005 in`, `21 thou`, `350 µm`, `1-7/16"`, `180 Nm`.
 *
 * A bare figure takes `defaultUnit`. The sign covers a whole mixed number. Whatever is not fully understood is
 * refused with a code, never guessed: two decimal marks, `12.`, exponents, words, a unit alone, a unit of
 * another quantity.
 *
 * @example parseQuantity('1-7/16"', 'length', 'mm') // value 36.5125, exact '36.5125', unit 'in'
 */
export function parseQuantity(text: string, kind: QuantityKind, defaultUnit: string): Result<Quantity, QuantityFault> {
  const typed = plainMinus(text.trim())
  if (typed === '') return err({ code: 'empty', kind })
  if (typed.length > MOST_CHARACTERS) return err({ code: 'notANumber', text: typed.slice(0, 40), kind })

  const shape = SHAPE.exec(typed)
  if (!shape) return err({ code: 'notANumber', text: typed, kind })
  const sign = (shape[1] ?? '') as Sign
  const figures = shape[2] ?? ''
  const unitText = (shape[3] ?? '').trim()

  const unit = findUnit(kind, unitText === '' ? defaultUnit : unitText)
  if (figures === '')
    return err(unit && unitText !== '' ? { code: 'unitAlone', text: typed } : { code: 'notANumber', text: typed, kind })
  if ((figures.match(/[.,]/g) ?? []).length > 1) return err({ code: 'twoDecimalMarks', text: typed })
  if (!unit) return err({ code: 'unknownUnit', text: typed, unit: unitText, kind })

  const magnitude = parseFigures(figures)
  if (magnitude === 'notANumber') return err({ code: 'notANumber', text: typed, kind })
  if (magnitude.denominator === 0n) return err({ code: 'zeroDenominator', text: typed })

  const { per, zero } = unit
  const signed = (sign === '-' ? -magnitude.numerator : magnitude.numerator) - zero * magnitude.denominator
  const exact = toDecimal({ numerator: signed * per.numerator, denominator: magnitude.denominator * per.denominator })
  const value = Number(exact)
  if (!(Math.abs(value) <= greatestOf(kind))) return err({ code: 'tooLarge', text: typed, kind })
  const places = DECIMAL.exec(figures) ? (figures.split(/[.,]/)[1] ?? '').length : null
  const typedStep = places === null ? null : (10 ** -places * Number(per.numerator)) / Number(per.denominator)
  return ok({ value, exact, unit: unit.id, sign, typedStep })
}

function parseFigures(figures: string): Rational | 'notANumber' {
  if (DECIMAL.test(figures)) {
    const [whole = '', places = ''] = figures.split(/[.,]/)
    return { numerator: BigInt(whole + places), denominator: 10n ** BigInt(places.length) }
  }
  const fraction = FRACTION.exec(figures)
  if (!fraction) return 'notANumber'
  const whole = BigInt(fraction[1] ?? '0')
  const top = BigInt(fraction[2] ?? '0')
  const bottom = BigInt(fraction[3] ?? '0')
  return { numerator: whole * bottom + top, denominator: bottom }
}

/** Shortest exact decimal of a fraction, at most PLACES places, half away from zero. */
function toDecimal({ numerator, denominator }: Rational): string {
  const negative = numerator < 0n
  const scaled = (negative ? -numerator : numerator) * 10n ** BigInt(PLACES)
  const rounded = (2n * scaled + denominator) / (2n * denominator)
  const digits = rounded.toString().padStart(PLACES + 1, '0')
  const whole = digits.slice(0, -PLACES)
  const places = digits.slice(-PLACES).replace(/0+$/, '')
  const unsigned = places === '' ? whole : `${whole}.${places}`
  return negative && rounded !== 0n ? `-${unsigned}` : unsigned
}

/** Adds or subtracts exact decimals of at most 12 places. */
export function addExact(a: string, b: string, factor: 1n | -1n = 1n): string {
  const scaled = (decimal: string): bigint => {
    const negative = decimal.startsWith('-')
    const [whole = '0', places = ''] = decimal.replace('-', '').split('.')
    const magnitude = BigInt(whole + places.padEnd(PLACES, '0').slice(0, PLACES))
    return negative ? -magnitude : magnitude
  }
  return toDecimal({ numerator: scaled(a) + factor * scaled(b), denominator: 10n ** BigInt(PLACES) })
}
