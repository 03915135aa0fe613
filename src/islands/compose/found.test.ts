import { expect, test } from 'vitest'
import { foundBy, freeNames } from './found'

test.each([
  ['gear', ['gearPair', 'gearCase', 'generalPart']],
  ['BUSH', ['solidBush', 'generalPart']],
  ['white metal', ['splitSleeveBearing', 'generalPart']],
  // Whatever is typed, there is something to choose.
  ['flux capacitor', ['generalPart']],
])('“%s” finds %j', (words, ids) => {
  const { found, others } = foundBy(words)
  expect(found.map(({ id }) => id)).toEqual(expect.arrayContaining(ids))
  expect(found.length + others.length).toBe(foundBy('').found.length)
})

test.each<[number, readonly string[], readonly string[]]>([
  [1, [], ['Bearing']],
  [1, ['bearing'], ['Bearing 1']],
  [1, ['bearing 1', 'bearing 2'], ['Bearing 3']],
  [3, ['bearing 2'], ['Bearing 1', 'Bearing 3', 'Bearing 4']],
])('%i more, beside %j: %j', (count, taken, names) => {
  expect(freeNames('Bearing', count, new Set(taken))).toEqual(names)
})
