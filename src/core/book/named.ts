/** Where the entries of a book name each other, as the schema says of each field. */
import type { NamedList } from '../base/namedList'
import { isPlainObject } from '../base/plainObject'
import type { LimitBook } from './bookShapeSchema'
import { type Entry, entriesOf, type WrittenBook } from './edits'
import { bookLists } from './fields'
import type { Path } from './path'
import { type Field, type Shape, varietyFields } from './shape'

export interface NamedAt {
  readonly list: string
  readonly at: number
  readonly entry: Entry
  /** From the entry. */
  readonly path: Path
  readonly names: NamedList
  readonly id: string
}

/** Every place at which an entry of a book is named. */
export function namedIn(book: LimitBook): readonly NamedAt[] {
  const found: NamedAt[] = []
  eachEntry(book, (list, entry, at, shape) => {
    through(shape, entry, [], (id, names, path) => {
      found.push({ list, at, entry, path, names, id })
      return id
    })
    return entry
  })
  return found
}

/** An entry of a list that names others by other ids. */
export function namingAnew<T>(list: string, entry: T, idOf: (id: string) => string): T {
  const shape = bookLists.find((one) => one.list === list)?.entry
  return shape ? (through(shape, entry, [], idOf) as T) : entry
}

/**
 * The book that names nothing any more that is gone: a name goes from its list or its field, and what cannot be without it goes
 * with it, up to the whole entry.
 */
export function namingOnly(book: LimitBook, stays: (id: string, names: NamedList, entry: Entry) => boolean): LimitBook {
  return eachEntry(book, (_, entry, __, shape) => {
    const left = through(shape, entry, [], (id, names) => (stays(id, names, entry) ? id : GONE))
    return left === GONE ? null : (left as Entry)
  })
}

type EntryShape = (typeof bookLists)[number]['entry']

/** The book with every entry as it is made; null: without it. */
function eachEntry(
  book: LimitBook,
  made: (list: string, entry: Entry, at: number, shape: EntryShape) => Entry | null,
): LimitBook {
  const written = book as unknown as WrittenBook
  const lists = bookLists.flatMap(({ list, entry: shape }) =>
    written[list] === undefined
      ? []
      : [[list, entriesOf(written, list).flatMap((entry, at) => made(list, entry, at, shape) ?? [])] as const],
  )
  return { ...written, ...Object.fromEntries(lists) } as unknown as LimitBook
}

const GONE = Symbol('gone')
type Visit = (id: string, names: NamedList, path: Path) => string | typeof GONE

/** A value with every name in it as the visit gives it; GONE where it cannot be without one that is gone. */
function through(shape: Shape, value: unknown, path: Path, visit: Visit): unknown {
  switch (shape.kind) {
    case 'text':
      return shape.names === null || typeof value !== 'string' ? value : visit(value, shape.names, path)
    case 'group':
      return fieldsThrough(shape.fields, value, path, visit)
    case 'oneOf':
      return fieldsThrough(varietyFields(shape, value), value, path, visit)
    case 'wordOr':
      return value === shape.word ? value : through(shape.or, value, path, visit)
    case 'list': {
      if (!Array.isArray(value)) return value
      const left = value.map((one, at) => through(shape.of, one, [...path, at], visit)).filter((one) => one !== GONE)
      return left.length < value.length && left.length < shape.least ? GONE : left
    }
    case 'pair': {
      if (!Array.isArray(value)) return value
      const both = value.map((one, at) => (shape.of[at] ? through(shape.of[at], one, [...path, at], visit) : one))
      return both.includes(GONE) ? GONE : both
    }
    case 'named': {
      if (!isPlainObject(value)) return value
      const all = Object.entries(value).map(([key, one]) => [key, through(shape.of, one, [...path, key], visit)] as const)
      return all.some(([, one]) => one === GONE) ? GONE : Object.fromEntries(all)
    }
    default:
      return value
  }
}

function fieldsThrough(fields: readonly Field[], value: unknown, path: Path, visit: Visit): unknown {
  if (!isPlainObject(value)) return value
  const made: Record<string, unknown> = { ...value }
  for (const { key, shape, empty } of fields) {
    if (made[key] === undefined || made[key] === null) continue
    const left = through(shape, made[key], [...path, key], visit)
    if (left !== GONE) made[key] = left
    else if (empty === 'absent') delete made[key]
    else if (empty === 'null') made[key] = null
    else return GONE
  }
  return made
}
