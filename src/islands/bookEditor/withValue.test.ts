import { expect, test } from 'vitest'
import { withValue } from './withValue'

test.each([
  ['a field', { a: 1, b: 2 }, ['a'], 3, { a: 3, b: 2 }],
  ['a field that is not there yet', { a: 1 }, ['b'], 2, { a: 1, b: 2 }],
  ['a field taken away', { a: 1, b: 2 }, ['a'], undefined, { b: 2 }],
  ['null, which is something', { a: 1 }, ['a'], null, { a: null }],
  ['what leads there is made', {}, ['new', 'source', 'page'], '7', { new: { source: { page: '7' } } }],
  ['where null stood', { stop: null }, ['stop', 'at'], 'notYet', { stop: { at: 'notYet' } }],
  ['an entry of a list', { l: [{ a: 1 }, { a: 2 }] }, ['l', 1, 'a'], 3, { l: [{ a: 1 }, { a: 3 }] }],
  ['an entry taken out', { l: [1, 2, 3] }, ['l', 1], undefined, { l: [1, 3] }],
  ['one behind the last', { l: [1] }, ['l', 1], 2, { l: [1, 2] }],
])('%s', (_, of, path, value, made) => {
  const before = structuredClone(of)
  expect(withValue(of, path, value)).toEqual(made)
  expect(of).toEqual(before)
})

test('what is written back as it was is as it was, in the same order', () => {
  const of = { id: 'a', name: 'A', how: 'so' }
  expect(JSON.stringify(withValue(withValue(of, ['name'], 'B'), ['name'], 'A'))).toBe(JSON.stringify(of))
})
