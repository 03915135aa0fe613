import { bookLists } from '../book/fields'
import type { Shape } from '../book/shape'
import { type Codec, text } from './codec'

/** A column of a sheet: its key, where its value stands in an entry, and how. */
export interface Column {
  readonly key: string
  readonly path: readonly string[]
  readonly codec: Codec
}

/** A list of a book as a sheet, a row each; `child`: the lists inside its entries, in a sheet of their own. */
export interface Sheet {
  readonly id: string
  readonly list: string
  /** The list inside each entry of `list` that this sheet holds; its rows name the entry they belong to. */
  readonly child: string | null
  readonly columns: readonly Column[]
  /** What an entry has where nothing says otherwise. */
  readonly defaults: Readonly<Record<string, unknown>>
  /** What an entry may say at all. */
  readonly shape: Shape
  /** A list that may be left out altogether. */
  readonly optional: boolean
}

export const column = (path: string, codec: Codec, key = path): Column => ({ key, path: path.split('.'), codec })
export const sheet = (
  id: string,
  list: string,
  columns: readonly Column[],
  more: { readonly child?: string; readonly defaults?: Readonly<Record<string, unknown>>; readonly optional?: boolean } = {},
): Sheet => ({
  id,
  list,
  columns,
  child: more.child ?? null,
  defaults: more.defaults ?? {},
  optional: more.optional ?? false,
  shape: shapeOf(list, more.child ?? null),
})

/** The shape of the entries of a list, or of the list inside them. */
function shapeOf(list: string, child: string | null): Shape {
  const entry: Shape = bookLists.find((one) => one.list === list)?.entry ?? { kind: 'group', fields: [] }
  if (child === null) return entry
  const fields = entry.kind === 'group' ? entry.fields : entry.kind === 'oneOf' ? (entry.of[0]?.fields ?? []) : []
  const own = fields.find(({ key }) => key === child)?.shape
  return own?.kind === 'list' ? own.of : entry
}

/** Where something stands in the documents of a book. */
export const source = [column('source.document', text()), column('source.page', text())]
