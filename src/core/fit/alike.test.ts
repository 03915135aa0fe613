import { expect, test } from 'vitest'
import { equalPartsWithout, sistersIn, withOneMoreAlike } from './alike'
import { MAX_PLACES } from './equalPartsBounds'
import type { EqualParts } from './equalPartsSchema'

const source = { document: 'D1', page: '3' }
const alike = (places: string[], unlike?: string[]): EqualParts => ({
  kind: 'alike',
  id: 'liners',
  name: 'Liners',
  places,
  source,
  ...(unlike ? { unlike } : {}),
})
const rotation: EqualParts = { kind: 'rotation', id: 'stems', name: 'Stems', places: ['a', 'x'], source }
const pairing: EqualParts = {
  kind: 'pairing',
  id: 'boxes',
  name: 'Boxes',
  bores: ['a', 'b'],
  journals: ['c', 'd'],
  targetMm: 0.2,
  leastMm: 0.1,
  greatestMm: 0.3,
  source,
}

const sisters: readonly [what: string, sets: EqualParts[], of: string, are: string[]][] = [
  ['the other places of its set', [alike(['a', 'b', 'c'])], 'a', ['b', 'c']],
  ['nothing a book does not name', [alike(['a', 'b'])], 'z', []],
  ['of two sets, both', [alike(['a', 'b']), rotation], 'a', ['b', 'x']],
  ['not what is named as unlike', [alike(['a', 'b', 'c'], ['c'])], 'a', ['b']],
  ['none for what is named as unlike, in whatever set', [alike(['a', 'b'], ['a']), rotation], 'a', []],
  ['nothing of pairs: a bore tells nothing of a journal', [pairing], 'a', []],
]
test.each(sisters)('%s', (_what, sets, of, are) => {
  expect([...(sistersIn(sets).get(of) ?? [])]).toEqual(are)
})

const without: readonly [what: string, set: EqualParts, gone: string, left: EqualParts | null][] = [
  ['equal places are fewer', alike(['a', 'b', 'c']), 'b', alike(['a', 'c'])],
  ['one alone is none', alike(['a', 'b']), 'b', null],
  ['what was unlike goes too', alike(['a', 'b', 'c'], ['c']), 'c', alike(['a', 'b'])],
  ['a place that is gone ends a rotation', rotation, 'x', null],
  ['and a pairing', pairing, 'd', null],
  ['what is not in it changes nothing', pairing, 'z', pairing],
]
test.each(without)('without a place: %s', (_what, set, gone, left) => {
  expect(equalPartsWithout(set, (id) => id !== gone)).toEqual(left)
})

test('one more of a kind joins the set of the first, or makes one with it', () => {
  const first = withOneMoreAlike([rotation], { id: 'b', name: 'Bore' }, 'b.2')
  expect(first).toEqual([rotation, { kind: 'alike', id: 'alike-2', name: 'Bore', places: ['b', 'b.2'], source: null }])
  expect(withOneMoreAlike(first, { id: 'b.2', name: 'Bore' }, 'b.3')[1]).toMatchObject({ places: ['b', 'b.2', 'b.3'] })
})

test('one more of what is unlike is unlike, a full set takes no more, and no id is given twice', () => {
  expect(withOneMoreAlike([alike(['a', 'b'], ['b'])], { id: 'b', name: 'Bore' }, 'b.2')).toEqual([
    alike(['a', 'b', 'b.2'], ['b', 'b.2']),
  ])
  const full = [alike(Array.from({ length: MAX_PLACES }, (_, at) => `p${at}`))]
  expect(withOneMoreAlike(full, { id: 'p0', name: 'Bore' }, 'more')).toEqual(full)
  const taken = [{ ...alike(['a', 'b']), id: 'alike-2' }]
  expect(withOneMoreAlike(taken, { id: 'z', name: 'Bore' }, 'z.2').map(({ id }) => id)).toEqual(['alike-2', 'alike-3'])
})
