import { BOOK_FORMAT, BOOK_VERSION } from '../book/bookFormat'
import type { LimitBook } from '../book/bookShapeSchema'
import type { UnitSystem } from '../quantity/unitSystem'
import type { Cell } from './codec'
import type { Sheet } from './column'
import type { SheetNames } from './names'
import { bareRow, rowContext } from './rowContext'
import { rowOf } from './sheetRows'
import { BOOK_LINE, bookColumns, sheets } from './sheets'

/** A sheet of a workbook as it is written or read: its name, and its rows with the header first. */
export interface SheetOfCells {
  readonly name: string
  readonly rows: readonly (readonly Cell[])[]
}

type Entry = Readonly<Record<string, unknown>>

/** Most letters that a cell of a spreadsheet holds, with room to spare. */
const MOST_IN_CELL = 30_000

/** A limit book as a workbook: a sheet for the book itself and one for each of its lists that has entries, in its own units. */
export function bookAsSheets(book: LimitBook, system: UnitSystem, names: SheetNames): readonly SheetOfCells[] {
  const { format: _, version: __, ...own } = book
  const lists = new Set(sheets.map(({ list }) => list))
  const scalars = Object.fromEntries(Object.entries(own).filter(([key]) => !lists.has(key)))
  const { cells, rest } = rowOf(BOOK_LINE, scalars, bareRow(system))
  const about: (readonly Cell[])[] = [
    [names.header('book', 'format'), BOOK_FORMAT],
    [names.header('book', 'version'), BOOK_VERSION],
    [names.header('book', 'units'), names.units[system]],
    ...bookColumns.map(({ key }, at): readonly Cell[] => [names.header('book', key), cells[at] ?? null]),
    ...(rest === null ? [] : [[names.further, ...chunks(rest)]]),
  ]
  const listed = sheets.flatMap((sheet) => {
    const rows = rowsOf(sheet, book, system, names)
    return rows === null ? [] : [{ name: names.sheet(sheet.id), rows }]
  })
  return [{ name: names.book, rows: about }, ...listed]
}

/** The rows of one list, its header first; null for a list that the book does not have. */
function rowsOf(sheet: Sheet, book: LimitBook, system: UnitSystem, names: SheetNames): readonly (readonly Cell[])[] | null {
  const { child, columns } = sheet
  const entries = (book as unknown as Record<string, readonly Entry[] | undefined>)[sheet.list]
  if (entries === undefined) return null
  const owned = entries.flatMap((entry): readonly (readonly [Entry, Entry])[] =>
    child === null
      ? [[entry, entry]]
      : ((entry[child] as readonly Entry[] | undefined) ?? []).map((one) => [entry, one] as const),
  )
  const childless = sheets.flatMap((one) => (one.list === sheet.list && one.child !== null ? [one.child] : []))
  const rows = owned.map(([parent, entry]) => {
    const plain = child === null ? without(entry, childless) : entry
    const { cells, rest } = rowOf(sheet, plain, rowContext(sheet, parent, entry, system))
    return { cells: [...(child === null ? [] : [String(parent.id)]), ...cells], further: chunks(rest) }
  })
  const most = Math.max(1, ...rows.map(({ further }) => further.length))
  const header = [
    ...(child === null ? [] : [names.of]),
    ...columns.map(({ key }) => names.header(sheet.id, key)),
    ...Array.from({ length: most }, (_, at) => (at === 0 ? names.further : `${names.further} ${at + 1}`)),
  ]
  return [header, ...rows.map(({ cells, further }) => [...cells, ...further])]
}

/** A list inside an entry has a sheet of its own; one that is there and empty is said beside the entry. */
const without = (entry: Entry, keys: readonly string[]): Entry =>
  Object.fromEntries(
    Object.entries(entry).filter(([key, value]) => {
      const sheet = keys.includes(key) ? sheets.find(({ child }) => child === key) : undefined
      return sheet === undefined || (sheet.optional && Array.isArray(value) && value.length === 0)
    }),
  )

function chunks(rest: unknown): string[] {
  if (rest === null || rest === undefined) return []
  const text = JSON.stringify(rest)
  return Array.from({ length: Math.ceil(text.length / MOST_IN_CELL) }, (_, at) =>
    text.slice(at * MOST_IN_CELL, (at + 1) * MOST_IN_CELL),
  )
}
