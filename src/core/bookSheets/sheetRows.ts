import { isPlainObject } from '../base/plainObject'
import type { Path } from '../book/path'
import type { Cell, CellFault } from './codec'
import type { Sheet } from './column'
import type { RowContext } from './rowContext'
import { withNulls } from './withNulls'

type Entry = Readonly<Record<string, unknown>>

/** A cell that could not be read, by its place in its row; the last column holds what has none of its own. */
export interface FaultInRow {
  readonly column: number
  readonly fault: CellFault
}

/** The cells of an entry, with what no column gives back as it was; null where nothing is left. */
export function rowOf(
  { columns, defaults, shape }: Pick<Sheet, 'columns' | 'defaults' | 'shape'>,
  entry: Entry,
  context: RowContext,
): { readonly cells: readonly Cell[]; readonly rest: unknown } {
  const all = columns.map(({ path, codec }): Cell => {
    const value = at(entry, path)
    return value === undefined ? null : codec.encode(value, cellContext(context, path))
  })
  // Only what is read again as it was stands in its cell.
  const said = entryOf({ columns, defaults, shape }, all, undefined, context).entry
  const cells = all.map((cell, column) => {
    const path = columns[column]?.path ?? []
    return cell !== null && isSame(at(said, path), at(entry, path)) ? cell : null
  })
  const { entry: given } = entryOf({ columns, defaults, shape }, cells, undefined, context)
  return { cells, rest: leftOf(entry, given) }
}

/** The entry that cells say, over what stands beside them. */
export function entryOf(
  { columns, defaults, shape }: Pick<Sheet, 'columns' | 'defaults' | 'shape'>,
  cells: readonly Cell[],
  rest: unknown,
  context: RowContext,
): { readonly entry: Entry; readonly faults: readonly FaultInRow[] } {
  const made: Record<string, unknown> = isPlainObject(rest) ? structuredClone(rest) : {}
  const faults: FaultInRow[] = []
  columns.forEach(({ path, codec }, column) => {
    const cell = cells[column] ?? null
    if (cell === null || cell === '') {
      if (codec.empty !== undefined && at(made, path) === undefined) put(made, path, codec.empty)
      return
    }
    const read = codec.decode(cell, cellContext(context, path))
    if (read.ok) put(made, path, read.value)
    else {
      faults.push({ column, fault: read.fault })
      put(made, path, UNREAD)
    }
  })
  for (const [key, value] of Object.entries(defaults)) made[key] ??= structuredClone(value)
  return { entry: withNulls(made, shape) as Entry, faults }
}

const cellContext = ({ system, quantityAt, classEndAt }: RowContext, path: Path) => ({
  system,
  quantity: quantityAt(path),
  classOf: classEndAt(path),
})

/** Stands where a cell could not be read, so that nothing more is said of it. */
const UNREAD = null

function at(value: unknown, path: readonly string[]): unknown {
  let now = value
  for (const step of path) {
    if (!isPlainObject(now)) return undefined
    now = now[step]
  }
  return now
}

function put(entry: Record<string, unknown>, path: readonly string[], value: unknown): void {
  let now = entry
  for (const step of path.slice(0, -1)) {
    const next = now[step]
    if (isPlainObject(next)) now = next
    else {
      const made: Record<string, unknown> = {}
      now[step] = made
      now = made
    }
  }
  now[path.at(-1) ?? ''] = value
}

/** What of a value another one does not give: whole lists, and of entries the fields that differ. */
function leftOf(value: unknown, given: unknown): unknown {
  if (isSame(value, given)) return null
  if (!isPlainObject(value) || !isPlainObject(given)) return value
  const left = Object.entries(value).flatMap(([key, own]) => {
    const rest = leftOf(own, given[key])
    return rest === null && (own !== null || given[key] === null) ? [] : [[key, rest] as const]
  })
  return left.length === 0 ? null : Object.fromEntries(left)
}

function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((one, index) => isSame(one, b[index]))
  if (!isPlainObject(a) || !isPlainObject(b)) return false
  const keys = new Set([...Object.keys(a), ...Object.keys(b)])
  return [...keys].every((key) => isSame(a[key], b[key]))
}
