import type { Bare, Coded } from '../base/coded'
import { err, ok, type Result } from '../base/result'
import { figureText } from '../quantity/figureText'
import { type ReadBy, readFigureText, type TextFaults } from '../typed/figureText'

/** What one cell of a spreadsheet holds; null: nothing. */
export type Cell = string | number | boolean | null

/** Why a cell cannot be read. */
export interface CellFaults extends TextFaults {
  notANumber: { readonly text: string }
  notYesNo: { readonly text: string }
  notAList: { readonly text: string }
  /** A share of one where per cent are meant: a spreadsheet keeps 70 % as 0.7. */
  shareOfOne: { readonly text: string }
  notJson: Bare
}
export type CellFault = Coded<CellFaults>

/** What a cell is read by: the units of the book, of what kind its figure is, and whether it may be a size with its class. */
export type CellContext = ReadBy

/** How a value stands in a cell, and is read back. A value that no cell gives back as it was is kept beside it (sheetRows.ts). */
export interface Codec {
  encode(value: unknown, context: CellContext): Cell
  /** Of a cell that holds something. */
  decode(cell: string | number | boolean, context: CellContext): Result<unknown, CellFault>
  /** What an empty cell says; undefined: nothing at all. */
  readonly empty: unknown
}

export const textOf = (cell: string | number | boolean): string => String(cell).trim()

export const text = (empty: '' | null | undefined = undefined): Codec => ({
  empty,
  encode: (value) => (typeof value === 'string' && value !== '' ? value : null),
  decode: (cell) => ok(String(cell)),
})

export const flag = (empty: false | undefined): Codec => ({
  empty,
  encode: (value) => (value === true ? YES : null),
  decode: (cell) => {
    const word = textOf(cell).toLowerCase()
    if (['yes', 'true', 'x', '1'].includes(word)) return ok(true)
    if (['no', 'false', '0'].includes(word)) return ok(empty)
    return err({ code: 'notYesNo', text: textOf(cell) })
  },
})
const YES = 'yes'

/**
 * A figure in the units of the book; one that these units do not give back to the last digit carries its own. What is no
 * quantity is a bare number.
 */
export const figure = (empty: null | undefined = undefined): Codec => {
  const decode: Codec['decode'] = (cell, by) => {
    const { quantity, system } = by
    if (quantity === 'percent' && typeof cell === 'number' && cell !== 0 && Math.abs(cell) <= 1)
      return err({ code: 'shareOfOne', text: textOf(cell) })
    const read = readFigureText(typeof cell === 'number' ? figureText(cell, null, system) : textOf(cell), by)
    if (read.ok) return read
    return err(quantity === null ? { code: 'notANumber', text: textOf(cell) } : read.fault)
  }
  return {
    empty,
    decode,
    encode: (value, { quantity, system }) => {
      if (typeof value !== 'number') return null
      const written = figureText(value, quantity, system)
      return Number.isNaN(Number(written)) ? written : Number(written)
    },
  }
}
