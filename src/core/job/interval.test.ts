import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type HoursAt, intervalUsed, pacePerDay } from './interval'

const log: readonly HoursAt[] = [
  { on: '2023-01-01', hours: 10_000 },
  { on: '2025-12-01', hours: 20_000 },
  { on: '2026-11-26', hours: 23_600 },
]

test('the pace is that of the last year', () => {
  expect(pacePerDay(log)).toBe(10)
  expect(pacePerDay(log.slice(0, 1))).toBeNull()
  expect(pacePerDay([])).toBeNull()
  // A week says nothing; what came before does.
  expect(pacePerDay([...log.slice(0, 2), { on: '2025-12-05', hours: 20_100 }])).toBeCloseTo(10_100 / 1069, 9)
  expect(pacePerDay([log[2] as HoursAt, { on: '2026-12-30', hours: 23_600 }])).toBeNull()
})

test('the meter is taken on to today, and says when the interval is used up', () => {
  const last = { hours: 20_000, mustRun: 4000 }
  expect(intervalUsed(log, last, '2026-11-26')).toEqual({ since: 3600, used: 0.9, left: 400, dueOn: '2027-01-05' })
  expect(intervalUsed(log, last, '2026-12-06')).toEqual({ since: 3700, used: 0.925, left: 300, dueOn: '2027-01-05' })
  expect(intervalUsed(log, { hours: 19_000, mustRun: 4000 }, '2026-11-26')).toMatchObject({ left: -600, dueOn: '2026-09-27' })
})

test('what is not known is not said', () => {
  expect(intervalUsed(log, null, '2026-11-26')).toBeNull()
  expect(intervalUsed([], { hours: 0, mustRun: 100 }, '2026-11-26')).toBeNull()
  expect(intervalUsed(log, { hours: 20_000, mustRun: 0 }, '2026-11-26')).toBeNull()
  expect(intervalUsed(log.slice(2), { hours: 20_000, mustRun: 4000 }, '2026-11-26')?.dueOn).toBeNull()
  expect(
    intervalUsed([...log.slice(0, 2), { on: 'no day', hours: 21_000 }], { hours: 20_000, mustRun: 4000 }, '2026-11-26')?.dueOn,
  ).toBeNull()
})

describe('properties', () => {
  const hours = fc.integer({ min: 0, max: 100_000 })
  test('more hours on the meter never leave more of the interval', () => {
    fc.assert(
      fc.property(hours, hours, fc.integer({ min: 1, max: 40_000 }), (a, b, mustRun) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)]
        const used = (now: number) => intervalUsed([{ on: '2026-01-01', hours: now }], { hours: 0, mustRun }, '2026-01-01')
        expect(used(more)?.used ?? 0).toBeGreaterThanOrEqual(used(less)?.used ?? 0)
        expect(used(more)?.left ?? 0).toBeLessThanOrEqual(used(less)?.left ?? 0)
      }),
      { seed: 14 },
    )
  })
})
