import { err, ok, type Result } from '../result'

/** Unit a bare figure is taken in: that of the machine, or micrometres for a comparator so marked. */
export type DefaultLengthUnit = 'mm' | 'in' | 'um'
export type LengthUnit = 'mm' | 'cm' | 'm' | 'um' | 'in' | 'thou'
export type Sign = '+' | '-' | ''

/** A length as typed: its exact decimal in millimetres, and the double nearest to it. */
export interface Length {
  readonly valueMm: number
  /** Exact decimal of the typed text in mm; a fraction that never ends (1/3 in) is cut at 12 places, half up. */
  readonly exactMm: string
  readonly unit: LengthUnit
  readonly sign: Sign
}

export type LengthFault =
  | { readonly code: 'empty' }
  | { readonly code: 'notANumber'; readonly text: string }
  | { readonly code: 'twoDecimalMarks'; readonly text: string }
  | { readonly code: 'unknownUnit'; readonly text: string; readonly unit: string }
  | { readonly code: 'unitAlone'; readonly text: string }
  | { readonly code: 'zeroDenominator'; readonly text: string }
  | { readonly code: 'notFinite'; readonly text: string }

interface Rational {
  readonly numerator: bigint
  readonly denominator: bigint
}

/** Millimetres in each unit, as exact fractions. 1 in = 25.4 mm (ISO 80000-3 and the 1959 agreement). */
const MM_PER: Record<LengthUnit, Rational> = {
  mm: { numerator: 1n, denominator: 1n },
  cm: { numerator: 10n, denominator: 1n },
  m: { numerator: 1000n, denominator: 1n },
  um: { numerator: 1n, denominator: 1000n },
  in: { numerator: 254n, denominator: 10n },
  thou: { numerator: 254n, denominator: 10000n },
}

const UNIT_OF: Record<string, LengthUnit> = {
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  um: 'um',
  '\u00b5m': 'um', // micro sign
  '\u03bcm': 'um', // Greek mu, which looks the same
  in: 'in',
  '"': 'in',
  '\u201d': 'in', // closing quotation mark, what tablets make of the inch mark
  thou: 'thou',
}

const SHAPE = /^([+-]?)\s*([\d.,/\s-]*?)\s*([^\d.,/\s+-].*)?$/u
const DECIMAL = /^(\d+(?:[.,]\d+)?|[.,]\d+)$/
const FRACTION = /^(?:(\d+)(?:\s+|\s*-\s*))?(\d+)\s*\/\s*(\d+)$/
/** More digits than any gauge has; keeps a pasted page from becoming a large sum. */
const MOST_CHARACTERS = 400
const PLACES = 12

/**
 * Reads a length as people type it at the bench: `12.34`, `12,34`, `.005 in`, `21 thou`, `350 µm`, `1-7/16"`, `17 5/8 in`.
 *
 * A bare figure takes `defaultUnit`. The sign covers a whole mixed number. Whatever is not fully understood is
 * refused with a code, never guessed: two decimal marks, `12.`, exponents, words, a unit alone, a unit of
 * another quantity.
 *
 * @example parseLength('1-7/16"', 'mm') // { ok: true, value: { valueMm: 36.5125, exactMm: '36.5125', unit: 'in', sign: '' } }
 */
export function parseLength(text: string, defaultUnit: DefaultLengthUnit): Result<Length, LengthFault> {
  const typed = text.trim()
  if (typed === '') return err({ code: 'empty' })
  if (typed.length > MOST_CHARACTERS) return err({ code: 'notANumber', text: typed.slice(0, 40) })

  const shape = SHAPE.exec(typed)
  if (!shape) return err({ code: 'notANumber', text: typed })
  const sign = (shape[1] ?? '') as Sign
  const figures = shape[2] ?? ''
  const unitText = (shape[3] ?? '').trim()

  const unit = unitText === '' ? defaultUnit : UNIT_OF[unitText.toLowerCase()]
  if (figures === '')
    return err(unit && unitText !== '' ? { code: 'unitAlone', text: typed } : { code: 'notANumber', text: typed })
  if ((figures.match(/[.,]/g) ?? []).length > 1) return err({ code: 'twoDecimalMarks', text: typed })
  if (!unit) return err({ code: 'unknownUnit', text: typed, unit: unitText })

  const magnitude = parseFigures(figures)
  if (magnitude === 'notANumber') return err({ code: 'notANumber', text: typed })
  if (magnitude.denominator === 0n) return err({ code: 'zeroDenominator', text: typed })

  const perUnit = MM_PER[unit]
  const exactMm = toDecimal({
    numerator: (sign === '-' ? -magnitude.numerator : magnitude.numerator) * perUnit.numerator,
    denominator: magnitude.denominator * perUnit.denominator,
  })
  const valueMm = Number(exactMm)
  if (!Number.isFinite(valueMm)) return err({ code: 'notFinite', text: typed })
  return ok({ valueMm, exactMm, unit, sign })
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

/** One sentence for a refused text: what is wrong and what to type instead. */
export function explainLengthFault(fault: LengthFault): string {
  switch (fault.code) {
    case 'empty':
      return 'Nothing typed yet. Type the figure, for example 12.34, 0.4725 in or 21 thou.'
    case 'notANumber':
      return `“${fault.text}” is not a length. Type figures and a unit, for example 12.34, 21 thou or 1-7/16".`
    case 'twoDecimalMarks':
      return `“${fault.text}” has two decimal marks. Type one point or one comma.`
    case 'unknownUnit':
      return `“${fault.unit}” is not a unit of length here. Use mm, cm, m, µm, in, " or thou.`
    case 'unitAlone':
      return `“${fault.text}” is a unit without a figure. Type the figure before it.`
    case 'zeroDenominator':
      return `“${fault.text}” divides by zero. Check the fraction.`
    case 'notFinite':
      return `“${fault.text}” is too large to be a length.`
  }
}
