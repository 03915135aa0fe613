import { isPlainObject } from '../base/plainObject'

/** What is written otherwise in one list of a book: entries by their id, null: taken out; the order, where that is another. */
export interface ListEdit {
  readonly list: string
  readonly entries: readonly { readonly id: string; readonly entry: Entry | null }[]
  readonly order: readonly string[] | null
}

export interface BookEdits {
  /** Fields of the book itself. */
  readonly about: { readonly title?: string | undefined; readonly currency?: string | undefined }
  readonly lists: readonly ListEdit[]
}

export type Entry = Readonly<Record<string, unknown>>
/** A book as it is being written: its lists may hold what no book can hold yet. */
export type WrittenBook = Readonly<Record<string, unknown>>

export const entriesOf = (book: WrittenBook, list: string): readonly Entry[] =>
  (Array.isArray(book[list]) ? (book[list] as readonly unknown[]) : []).filter(isPlainObject)

export const idOf = (entry: Entry): string => String(entry.id ?? '')

/** Lists of entries that one of them has. */
const listsOf = (...books: readonly WrittenBook[]): readonly string[] => [
  ...new Set(books.flatMap((book) => Object.keys(book).filter((key) => entriesOf(book, key).some(({ id }) => id !== undefined)))),
]

const ABOUT = ['title', 'currency'] as const

/** What `now` says otherwise than `before`; entries are told apart by their ids. */
export function editsBetween(before: WrittenBook, now: WrittenBook): BookEdits {
  const about = Object.fromEntries(ABOUT.flatMap((key) => (before[key] === now[key] ? [] : [[key, String(now[key] ?? '')]])))
  const lists = listsOf(before, now).flatMap((list): ListEdit[] => {
    if (before[list] === now[list]) return []
    const [was, is] = [entriesOf(before, list), entriesOf(now, list)]
    const old = new Map(was.map((entry) => [idOf(entry), entry]))
    const left = new Set(is.map(idOf))
    const entries = [
      ...is.filter((entry) => !isSame(old.get(idOf(entry)), entry)).map((entry) => ({ id: idOf(entry), entry })),
      ...was.filter((entry) => !left.has(idOf(entry))).map((entry) => ({ id: idOf(entry), entry: null })),
    ]
    const order = is.map(idOf)
    const usual = [...was.map(idOf).filter((id) => left.has(id)), ...order.filter((id) => !old.has(id))]
    const isMoved = usual.some((id, at) => order[at] !== id)
    return entries.length === 0 && !isMoved ? [] : [{ list, entries, order: isMoved ? order : null }]
  })
  return { about, lists }
}

const isSame = (a: Entry | undefined, b: Entry): boolean => a === b || JSON.stringify(a) === JSON.stringify(b)

export const isNothing = ({ about, lists }: BookEdits): boolean => lists.length === 0 && Object.keys(about).length === 0

/** The book with its edits: what it has besides stays as it is. */
export function withEdits(book: WrittenBook, { about, lists }: BookEdits): WrittenBook {
  const made: Record<string, unknown> = { ...book, ...about }
  for (const { list, entries, order } of lists) {
    const own = new Map(entriesOf(made, list).map((entry) => [idOf(entry), entry]))
    for (const { id, entry } of entries)
      if (entry === null) own.delete(id)
      else own.set(id, entry)
    const place = new Map((order ?? []).map((id, at) => [id, at]))
    const last = place.size
    made[list] = [...own.values()].sort(
      order === null ? () => 0 : (a, b) => (place.get(idOf(a)) ?? last) - (place.get(idOf(b)) ?? last),
    )
  }
  return made
}

/** Entries that both have written otherwise since `before`, and not alike: whoever comes second chooses. */
export function bothWrote(mine: BookEdits, theirs: BookEdits): readonly { readonly list: string; readonly id: string }[] {
  return mine.lists.flatMap(({ list, entries }) => {
    const other = theirs.lists.find((one) => one.list === list)
    return entries.flatMap(({ id, entry }) => {
      const same = other?.entries.find((one) => one.id === id)
      return same && JSON.stringify(same.entry) !== JSON.stringify(entry) ? [{ list, id }] : []
    })
  })
}
