import type { Bare, Coded } from '../base/coded'
import { isPlainObject } from '../base/plainObject'
import { BOOK_FORMAT, BOOK_VERSION } from '../book/bookFormat'
import type { Path } from '../book/path'
import type { UnitSystem } from '../quantity/unitSystem'
import type { Cell, CellFault } from './codec'
import type { Column, Sheet } from './column'
import type { SheetNames } from './names'
import { sheetsNow } from './olderSheets'
import { bareRow, type RowContext, rowContext } from './rowContext'
import { entryOf } from './sheetRows'
import { BOOK_LINE, bookColumns, sheets } from './sheets'
import type { SheetOfCells } from './toSheets'

/** Where something stands in a workbook: its sheet by name, row and column counted from 1; column 0: the whole row. */
export interface CellPlace {
  readonly sheet: string
  readonly row: number
  readonly column: number
}

/** What keeps a workbook from being read as a book. */
export interface SheetFaults {
  cell: { readonly why: CellFault }
  noSheet: { readonly sheet: string }
  unknownSheet: { readonly sheet: string }
  unknownColumn: { readonly column: string }
  /** Nobody says in which units its figures are. */
  units: { readonly line: string }
  /** A row that belongs to an entry which is not there. */
  noOwner: { readonly id: string; readonly sheet: string }
  notJson: Bare
}
export type SheetFault = Coded<SheetFaults>
export interface SheetFaultAt {
  readonly place: CellPlace
  readonly fault: SheetFault
}

export interface ReadSheets {
  /** The book as the cells say it, for `checkBook`: whether it holds together is not looked at here. */
  readonly file: unknown
  readonly system: UnitSystem
  readonly faults: readonly SheetFaultAt[]
  /** The cell in which something of the book stands. */
  readonly placeOf: (path: Path) => CellPlace
}

type Entry = Record<string, unknown>

/** Reads a workbook as a limit book; every cell that cannot be read is told at once. */
export function bookFromSheets(of: readonly SheetOfCells[], names: SheetNames): ReadSheets {
  const workbook = sheetsNow(of, names)
  const faults: SheetFaultAt[] = []
  const byName = new Map(workbook.map((one) => [one.name.trim().toLowerCase(), one]))
  const known = new Set([names.book, ...sheets.map(({ id }) => names.sheet(id))].map((name) => name.toLowerCase()))
  for (const { name } of workbook)
    if (!known.has(name.trim().toLowerCase()))
      faults.push({ place: { sheet: name, row: 1, column: 0 }, fault: { code: 'unknownSheet', sheet: name } })
  const places = new Map<string, CellPlace>()
  const own = byName.get(names.book.toLowerCase())
  if (!own) faults.push({ place: { sheet: names.book, row: 1, column: 0 }, fault: { code: 'noSheet', sheet: names.book } })
  const { system, fields } = aboutBook(own?.rows ?? [], faults, places, names)
  const file: Entry = { ...fields }
  for (const sheet of sheets) {
    const cells = byName.get(names.sheet(sheet.id).toLowerCase())
    if (sheet.child === null && (cells !== undefined || !sheet.optional)) file[sheet.list] = []
    if (cells !== undefined) new Reading(sheet, cells, system, file, faults, places, names).run()
  }
  return {
    file,
    system,
    faults,
    placeOf: (path) => {
      for (let length = path.length; length > 0; length -= 1) {
        const found = places.get(path.slice(0, length).join('/'))
        if (found) return found
      }
      return { sheet: names.book, row: 1, column: 0 }
    },
  }
}

/** The sheet of the book itself: a field a line. */
function aboutBook(
  rows: SheetOfCells['rows'],
  faults: SheetFaultAt[],
  places: Map<string, CellPlace>,
  names: SheetNames,
): { readonly system: UnitSystem; readonly fields: Entry } {
  const lineOf = (header: string): number =>
    rows.findIndex(
      ([name]) =>
        String(name ?? '')
          .trim()
          .toLowerCase() === header.toLowerCase(),
    )
  const said = (key: string): Cell => rows[lineOf(names.header('book', key))]?.[1] ?? null
  const unitsAt = lineOf(names.header('book', 'units'))
  const units = String(said('units') ?? '')
    .trim()
    .toLowerCase()
  const system: UnitSystem = units === names.units.inch ? 'inch' : 'metric'
  // Figures read in the wrong units would be twenty-five times off: nothing is taken for granted.
  if (rows.length > 0 && units !== names.units[system])
    faults.push({
      place: { sheet: names.book, row: unitsAt + 1 || 1, column: 2 },
      fault: { code: 'units', line: names.header('book', 'units') },
    })
  const rest = further(rows[lineOf(names.further)]?.slice(1) ?? [])
  if (rest === UNREADABLE)
    faults.push({ place: { sheet: names.book, row: lineOf(names.further) + 1, column: 2 }, fault: { code: 'notJson' } })
  const { entry, faults: wrong } = entryOf(
    BOOK_LINE,
    bookColumns.map(({ key }) => said(key)),
    rest === UNREADABLE ? null : rest,
    bareRow(system),
  )
  for (const { key, path } of bookColumns)
    places.set(path.join('/'), { sheet: names.book, row: lineOf(names.header('book', key)) + 1 || 1, column: 2 })
  for (const { column, fault } of wrong) {
    const row = lineOf(names.header('book', bookColumns[column]?.key ?? '')) + 1
    faults.push({ place: { sheet: names.book, row, column: 2 }, fault: { code: 'cell', why: fault } })
  }
  const format = { format: said('format') ?? BOOK_FORMAT, version: said('version') ?? BOOK_VERSION }
  return { system, fields: { ...format, ...entry } }
}

