import { expect, test } from 'vitest'
import { everyMethod } from '../../../core/method/everyMethod.fixture'
import { layoutOf, slotKey, slotsOf } from '../../../core/method/layout'
import type { Method } from '../../../core/method/method'
import { repeatsShown, type Sheet, sheetOf, takenKeys, valuesOf } from './sheet'

const placesOf = (sheet: Sheet) =>
  sheet.kind === 'flow'
    ? sheet.groups.flatMap(({ cells }) => cells.map(({ slot }) => slot))
    : sheet.rows.flatMap(({ cells }) => cells.flatMap((slot) => slot ?? []))

test.each(Object.values(everyMethod) as Method[])('$kind: each place that is read has one cell, and a name', (method) => {
  const sheet = sheetOf(method, 1)
  const keys = placesOf(sheet).map(slotKey)
  expect(keys.toSorted()).toEqual(slotsOf(method).map(slotKey).toSorted())
  if (sheet.kind === 'table') for (const { cells } of sheet.rows) expect(cells).toHaveLength(sheet.columns.length)
  const heads = sheet.kind === 'flow' ? sheet.groups.map(({ cells }) => cells.map(({ head }) => head)) : [sheet.columns]
  for (const own of heads) expect(new Set(own).size).toBe(own.length)
})

test.each(Object.values(everyMethod).filter((method) => layoutOf(method).moreRepeats) as Method[])(
  '$kind: a repeat more than asked for has its cell',
  (method) => {
    const least = layoutOf(method).repeats
    const more = placesOf(sheetOf(method, least + 1)).length
    expect(more).toBeGreaterThan(placesOf(sheetOf(method, least)).length)
  },
)

test('as many repeats are shown as were taken, and the one being read', () => {
  const slot = { station: 'A', direction: '1' }
  expect(repeatsShown([], { ...slot, repeat: 1 })).toBe(1)
  expect(repeatsShown([{ ...slot, repeat: 4 }], { ...slot, repeat: 2 })).toBe(4)
  expect(repeatsShown([{ ...slot, repeat: 2 }], { ...slot, repeat: 3 })).toBe(3)
})

test('a place is taken as a whole and by its repeat; a bound is no figure to draw', () => {
  const slot = { station: 'A', direction: '1', repeat: 2 }
  expect([...takenKeys([slot])]).toEqual(['A/1', 'A/1/2'])
  expect([
    ...valuesOf([
      { ...slot, value: 5 },
      { ...slot, repeat: 3, value: null },
    ]),
  ]).toEqual([['A/1/2', 5]])
})
