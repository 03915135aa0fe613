import { expect, test } from 'vitest'
import { partAbove, sameTarget } from './dropTarget'

const lying = [
  { id: 'cap', middle: 20 },
  { id: 'dowels', middle: 54 },
  { id: 'guard', middle: 88 },
]

test.each([
  { y: 5, own: 'x', after: null },
  { y: 20, own: 'x', after: null },
  { y: 21, own: 'x', after: 'cap' },
  { y: 60, own: 'x', after: 'dowels' },
  { y: 60, own: 'dowels', after: 'cap' },
  { y: 400, own: 'x', after: 'guard' },
  { y: 400, own: 'guard', after: 'dowels' },
])('let go at $y, $own lies after $after', ({ y, own, after }) => {
  expect(partAbove(lying, y, own)).toBe(after)
})

test.each([
  [null, null, true],
  [null, { kind: 'machine' }, false],
  [{ kind: 'machine' }, { kind: 'machine' }, true],
  [{ kind: 'machine' }, { kind: 'tray', tray: 'Tray 1', after: null }, false],
  [{ kind: 'tray', tray: 'Tray 1', after: null }, { kind: 'tray', tray: 'Tray 1', after: null }, true],
  [{ kind: 'tray', tray: 'Tray 1', after: 'cap' }, { kind: 'tray', tray: 'Tray 1', after: null }, false],
  [{ kind: 'tray', tray: 'Tray 1', after: 'cap' }, { kind: 'tray', tray: 'Tray 2', after: 'cap' }, false],
] as const)('%j and %j are the same place: %s', (one, other, same) => {
  expect(sameTarget(one, other)).toBe(same)
  expect(sameTarget(other, one)).toBe(same)
})
