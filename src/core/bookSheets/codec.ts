import type { Bare, Coded } from '../base/coded'
import { err, ok, type Result } from '../base/result'
import { figureText, readFigure } from '../quantity/figureText'
import { differenceOf, type QuantityKind } from '../quantity/kind'
import type { TwoUnitsFault } from '../quantity/twoUnits'
import type { UnitSystem } from '../quantity/unitSystem'

/** What one cell of a spreadsheet holds; null: nothing. */
export type Cell = string | number | boolean | null

/** Why a cell cannot be read. */
export interface CellFaults {
  notANumber: { readonly text: string }
  notYesNo: { readonly text: string }
  figure: { readonly why: TwoUnitsFault }
  notAList: { readonly text: string }
  /** A share of one where per cent are meant: a spreadsheet keeps 70 % as 0.7. */
  shareOfOne: { readonly text: string }
  notJson: Bare
}
export type CellFault = Coded<CellFaults>

/** What a cell is read by: the units of the book, and of what kind its figure is. */
export interface CellContext {
  readonly system: UnitSystem
  readonly quantity: QuantityKind
}

/** How a value stands in a cell, and is read back. A value that no cell gives back as it was is kept beside it (sheetRows.ts). */
export interface Codec {
  encode(value: unknown, context: CellContext): Cell
  /** Of a cell that holds something. */
  decode(cell: string | number | boolean, context: CellContext): Result<unknown, CellFault>
  /** What an empty cell says; undefined: nothing at all. */
  readonly empty: unknown
}

const textOf = (cell: string | number | boolean): string => String(cell).trim()

export const text = (empty: '' | null | undefined = undefined): Codec => ({
  empty,
  encode: (value) => (typeof value === 'string' && value !== '' ? value : null),
  decode: (cell) => ok(String(cell)),
})

export const number = (empty: null | undefined = undefined): Codec => ({
  empty,
  encode: (value) => (typeof value === 'number' ? value : null),
  decode: (cell) => {
    const value = typeof cell === 'number' ? cell : Number(textOf(cell).replace(',', '.'))
    return Number.isFinite(value) && typeof cell !== 'boolean' ? ok(value) : err({ code: 'notANumber', text: textOf(cell) })
  },
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

const partsOf = (cell: string | number | boolean): string[] =>
  textOf(cell)
    .split(';')
    .map((one) => one.trim())
    .filter((one) => one !== '')

/** Ids or short texts, one after the other: `bore; journal`. */
export const list = (empty: readonly [] | undefined): Codec => ({
  empty,
  encode: (value) =>
    Array.isArray(value) && value.length > 0 && value.every((one) => typeof one === 'string') ? value.join('; ') : null,
  decode: (cell) => ok(partsOf(cell)),
})

/** One word that stands for all, or a list. */
export const listOr = (word: string): Codec => ({
  empty: [],
  encode: (value) => (value === word ? word : list([]).encode(value, NO_CONTEXT)),
  decode: (cell) => (textOf(cell).toLowerCase() === word ? ok(word) : ok(partsOf(cell))),
})
const NO_CONTEXT: CellContext = { system: 'metric', quantity: 'count' }

/** Entries of an id and what it is called: `F = front; M = middle`; the id alone where both are the same. */
export const named = (called: 'label' | 'name', empty: readonly [] | undefined): Codec => ({
  empty,
  encode: (value) => {
    if (!Array.isArray(value) || value.length === 0) return null
    return value.map(({ id, [called]: name }) => (name === id ? String(id) : `${id} = ${name}`)).join('; ')
  },
  decode: (cell) => {
    const entries = partsOf(cell).map((one) => {
      const [id = '', ...rest] = one.split('=').map((half) => half.trim())
      return { id, [called]: rest.length === 0 ? id : rest.join('=') }
    })
    return entries.every(({ id }) => id !== '') ? ok(entries) : err({ code: 'notAList', text: textOf(cell) })
  },
})

/** Values that want a limit, by the side it stands on: `maximum upper; minimum lower`. */
export const wanted: Codec = {
  empty: undefined,
  encode: (value) =>
    Array.isArray(value) && value.length > 0 ? value.map(({ judges, side }) => `${judges} ${side}`).join('; ') : null,
  decode: (cell) => {
    const wants = partsOf(cell).map((one) => one.split(/\s+/))
    if (wants.some(({ length }) => length !== 2)) return err({ code: 'notAList', text: textOf(cell) })
    return ok(wants.map(([judges, side]) => ({ judges, side })))
  },
}

/** A figure in the units of the book; one that these units do not give back to the last digit carries its own. */
const figure = (kindOf: (context: CellContext) => QuantityKind, empty: null | undefined): Codec => {
  const decode: Codec['decode'] = (cell, context) => {
    const kind = kindOf(context)
    if (kind === 'percent' && typeof cell === 'number' && cell !== 0 && Math.abs(cell) <= 1)
      return err({ code: 'shareOfOne', text: textOf(cell) })
    const read = readFigure(textOf(cell), kind, context.system)
    return read.ok ? read : err({ code: 'figure', why: read.fault })
  }
  return {
    empty,
    decode,
    encode: (value, context) => {
      if (typeof value !== 'number') return null
      const written = figureText(value, kindOf(context), context.system)
      const cell = Number.isNaN(Number(written)) ? written : Number(written)
      const read = decode(cell, context)
      return read.ok && read.value === value ? cell : null
    },
  }
}

export const length = (empty: null | undefined = undefined): Codec => figure(() => 'length', empty)
export const value = (empty: null | undefined = undefined): Codec => figure(({ quantity }) => quantity, empty)
/** A difference of values: a step, a spread. */
export const difference = (empty: null | undefined = undefined): Codec => figure(({ quantity }) => differenceOf(quantity), empty)
