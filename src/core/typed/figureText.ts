/** A figure of a limit or a new size as a person types it: in a job, a sheet, a form of the book, a spreadsheet. */
import type { Coded } from '../base/coded'
import { err, ok, type Result } from '../base/result'
import { type WrittenClass, type WrittenClassFault, writtenClass } from '../fit/writtenClass'
import { readFigure } from '../quantity/figureText'
import type { QuantityKind } from '../quantity/kind'
import type { TwoUnitsFault } from '../quantity/twoUnits'
import type { UnitSystem } from '../quantity/unitSystem'

/** Why a text is no figure. */
export interface TextFaults {
  figure: { readonly why: TwoUnitsFault }
  sizeClass: { readonly why: WrittenClassFault }
}
export type TextFault = Coded<TextFaults>

/**
 * How a text is read: by the units of the machine; `quantity`: null of a bare number, as cost or days; `classOf`: the end of a size
 * that may be written with its class, “63 H7”.
 */
export interface ReadBy {
  readonly quantity: QuantityKind | null
  readonly system: UnitSystem
  readonly classOf: keyof WrittenClass | null
}

/** A figure as typed, in the fixed unit of its quantity: in one unit, in two that agree, or by its class. */
export function readFigureText(text: string, { quantity, system, classOf }: ReadBy): Result<number, TextFault> {
  if (classOf !== null && quantity === 'length') {
    const written = writtenClass(text, system)
    if (written) return written.ok ? ok(written.value[classOf]) : err({ code: 'sizeClass', why: written.fault })
  }
  const read = readFigure(text, quantity, system)
  return read.ok ? read : err({ code: 'figure', why: read.fault })
}
