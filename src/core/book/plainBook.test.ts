import { expect, test } from 'vitest'
import { smallBook } from '../record/smallMachine.fixture'
import { bookSchema, type LimitBook } from './bookSchema'
import { asTypedBy, withoutMarks } from './plainBook'

const book = bookSchema.parse(smallBook)
const [first] = book.characteristics
if (!first?.limits[0]) throw new Error('the small machine has a limit')
const WHO = { by: 'Ann', at: '2026-11-28T10:00:00Z' }
const withFirst = (over: Partial<typeof first>): LimitBook => ({
  ...book,
  characteristics: book.characteristics.map((one) => (one === first ? { ...first, ...over } : one)),
})
const marked = (of: LimitBook) => of.characteristics.find(({ id }) => id === first.id)?.limits.map(({ typed }) => typed?.check)

test.each<[string, LimitBook, boolean]>([
  ['as it stands', book, false],
  ['with another name and instruction', withFirst({ name: 'Else', how: 'Otherwise' }), false],
  ['judged by another new size', withFirst({ new: first.new && { ...first.new, upper: first.new.upper + 1 } }), true],
  ['no more marked for safety', withFirst({ safety: !first.safety }), true],
  ['read with another gauge', withFirst({ gaugeKind: first.gaugeKind === 'caliper' ? 'rule' : 'caliper' }), true],
])('a limit that was agreed, of a measurement %s', (_, other, waits) => {
  expect(marked(asTypedBy(other, WHO, book))?.every((check) => check === (waits ? null : undefined))).toBe(true)
})

test('of a book that nobody knows every limit waits, and an issued one carries no marks', () => {
  const typed = asTypedBy(book, WHO, null)
  expect(marked(typed)?.every((check) => check === null)).toBe(true)
  expect(withoutMarks(typed)).toEqual(book)
})
