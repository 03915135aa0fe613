/** Every field that says which entries it names is held to entries that are there, and follows them when a part of a machine is copied. */
import { describe, expect, test } from 'vitest'
import { bookSchema, type LimitBook } from '../src/core/book/bookSchema'
import { type Entry, entriesOf, type WrittenBook } from '../src/core/book/edits'
import { faultsOf } from '../src/core/book/faults'
import { bookLists } from '../src/core/book/fields'
import type { Path } from '../src/core/book/path'
import { type Shape, shapeAt } from '../src/core/book/shape'
import { assemblies } from '../src/core/kit/assemblies'
import { compose } from '../src/core/kit/compose'
import { emptyComposition } from '../src/core/kit/composition'
import { copied } from '../src/core/kit/copied'
import { figuresOf } from '../src/core/kit/everyAssembly.fixture'
import { takenOut } from '../src/core/kit/takenOut'
import larkhollow from './larkhollow/book.json'
import motion from './larkhollow/motion/book.json'
import quillmere from './quillmere/book.json'
import gates from './quillmere/gates/book.json'
import pump from './quillmere/pump/book.json'

interface NamedAt {
  readonly list: string
  readonly at: number
  readonly path: Path
  readonly id: string
}

/** Every place of a book where an entry is named, by what its schema says of the field. */
function namedIn(book: LimitBook): readonly NamedAt[] {
  const written = book as unknown as WrittenBook
  return bookLists.flatMap(({ list, entry: shape }) =>
    entriesOf(written, list).flatMap((entry, at) =>
      textsIn(entry, []).flatMap(({ path, text }) => (isNamed(shape, entry, path) ? [{ list, at, path, id: text }] : [])),
    ),
  )
}
function isNamed(shape: Shape, entry: Entry, path: Path): boolean {
  const own = shapeAt(shape, entry, path)
  return own?.kind === 'text' && own.names !== null
}
function textsIn(value: unknown, path: Path): readonly { readonly path: Path; readonly text: string }[] {
  if (typeof value === 'string') return [{ path, text: value }]
  if (value === null || typeof value !== 'object') return []
  const steps = Array.isArray(value) ? value.map((one, at) => [at, one] as const) : Object.entries(value)
  return steps.flatMap(([step, one]) => textsIn(one, [...path, step]))
}

/** The same book with something else at one place. */
function withText(book: LimitBook, { list, at, path }: NamedAt, text: string): LimitBook {
  const made = structuredClone(book) as unknown as Record<string, unknown>
  let holder: unknown = made
  for (const step of [list, at, ...path.slice(0, -1)]) holder = (holder as Record<string | number, unknown>)[step]
  ;(holder as Record<string | number, unknown>)[path.at(-1) as string | number] = text
  return made as unknown as LimitBook
}

const written = [larkhollow, motion, quillmere, gates, pump].map((book) => [book.id, bookSchema.parse(book)] as const)
const composed = assemblies.map((assembly) => {
  const named = { assembly: assembly.id, names: ['Unit one'], into: null, answers: figuresOf(assembly) }
  const made = compose(emptyComposition('m', assembly.name), named, 'metric')
  if (!made.ok) throw new Error(made.fault.code)
  return [assembly.id, made.value] as const
})

describe.each([...written, ...composed])('%s', (_, book) => {
  test('names nothing that is not there without being told', () => {
    expect(faultsOf(book)).toEqual([])
    const seen = new Set<string>()
    for (const place of namedIn(book)) {
      // One of each field is enough: entries of a list are held alike.
      const field = `${place.list} ${place.path.filter((step) => typeof step === 'string').join('.')}`
      if (seen.has(field)) continue
      seen.add(field)
      expect([field, faultsOf(withText(book, place, 'nowhere')).length > 0]).toEqual([field, true])
    }
    expect(seen.size).toBeGreaterThan(5)
  })
})

test.each(composed)('%s names nothing that was taken out of it, whichever position that was', (_, book) => {
  for (const { id } of book.positions) expect([id, faultsOf(takenOut(book, id))]).toEqual([id, []])
})

describe.each(composed)('%s, copied', (_, book) => {
  test('names its own entries, never those that it was copied from', () => {
    const twice = copied(book, 'unit-one', ['Unit two'])
    expect(faultsOf(twice)).toEqual([])
    const isCopy = (id: string): boolean => id.startsWith('unit-two')
    const strangers = namedIn(twice).filter(({ list, at, id }) => {
      const entry = entriesOf(twice as unknown as WrittenBook, list)[at]
      return entry !== undefined && isCopy(String(entry.id)) && id.startsWith('unit-one')
    })
    expect(strangers).toEqual([])
  })
})
