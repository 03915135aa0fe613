import { err, ok, type Result } from '../result'
import { type DefaultLengthUnit, explainLengthFault, type LengthFault, parseLength } from './length'

/** A reading understood: the size it stands for and, for a comparator, the deviation that was read. */
export interface ParsedReading {
  /** Size in mm, master included. */
  readonly valueMm: number
  /** Exact decimal of the size in mm. */
  readonly exactMm: string
  /** Deviation from the master in mm where the text was signed and a master is set, else null. */
  readonly deviationMm: number | null
}

export type ReadingFault = LengthFault | { readonly code: 'negativeSize'; readonly text: string }

export interface ReadingContext {
  readonly defaultUnit: DefaultLengthUnit
  /** Size of the master the gauge was set on, mm; a signed text is then a deviation from it. */
  readonly masterMm: number | null
}

/**
 * Reads one typed reading of a size.
 *
 * With a master set, an explicit sign makes the text a deviation (`+0.212` on 220.200 is 220.412); an unsigned
 * text is the size itself. Without a master a minus is refused: no size measured here is below zero.
 */
export function parseReading(text: string, context: ReadingContext): Result<ParsedReading, ReadingFault> {
  const parsed = parseLength(text, context.defaultUnit)
  if (!parsed.ok) return parsed
  const { valueMm, exactMm, sign } = parsed.value
  if (context.masterMm !== null && sign !== '') {
    const size = addDecimals(exactMm, context.masterMm)
    return ok({ valueMm: Number(size), exactMm: size, deviationMm: valueMm })
  }
  if (valueMm < 0) return err({ code: 'negativeSize', text: text.trim() })
  return ok({ valueMm, exactMm, deviationMm: null })
}

/** Adds a decimal text and a double that stands for a decimal, exactly to 12 places. */
function addDecimals(text: string, value: number): string {
  const scaled = (decimal: string): bigint => {
    const negative = decimal.startsWith('-')
    const [whole = '0', places = ''] = decimal.replace('-', '').split('.')
    const magnitude = BigInt(whole + places.padEnd(12, '0').slice(0, 12))
    return negative ? -magnitude : magnitude
  }
  const sum = scaled(text) + scaled(value.toFixed(9))
  const digits = (sum < 0n ? -sum : sum).toString().padStart(13, '0')
  const places = digits.slice(-12).replace(/0+$/, '')
  return `${sum < 0n ? '-' : ''}${digits.slice(0, -12)}${places === '' ? '' : `.${places}`}`
}

/** One sentence for a refused reading. */
export function explainReadingFault(fault: ReadingFault): string {
  if (fault.code === 'negativeSize') return `“${fault.text}” is below zero, and no master is set here. Type the size itself.`
  return explainLengthFault(fault)
}
