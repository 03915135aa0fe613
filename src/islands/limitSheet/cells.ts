import type { LimitBook } from '../../core/book/bookSchema'
import { type RowFault, type SheetRow, type TypedRow, withRow } from '../../core/kit/limitSheet'
import { writtenTable } from '../../core/limit/limitTable'
import { exactText } from '../../core/quantity/exactText'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { farOff } from '../../core/typed/farOff'
import { isNone } from '../../core/typed/limitRow'
import { endsIn } from '../../core/typed/newSize'
import { type Cell, overlaid, type Texts } from '../limitRow/cell'

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
    case 'limit':
      return fault.at
    case 'newTwoEnds':
    case 'newEndsSwapped':
    case 'figure':
    case 'sizeClass':
      return 'new'
    default:
      return 'wear'
  }
}

/** A figure that lies far away from what stands beside it; null where none does. */
export function farFrom(
  { quantity }: SheetRow,
  { wear, plan, new: size }: Texts,
  system: UnitSystem,
): readonly [string, string] | null {
  const [newLeast = ''] = endsIn(size, { quantity, system, hasClass: true }) ?? []
  return farOff({ wear, plan, newLeast }, quantity, system)
}

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

/** The texts of rows with a block laid over them from one cell on. */
export function laidOver(
  rows: readonly SheetRow[],
  textsOf: (row: SheetRow) => Texts,
  at: { readonly row: number; readonly cell: Cell },
  block: readonly (readonly string[])[],
): ReadonlyMap<string, Texts> {
  return new Map(
    block.flatMap((line, index) => {
      const row = rows[at.row + index]
      return row ? [[keyOf(row), overlaid(textsOf(row), at.cell, line, row.takesNew)] as const] : []
    }),
  )
}
