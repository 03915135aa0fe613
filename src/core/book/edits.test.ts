import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { smallBook } from '../record/smallMachine.fixture'
import { asVariety, blankOf, freeId } from './blank'
import { checkBook } from './checkBook'
import { bothWrote, type Entry, editsBetween, entriesOf, idOf, isNothing, type WrittenBook, withEdits } from './edits'
import { bookLists } from './fields'
import type { Path } from './path'
import { shapeAt } from './shape'

const book = smallBook as unknown as WrittenBook

const inList = (of: WrittenBook, list: string, entries: readonly Entry[]): WrittenBook => ({ ...of, [list]: entries })

/** A book with entries written otherwise, taken out, added and moved. */
const written = fc
  .array(
    fc.tuple(fc.constantFrom(...bookLists.map(({ list }) => list)), fc.nat(20), fc.constantFrom('name', 'out', 'add', 'move')),
    { maxLength: 8 },
  )
  .map((moves) =>
    moves.reduce((made: WrittenBook, [list, at, move], n) => {
      const entries = entriesOf(made, list)
      const place = at % Math.max(1, entries.length)
      const own = entries[place]
      if (move === 'add') return inList(made, list, [...entries, { id: `n-${n}`, name: `New ${n}` }])
      if (!own) return made
      if (move === 'out') return inList(made, list, entries.toSpliced(place, 1))
      if (move === 'name') return inList(made, list, entries.toSpliced(place, 1, { ...own, name: `Other ${n}` }))
      return inList(made, list, [own, ...entries.toSpliced(place, 1)])
    }, book),
  )
const listsOf = (of: WrittenBook) => bookLists.map(({ list }) => entriesOf(of, list))

describe('what is written otherwise', () => {
  test('laid over the book it was written on, it is what was written', () => {
    fc.assert(
      fc.property(written, (now) => {
        const edits = editsBetween(book, now)
        expect(listsOf(withEdits(book, JSON.parse(JSON.stringify(edits))))).toEqual(listsOf(now))
        expect(isNothing(edits)).toBe(JSON.stringify(listsOf(now)) === JSON.stringify(listsOf(book)))
      }),
    )
  })

  test('what two people write in different entries both stands, and what both wrote is told', () => {
    fc.assert(
      fc.property(written, written, (mine, theirs) => {
        const [own, other] = [editsBetween(book, mine), editsBetween(book, theirs)]
        const both = bothWrote(own, other)
        const made = withEdits(theirs, own)
        for (const { list, entries } of other.lists)
          for (const { id, entry } of entries) {
            const isMine = own.lists.some((one) => one.list === list && one.entries.some((of) => of.id === id))
            const stands = entriesOf(made, list).find((of) => idOf(of) === id)
            if (!isMine) expect(stands ?? null).toEqual(entry)
            else if (!both.some((of) => of.list === list && of.id === id)) expect(stands ?? null).toEqual(entry)
          }
      }),
    )
  })
})

describe.each(bookLists.map((of) => [of.list, of] as const))('a new entry of %s', (list, { entry: shape }) => {
  const kinds = shape.kind === 'oneOf' ? shape.of.map(({ value }) => value) : [null]
  test.each(kinds)('as %s is told what it wants, place by place, and nothing else is wrong', (kind) => {
    const blank = (kind !== null && shape.kind === 'oneOf' ? asVariety(shape, null, kind) : blankOf(shape)) as Entry
    const entry = { ...blank, id: 'brand-new' }
    const at = entriesOf(book, list).length
    const { shape: wrong, faults } = checkBook({ ...book, [list]: [...entriesOf(book, list), entry] })
    for (const { path } of [...wrong, ...faults]) expect(path.slice(0, 2)).toEqual([list, at])
    // No field is there that the book does not know.
    expect(wrong.filter(({ issue }) => issue.code === 'unrecognized_keys')).toEqual([])
  })
})

test('an entry that becomes something else keeps what both can say', () => {
  const fits = bookLists.find(({ list }) => list === 'fits')?.entry
  if (fits?.kind !== 'oneOf') throw new Error('Fits are of many kinds.')
  const seat = asVariety(fits, { id: 'f', name: 'Seat', mendOn: 'shaft', bore: 'b', journal: 'j' }, 'bearingOnShaft')
  expect(seat).toMatchObject({ kind: 'bearingOnShaft', id: 'f', name: 'Seat', mendOn: 'shaft', seat: '' })
  expect(seat).not.toHaveProperty('bore')
})

test('ids are free, and made of the name', () => {
  expect(freeId('Journal Ø, drive side', new Set())).toBe('journal-drive-side')
  expect(freeId('Key', new Set(['key', 'key-2']))).toBe('key-3')
  expect(freeId('Ø', new Set())).toBe('x')
})

test('what a field names is told apart from what it only says', () => {
  const namedAt = (list: string, entry: Entry, path: Path) => {
    const own = bookLists.find((one) => one.list === list)?.entry
    const shape = own && shapeAt(own, entry, path)
    return shape?.kind === 'text' ? shape.names : undefined
  }
  expect(namedAt('findingRules', {}, ['part'])).toBe('parts')
  expect(namedAt('fits', { kind: 'float' }, ['part'])).toBe('characteristics')
  expect(namedAt('procedure', {}, ['removes', 0])).toBe('positions')
  expect(namedAt('parts', {}, ['position'])).toBeNull()
  const formula = { limitsBy: [{ depends: { kind: 'formula' } }] }
  expect(namedAt('characteristics', formula, ['limitsBy', 0, 'depends', 'names', 'D'])).toBe('characteristics')
  // What is not written so far names nothing yet.
  expect(namedAt('fits', {}, ['part'])).toBeUndefined()
})
