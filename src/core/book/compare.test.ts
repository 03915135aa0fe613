import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { smallBook } from '../record/smallMachine.fixture'
import { bookSchema, type LimitBook } from './bookSchema'
import { compareBooks } from './compare'

const book = bookSchema.parse(smallBook)
const [first] = book.characteristics
if (!first?.limits[0]) throw new Error('the small machine has a limit')
const limit = first.limits[0]
const withFirst = (over: Partial<typeof first>): LimitBook => ({
  ...book,
  characteristics: book.characteristics.map((one) => (one === first ? { ...first, ...over } : one)),
})

describe('two revisions', () => {
  test.each<[string, LimitBook, object[]]>([
    ['that are one', book, []],
    [
      'one of which is marked as typed',
      withFirst({ limits: first.limits.map((one) => ({ ...one, typed: { by: 'A', at: '', check: null } })) }),
      [],
    ],
    [
      'with another wear limit, called otherwise',
      withFirst({ limits: [{ ...limit, id: 'sheet-1', wear: limit.wear + 1 }, ...first.limits.slice(1)] }),
      [{ list: 'limits', kind: 'changed', name: first.name, fields: [{ path: ['wear'], from: limit.wear, to: limit.wear + 1 }] }],
    ],
    ['one without a limit', withFirst({ limits: first.limits.slice(1) }), [{ list: 'limits', kind: 'gone', of: first.id }]],
    [
      'with another name',
      withFirst({ name: 'Else' }),
      [{ list: 'characteristics', kind: 'changed', fields: [{ path: ['name'], to: 'Else' }] }],
    ],
    [
      'one with a document more',
      { ...book, documents: [...book.documents, { id: 'N', title: 'New', revision: '' }] },
      [{ list: 'documents', kind: 'added', name: 'New' }],
    ],
  ])('%s', (_, other, changes) => {
    expect(compareBooks(book, other)).toMatchObject(changes)
    expect(compareBooks(book, other)).toHaveLength(changes.length)
  })

  test('the other way round it is the same, the other way round', () => {
    const parts = fc.subarray([...book.parts])
    fc.assert(
      fc.property(parts, parts, (a, b) => {
        const there = compareBooks({ ...book, parts: a }, { ...book, parts: b })
        const back = compareBooks({ ...book, parts: b }, { ...book, parts: a })
        const turned = { added: 'gone', gone: 'added', changed: 'changed' } as const
        const said = (of: typeof there) => new Set(of.map(({ list, id, kind }) => `${list} ${id} ${kind}`))
        expect(said(back)).toEqual(said(there.map((one) => ({ ...one, kind: turned[one.kind] }))))
      }),
      { seed: 3, numRuns: 60 },
    )
  })
})
