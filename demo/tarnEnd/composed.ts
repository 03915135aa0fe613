/** A demo book made as a user makes one: assemblies of the kit, one after the other, and limits typed and checked in the sheet. */
import type { LimitBook } from '../../src/core/book/bookSchema'
import { type BookChange, changed } from '../../src/core/kit/change'
import { emptyComposition } from '../../src/core/kit/composition'
import { type TypedRow, withCheck, withRow } from '../../src/core/kit/limitSheet'
import type { UnitSystem } from '../../src/core/quantity/unitSystem'

/** An assembly by its id, with the names of its instances and its answers. */
export type Asked = readonly [assembly: string, names: readonly string[], answers?: Readonly<Record<string, string>>]

/** A row of the limits sheet: where, which value, new size, plan, wear, page. */
export type Row = readonly [
  of: string,
  judges: TypedRow['judges'],
  side: TypedRow['side'],
  size: string,
  plan: string,
  wear: string,
  page: string,
]

const TYPED = { by: 'Mara Ellwood', at: '2026-11-12T09:00:00.000Z' }
const CHECKED = { by: 'Tobias Renn', at: '2026-11-12T14:00:00.000Z', names: ['Tobias Renn'] }

export interface Composition {
  readonly id: string
  readonly title: string
  readonly units: UnitSystem
  readonly document: string
  readonly assemblies: readonly Asked[]
  readonly rows: readonly Row[]
  /** Rows after this many wait for their check. */
  readonly checked: number
}

export function composed({ id, title, units, document, assemblies, rows, checked }: Composition): LimitBook {
  let book = emptyComposition(id, title)
  const must = <T>(
    made: { readonly ok: true; readonly value: T } | { readonly ok: false; readonly fault: unknown },
    of: string,
  ): T => {
    if (!made.ok) throw new Error(`${title}, ${of}: ${JSON.stringify(made.fault)}`)
    return made.value
  }
  for (const [assembly, names, answers = {}] of assemblies) {
    const add: BookChange = { kind: 'add', assembly, names, into: null, answers }
    book = must(changed(book, add, units), assembly)
  }
  rows.forEach(([of, judges, side, size, plan, wear, page], at) => {
    const row = { of, judges, side, new: size, plan, wear, whenPassed: 'mend', instruction: '', document, page } as const
    book = must(withRow(book, row, units, TYPED), of)
    if (at < checked) book = must(withCheck(book, { of, judges, side, agrees: true, note: '' }, CHECKED), of)
  })
  return { ...book, revision: 'draft 1' }
}