/** One sheet, row by row. */
class Reading {
  private readonly columns: readonly { readonly column: Column; readonly at: number }[]
  private readonly furtherAt: readonly number[]
  private readonly ofAt: number

  constructor(
    private readonly sheet: Sheet,
    private readonly cells: SheetOfCells,
    private readonly system: UnitSystem,
    private readonly file: Entry,
    private readonly faults: SheetFaultAt[],
    private readonly places: Map<string, CellPlace>,
    private readonly names: SheetNames,
  ) {
    const header = (cells.rows[0] ?? []).map((cell) =>
      String(cell ?? '')
        .trim()
        .toLowerCase(),
    )
    const at = (name: string): number => header.indexOf(name.toLowerCase())
    this.columns = sheet.columns.map((column) => ({ column, at: at(names.header(sheet.id, column.key)) }))
    this.furtherAt = header.flatMap((name, place) => (new RegExp(`^${names.further}( \\d+)?$`, 'i').test(name) ? [place] : []))
    this.ofAt = sheet.child === null ? -1 : at(names.of)
    const used = new Set([...this.columns.map((one) => one.at), ...this.furtherAt, this.ofAt])
    header.forEach((name, place) => {
      if (name !== '' && !used.has(place)) this.wrong(1, place, { code: 'unknownColumn', column: name })
    })
  }

  run(): void {
    this.cells.rows.forEach((row, at) => {
      // A row that says nothing is none: people leave lines free.
      if (at > 0 && row.some((cell) => cell !== null && cell !== '')) this.row(row, at + 1)
    })
  }

  private row(row: readonly Cell[], number: number): void {
    const { sheet, file } = this
    const entries = (file[sheet.list] ?? []) as Entry[]
    const ownerId = this.ofAt < 0 ? '' : String(row[this.ofAt] ?? '').trim()
    const ownerAt = sheet.child === null ? -1 : entries.findIndex(({ id }) => id === ownerId)
    const owner = entries[ownerAt]
    if (sheet.child !== null && !owner)
      return this.wrong(number, Math.max(0, this.ofAt), {
        code: 'noOwner',
        id: ownerId,
        sheet: this.names.sheet(sheet.list),
      })
    const rest = further(this.furtherAt.map((at) => row[at] ?? null))
    if (rest === UNREADABLE) this.wrong(number, this.furtherAt[0] ?? 0, { code: 'notJson' })
    const cells = this.columns.map(({ at }) => (at < 0 ? null : (row[at] ?? null)))
    const read = (context: RowContext) => entryOf(sheet, cells, rest === UNREADABLE ? null : rest, context)
    // What kind of figures they are, the entry itself says: it is read for that first.
    const first = read(bareRow(this.system)).entry
    const { entry, faults } = read(rowContext(sheet, owner ?? first, first, this.system))
    const made: Entry = { ...entry }
    if (sheet.id === 'limits' || sheet.id === 'fitLimits') made.id ??= `${made.judges}-${made.side}`
    for (const { column, fault } of faults) this.wrong(number, this.columns[column]?.at ?? 0, { code: 'cell', why: fault })
    this.keep(made, owner, ownerAt, number)
  }

  private keep(entry: Entry, owner: Entry | undefined, ownerAt: number, number: number): void {
    const { sheet, file } = this
    const [holder, key] = owner && sheet.child !== null ? [owner, sheet.child] : [file, sheet.list]
    const list = (holder[key] ?? []) as Entry[]
    holder[key] = list
    list.push(entry)
    const path = sheet.child === null ? [sheet.list, list.length - 1] : [sheet.list, ownerAt, sheet.child, list.length - 1]
    this.places.set(path.join('/'), this.place(number, this.furtherAt[0] ?? 0))
    for (const { column, at } of this.columns)
      if (at >= 0) this.places.set([...path, ...column.path].join('/'), this.place(number, at))
  }

  private readonly place = (row: number, column: number): CellPlace => ({ sheet: this.cells.name, row, column: column + 1 })
  private wrong(row: number, column: number, fault: SheetFault): void {
    this.faults.push({ place: this.place(row, column), fault })
  }
}

const UNREADABLE = Symbol('unreadable')

/** What has no column, from the cells it was cut into. */
function further(cells: readonly Cell[]): unknown {
  const text = cells.map((cell) => String(cell ?? '')).join('')
  if (text.trim() === '') return null
  try {
    const read: unknown = JSON.parse(text)
    return isPlainObject(read) ? read : UNREADABLE
  } catch {
    return UNREADABLE
  }
}
