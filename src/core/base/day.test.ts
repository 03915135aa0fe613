import fc from 'fast-check'
import { expect, test } from 'vitest'
import { dayAfter, daysBetween } from './day'

test.each([
  ['2026-11-27', '2026-11-27', 0],
  ['2026-11-27', '2026-12-01', 4],
  ['2024-02-28', '2024-03-01', 2],
  ['2026-03-28', '2026-03-30', 2], // clocks are put on between
  ['2027-01-01', '2026-12-31', -1],
])('from %s to %s are %i days', (from, to, days) => {
  expect(daysBetween(from, to)).toBe(days)
  expect(dayAfter(from, days)).toBe(to)
})

test('going on and counting back agree', () => {
  fc.assert(
    fc.property(fc.integer({ min: -20_000, max: 20_000 }), fc.integer({ min: -4000, max: 4000 }), (start, days) => {
      const from = dayAfter('2000-01-01', start)
      expect(daysBetween(from, dayAfter(from, days))).toBe(days)
    }),
  )
})
