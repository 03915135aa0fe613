/** Every book of the demo and of the kit as a spreadsheet, and back. */
import { describe, expect, test } from 'vitest'
import { bookSchema, type LimitBook } from '../src/core/book/bookSchema'
import { checkBook } from '../src/core/book/checkBook'
import { bookFromSheets } from '../src/core/bookSheets/fromSheets'
import { sheets } from '../src/core/bookSheets/sheets'
import { bookAsSheets } from '../src/core/bookSheets/toSheets'
import { assemblies } from '../src/core/kit/assemblies'
import { compose } from '../src/core/kit/compose'
import { emptyComposition } from '../src/core/kit/composition'
import { figuresOf } from '../src/core/kit/everyAssembly.fixture'
import type { UnitSystem } from '../src/core/quantity/unitSystem'
import { sheetNames } from '../src/core/words/bookSheets'
import larkhollow from './larkhollow/book.json'
import motion from './larkhollow/motion/book.json'
import quillmere from './quillmere/book.json'
import gates from './quillmere/gates/book.json'
import pump from './quillmere/pump/book.json'
import { tarnEnd } from './tarnEnd/station'

const written: readonly (readonly [string, LimitBook, UnitSystem])[] = [
  ...[larkhollow, motion].map((book) => [book.id, bookSchema.parse(book), 'inch'] as const),
  ...[quillmere, gates, pump].map((book) => [book.id, bookSchema.parse(book), 'metric'] as const),
  ...tarnEnd.map(({ book, machine }) => [machine.name, bookSchema.parse(book), machine.units] as const),
]
const composed = (['metric', 'inch'] as const).flatMap((system) =>
  assemblies.map((assembly) => {
    const named = { assembly: assembly.id, names: [assembly.one], into: null, answers: figuresOf(assembly) }
    const made = compose(emptyComposition('m', assembly.name), named, system)
    if (!made.ok) throw new Error(made.fault.code)
    return [`${assembly.id}, ${system}`, bookSchema.parse(made.value), system] as const
  }),
)

/** A book in which places have an order, a part belongs to two assemblies, and one of equal places is unlike the others. */
const shared = (() => {
  const [, book] = composed[0] ?? []
  const [first, second, third] = book?.characteristics ?? []
  if (!book || !first || !second || !third) throw new Error('an assembly measures three things')
  return bookSchema.parse({
    ...book,
    parts: book.parts.map((part, at) => (at === 0 ? { ...part, alsoIn: ['Gland, free side', 'Frame'] } : part)),
    positions: book.positions.map((one, at) => ({ ...one, along: { order: at + 1, ...(at > 1 ? { side: 'drive side' } : {}) } })),
    equalParts: [
      { kind: 'alike', id: 'of-one', name: 'Of one', places: [first.id, second.id, third.id], unlike: [third.id], source: null },
    ],
  })
})()

describe.each([...written, ...composed, ['places in an order', shared, 'metric'] as const])('%s', (_, book, system) => {
  test('comes back from its sheets as it was, and from JSON', () => {
    const read = bookFromSheets(bookAsSheets(book, system, sheetNames), sheetNames)
    expect(read.faults).toEqual([])
    expect(read.system).toBe(system)
    expect(checkBook(read.file)).toMatchObject({ shape: [], faults: [] })
    expect(bookSchema.parse(read.file)).toEqual(book)
    expect(bookSchema.parse(JSON.parse(JSON.stringify(book)))).toEqual(book)
  })
})

test('what has a column stands in it, not in the further fields', () => {
  const further = [...written, ...composed].flatMap(([, book, system]) =>
    bookAsSheets(book, system, sheetNames).flatMap(({ name, rows: [header = [], ...rows] }) => {
      const at = header.indexOf('Further')
      return at < 0 ? [] : rows.flatMap((row) => (row[at] ? [`${name}: ${row[at]}`] : []))
    }),
  )
  // What is rare and has no column of its own: a shrink fit with its heat, one direction of a strip, an empty list.
  const rare =
    /"heating"|"typed"|"shares"|"points":\[\{"id":"[^"]+","label":"[^"]+","least"|"direction":|"wants":\[\]|"showTo"|"otherGauges"|"limitsBy"|"closed"|"perRow"|"growth"|"stock"|"stated"|"only"|"shop"|"sides"/
  expect(further.filter((line) => !rare.test(line))).toEqual([])
})

test('what two ways to know a thing may differ by stands in the units of the book, as every figure', () => {
  const [, book] = written.find(([, one]) => (one.crossChecks ?? []).some(({ quantity }) => quantity === 'length')) ?? []
  if (!book) throw new Error('No book knows a length twice.')
  const cellOf = (system: UnitSystem) => {
    const [header = [], ...rows] = bookAsSheets(book, system, sheetNames).find(({ name }) => name === 'Cross-checks')?.rows ?? []
    const at = (book.crossChecks ?? []).findIndex(({ quantity }) => quantity === 'length')
    return rows[at]?.[header.indexOf('Within')]
  }
  const within = (book.crossChecks ?? []).find(({ quantity }) => quantity === 'length')?.within
  expect(cellOf('metric')).toBe(within)
  expect([`${within} mm`, Number(((within ?? 0) / 25.4).toFixed(6))]).toContain(cellOf('inch'))
})

test('each column of a sheet has a name of its own, in words', () => {
  for (const { id, columns } of sheets) {
    const names = columns.map(({ key }) => sheetNames.header(id, key))
    expect(new Set(names.map((name) => name.toLowerCase())).size, id).toBe(names.length)
    expect(names.filter((name) => /[a-z][A-Z]|\./.test(name))).toEqual([])
  }
})
