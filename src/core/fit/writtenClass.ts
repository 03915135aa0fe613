import { err, ok, type Result } from '../base/result'
import { unitOf } from '../quantity/format'
import { parseQuantity, type QuantityFault } from '../quantity/quantity'
import type { UnitSystem } from '../quantity/unitSystem'
import { limitsOfSize, type SizeClassFault } from './sizeClass'

/** A size with its tolerance class, as drawings give it: 63 H7, Ø40 k6. */
export interface WrittenClass {
  readonly nominal: number
  readonly lower: number
  readonly upper: number
}

export type WrittenClassFault = SizeClassFault | { readonly code: 'noSize'; readonly why: QuantityFault }

const WRITTEN = /^[Øø]?\s*(\S.*?)\s*([A-Za-z]{1,2}(?:01|\d{1,2}))$/

/** Limits of a size that is written with a class, mm; null where the text is no such thing, but a plain figure. */
export function writtenClass(text: string, system: UnitSystem): Result<WrittenClass, WrittenClassFault> | null {
  const [, size = '', letters = ''] = WRITTEN.exec(text.trim()) ?? []
  if (letters === '') return null
  const parsed = parseQuantity(size, 'length', unitOf('length', system))
  if (!parsed.ok) return err({ code: 'noSize', why: parsed.fault })
  const nominal = parsed.value.value
  const found = limitsOfSize(nominal, letters)
  return found.ok ? ok({ nominal, lower: found.value.lowerMm, upper: found.value.upperMm }) : found
}
