import type { Result } from '../base/result'
import { exactText } from './exactText'
import { unitOf } from './format'
import type { QuantityKind } from './kind'
import { parseInTwoUnits, type TwoUnitsFault } from './twoUnits'
import type { UnitSystem } from './unitSystem'

const FINE = 1e-6
const BARE = /^[-−+]?\d+(?:[.,]\d+)?$/

/** A figure as it is typed: in the units of `system`, or with its own; without a quantity a bare number. */
export function readFigure(text: string, quantity: QuantityKind | null, system: UnitSystem): Result<number, TwoUnitsFault> {
  // Cost, hours, days: a number, however large.
  const bare = quantity === null ? BARE.exec(text.trim()) : null
  if (bare) return { ok: true, value: Number(bare[0].replace(',', '.').replace('−', '-')) }
  const kind = quantity ?? 'count'
  const read = parseInTwoUnits(text, kind, unitOf(kind, system))
  return read.ok ? { ok: true, value: read.value.value } : read
}

/**
 * A figure so that it is read again to the last digit: in the units of `system`, or with its own unit where those do not give
 * it back. What is no figure stands as it was typed.
 */
export function figureText(value: unknown, quantity: QuantityKind | null, system: UnitSystem): string {
  if (typeof value === 'string') return value
  if (typeof value !== 'number') return ''
  if (quantity === null) return plainly(value)
  const kind = quantity
  const gives = (text: string): boolean => {
    const read = readFigure(text, quantity, system)
    return read.ok && read.value === value
  }
  const plain = String(Number(exactText(value, kind, system, FINE).replace('−', '-')))
  const own = `${plainly(value)} ${unitOf(kind, 'metric')}`.trim()
  return [plain, own].find(gives) ?? plainly(value)
}

/** Without an exponent, which no document prints. */
const plainly = (value: number): string =>
  String(value).includes('e-') ? value.toFixed(PLACES).replace(/\.?0+$/, '') : String(value)
/** Figures are read exactly to so many places. */
const PLACES = 12
