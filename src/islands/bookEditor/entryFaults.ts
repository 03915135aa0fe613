import type { BookLine } from '../../core/words/bookFile'

/** What is wrong with the entries of a list, by their ids. */
export type EntryFaults = ReadonlyMap<string, readonly BookLine[]>

/** What is wrong, by list and entry; each with its way from the entry on. */
export function byEntry(lines: readonly BookLine[], book: Readonly<Record<string, unknown>>): ReadonlyMap<string, EntryFaults> {
  const made = new Map<string, Map<string, BookLine[]>>()
  for (const { path, says } of lines) {
    const [list, at, ...rest] = path
    if (typeof list !== 'string' || typeof at !== 'number') continue
    const entry = (book[list] as readonly unknown[] | undefined)?.[at] as { readonly id?: unknown } | undefined
    const id = String(entry?.id ?? '')
    const own = made.get(list) ?? new Map<string, BookLine[]>()
    own.set(id, [...(own.get(id) ?? []), { path: rest, says }])
    made.set(list, own)
  }
  return made
}
