import type { LimitBook } from '../../core/book/bookSchema'
import { isNone, type RowFault, type SheetRow, type TypedRow, withRow } from '../../core/kit/limitSheet'
import { isTable, writtenTable } from '../../core/limit/limitTable'
import { exactText } from '../../core/quantity/exactText'
import type { UnitSystem } from '../../core/quantity/unitSystem'

/** Cells that are typed, in the order they stand. */
export const CELLS = ['new', 'plan', 'wear', 'whenPassed', 'document', 'page'] as const
export type Cell = (typeof CELLS)[number]
export type Texts = Readonly<Record<Cell, string>>

export const keyOf = ({ of, judges, side }: Pick<SheetRow, 'of' | 'judges' | 'side'>): string => `${of} ${judges} ${side}`

/** Who typed a row, or said that its page gives no limit. */
export const typedOf = ({ limit, none }: Pick<SheetRow, 'limit' | 'none'>) => (limit ?? none)?.typed

/** A row as it is stored, in the texts a person would have typed. */
export function storedTexts({ limit, none, new: size, quantity, step }: SheetRow, system: UnitSystem): Texts {
  const figure = (value: number): string => exactText(value, quantity, system, step)
  const source = limit?.source ?? none?.source ?? size?.source
  const limited = (which: 'plan' | 'wear'): string => {
    if (limit && 'depends' in limit) return writtenTable(limit.depends, which, figure, system) ?? ''
    const value = limit?.[which] ?? null
    return value === null ? '' : figure(value)
  }
  return {
    new: size ? `${figure(size.lower)} … ${figure(size.upper)}` : '',
    plan: limited('plan'),
    wear: none ? 'none' : limited('wear'),
    whenPassed: limit?.whenPassed ?? 'mend',
    document: source?.document ?? '',
    page: source?.page ?? '',
  }
}

/** Document and page of each row: as typed, or carried down from the row above that has them. */
export function carriedDown(
  rows: readonly SheetRow[],
  textsOf: (row: SheetRow) => Texts,
): ReadonlyMap<string, Pick<Texts, 'document' | 'page'>> {
  const carried = new Map<string, Pick<Texts, 'document' | 'page'>>()
  let above = { document: '', page: '' }
  for (const row of rows) {
    const { document, page } = textsOf(row)
    above = { document: document || above.document, page: page || above.page }
    carried.set(keyOf(row), above)
  }
  return carried
}

/** What is sent of a row. */
export const typedRow = (row: SheetRow, texts: Texts, carried: Pick<Texts, 'document' | 'page'>): TypedRow => ({
  of: row.of,
  judges: row.judges,
  side: row.side,
  new: texts.new,
  plan: texts.plan,
  wear: texts.wear,
  whenPassed: texts.whenPassed === 'replace' ? 'replace' : 'mend',
  instruction: row.limit?.instruction ?? '',
  // That there is no limit is said with its own page.
  ...(isNone(texts.wear)
    ? { document: carried.document, page: texts.page }
    : texts.new === '' && texts.wear === ''
      ? { document: texts.document, page: texts.page }
      : carried),
})

/** What is wrong with a row as it is typed; nothing where it can be stored. */
export function faultsOfRow(book: LimitBook, row: TypedRow, system: UnitSystem): readonly RowFault[] {
  const made = withRow(book, row, system, { by: '', at: '' })
  return made.ok ? [] : made.fault
}

/** The cell that a fault is to be mended in. */
export function cellOf(fault: RowFault): Cell {
  switch (fault.code) {
    case 'noPage':
      return 'page'
    case 'newTwoEnds':
    case 'newEndsSwapped':
      return 'new'
    case 'planAfterWear':
      return 'plan'
    case 'table':
      return fault.which
    case 'figure':
    case 'sizeClass':
      return { limit: 'wear', plan: 'plan', newLeast: 'new', newGreatest: 'new', nominal: 'new', readTo: 'wear' }[
        fault.figure.of
      ] as Cell
    default:
      return 'wear'
  }
}

/** A figure that lies ten times away from what stands beside it has most likely lost its point. */
export function farFrom(row: SheetRow, texts: Texts): readonly [string, string] | null {
  if (isTable(texts.wear) || isTable(texts.plan)) return null
  const numberOf = (text: string): number => Number.parseFloat(text.replace(',', '.'))
  const [wear, ...others] = [texts.wear, texts.plan, texts.new].map((text) => ({ text, value: numberOf(text) }))
  if (!wear || !(Math.abs(wear.value) > 0) || row.quantity === 'count') return null
  const far = others.find(({ value }) => {
    const ratio = Math.abs(value) > 0 ? Math.abs(wear.value / value) : 1
    return ratio > FAR || ratio < 1 / FAR
  })
  // A runout of 0 … 0.02 says nothing of how far it may wear.
  return far && numberOf(texts.new) !== 0 ? [wear.text, far.text] : null
}
const FAR = 8

/** Rows of the same value on equal parts: their measurement is called alike under another assembly of the same make. */
export function equalRows(rows: readonly SheetRow[], row: SheetRow): readonly SheetRow[] {
  const own = localName(row)
  return rows.filter(
    (one) =>
      one.of !== row.of &&
      one.judges === row.judges &&
      one.side === row.side &&
      one.quantity === row.quantity &&
      one.group !== row.group &&
      localName(one) === own &&
      stem(one.group) === stem(row.group),
  )
}

const localName = ({ name, group }: SheetRow): string => (name.startsWith(`${group}: `) ? name.slice(group.length + 2) : name)
/** “Bearing 3, drive side” and “Bearing 1” are of one make. */
const stem = (group: string): string => (group.split(/[\d,(]/)[0] ?? group).trim().toLowerCase()

/** A block of cells as a spreadsheet puts it on the clipboard. */
export const cellsIn = (text: string): readonly (readonly string[])[] =>
  text
    .replace(/\r/g, '')
    .replace(/\n$/, '')
    .split('\n')
    .map((line) => line.split('\t').map((cell) => cell.trim()))

/** The texts of rows with a block laid over them from one cell on; cells that say nothing of mending or replacing leave that as it is. */
export function laidOver(
  rows: readonly SheetRow[],
  textsOf: (row: SheetRow) => Texts,
  at: { readonly row: number; readonly cell: Cell },
  block: readonly (readonly string[])[],
): ReadonlyMap<string, Texts> {
  const from = CELLS.indexOf(at.cell)
  const laid = new Map<string, Texts>()
  block.forEach((line, index) => {
    const row = rows[at.row + index]
    if (!row) return
    const texts: Record<Cell, string> = { ...textsOf(row) }
    line.forEach((text, place) => {
      const cell = CELLS[from + place]
      if (cell === undefined || (cell === 'new' && !row.takesNew)) return
      if (cell !== 'whenPassed') texts[cell] = text
      else if (/^(mend|replace)$/i.test(text)) texts[cell] = text.toLowerCase()
    })
    laid.set(keyOf(row), texts)
  })
  return laid
}
