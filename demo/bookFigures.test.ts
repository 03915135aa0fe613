/** Every figure of every book of the demo, as the editor and the spreadsheet write it: read again, it is the same to the last digit. */
import { describe, expect, test } from 'vitest'
import { bookSchema } from '../src/core/book/bookSchema'
import { type Entry, entriesOf, type WrittenBook } from '../src/core/book/edits'
import { bookLists, quantityAt } from '../src/core/book/fields'
import type { Path } from '../src/core/book/path'
import { figureText, readFigure } from '../src/core/quantity/figureText'
import larkhollow from './larkhollow/book.json'
import quillmere from './quillmere/book.json'
import gates from './quillmere/gates/book.json'
import { tarnEnd } from './tarnEnd/station'

const figuresIn = (value: unknown, path: Path): readonly { readonly path: Path; readonly value: number }[] => {
  if (typeof value === 'number') return [{ path, value }]
  if (Array.isArray(value)) return value.flatMap((one, at) => figuresIn(one, [...path, at]))
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, one]) => figuresIn(one, [...path, key]))
}
const books: readonly WrittenBook[] = [
  ...[larkhollow, quillmere, gates].map((book) => bookSchema.parse(book) as unknown as WrittenBook),
  ...tarnEnd.map(({ book }) => book as unknown as WrittenBook),
]

describe.each(books.map((book) => [String(book.id), book] as const))('%s', (_, book) => {
  test.each(['metric', 'inch'] as const)('in %s units', (system) => {
    const all = bookLists.flatMap(({ list }) =>
      entriesOf(book, list).flatMap((entry: Entry) => figuresIn(entry, []).map((figure) => ({ list, entry, ...figure }))),
    )
    expect(all.length).toBeGreaterThan(0)
    for (const { list, entry, path, value } of all) {
      const quantity = quantityAt(list, entry, path)
      const read = readFigure(figureText(value, quantity, system), quantity, system)
      expect([list, entry.id, path, read]).toEqual([list, entry.id, path, { ok: true, value }])
    }
  })
})
