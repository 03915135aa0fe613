import { describe, expect, test } from 'vitest'
import type { Limit } from '../limit/limit'
import { limitOn } from '../limit/limit.fixture'
import { point } from '../quantity/interval'
import { lastsOf, type SisterSpread, type TrendInput, trendOf } from './forecast'
import { type LinePoint, rateOf } from './wearLine'

const points = (...pairs: [number, number][]): LinePoint[] =>
  pairs.map(([runningHours, value]) => ({
    overhaul: `${runningHours}`,
    date: '2020-01-01',
    runningHours,
    value,
    uncertainty: 0.002,
  }))

const rates: { name: string; line: LinePoint[]; perThousand: number | null }[] = [
  { name: 'two points', line: points([0, 10], [4000, 10.02]), perThousand: 0.005 },
  // By hand: hours −1, 0, 1 (thousands), values 1, 2, 6 → slope (−1·1 + 1·6) / 2 = 2.5
  { name: 'three points by least squares', line: points([1000, 1], [2000, 2], [3000, 6]), perThousand: 2.5 },
  { name: 'the order of the points does not matter', line: points([3000, 6], [1000, 1], [2000, 2]), perThousand: 2.5 },
  { name: 'a journal gets smaller', line: points([0, 220], [8000, 219.98]), perThousand: -0.0025 },
  { name: 'one point has no rate', line: points([0, 10]), perThousand: null },
  { name: 'no points have no rate', line: [], perThousand: null },
  { name: 'points at the same hours have no rate', line: points([100, 1], [100, 2]), perThousand: null },
]
test.each(rates)('$name', ({ line, perThousand }) => {
  const rate = rateOf(line)
  if (perThousand === null) expect(rate).toBeNull()
  else expect(rate?.perThousandHours).toBeCloseTo(perThousand, 12)
})

const limit = (side: Limit['side'], wear: number): Limit => limitOn('maximum', side, wear, { id: side })
const input = (line: LinePoint[], over: Partial<TrendInput> & { sisters?: SisterSpread } = {}): TrendInput => {
  const now = line.at(-1)
  if (!now) throw new Error('a line has a point')
  return {
    earlier: line.slice(0, -1),
    now: { ...now, value: point(now.value) },
    atHours: now.runningHours + 8000,
    sisters: null,
    quantity: 'length',
    since: null,
    ...over,
  }
}
const steady = points([0, 10], [8000, 10.1], [16_000, 10.2], [24_000, 10.3])

describe('whether a limit lasts until the next overhaul', () => {
  test.each<[what: string, line: LinePoint[], limit: Limit, lasts: string]>([
    ['steady wear that stays inside', steady, limit('upper', 10.5), 'yes'],
    ['steady wear that passes it', steady, limit('upper', 10.35), 'no'],
    ['a limit within the doubt of the forecast', steady, limit('upper', 10.401), 'unsure'],
    ['a limit on the other side', steady, limit('lower', 9.9), 'yes'],
    ['two points, each known to 2 µm, without sisters', points([0, 10], [8000, 10.1]), limit('upper', 10.15), 'unsure'],
    ['two readings one step apart: noise explains them', points([7900, 10], [8000, 10.001]), limit('upper', 10.05), 'unsure'],
    ['one reading foretells nothing', points([8000, 10]), limit('upper', 10.05), 'notKnown'],
    [
      'wear that scatters widely is not sure, however fast it is on the whole',
      points([0, 10], [8000, 10.2], [16_000, 10.1], [24_000, 10.35]),
      limit('upper', 10.5),
      'unsure',
    ],
  ])('%s', (_what, line, of, lasts) => {
    expect(lastsOf(input(line), of).lasts).toBe(lasts)
  })

  test('with few points sisters tell how readings scatter about their lines', () => {
    const line = points([0, 10], [8000, 10.1])
    // Two points alone show no band.
    expect(lastsOf(input(line), limit('upper', 10.25))).toEqual({ lasts: 'unsure', because: 'twoReadings' })
    expect(lastsOf(input(line, { sisters: { value: 0.002, degreesOfFreedom: 4 } }), limit('upper', 10.25)).lasts).toBe('yes')
    expect(lastsOf(input(line, { sisters: { value: 0.02, degreesOfFreedom: 4 } }), limit('upper', 10.25)).lasts).toBe('unsure')
  })

  test('a reading that is not a figure leaves all that its ends leave', () => {
    const at = (low: number, high: number) =>
      lastsOf(input(steady, { now: { ...(steady[3] as LinePoint), value: { low, high } } }), limit('upper', 10.45)).lasts
    expect(at(10.29, 10.31)).toBe('yes')
    expect(at(10.29, 10.6)).toBe('unsure')
    expect(at(10.3, Number.POSITIVE_INFINITY)).toBe('unsure')
  })
})

test('a forecast says what is expected with its band, and hours left, expected and at the earliest', () => {
  const { forecasts, rate, spread } = trendOf('maximum', input(steady), [limit('upper', 10.5), limit('lower', 9)])
  const [upper, lower] = forecasts
  expect(rate?.perThousandHours).toBeCloseTo(0.0125, 12)
  expect(spread).toMatchObject({ from: 'gauge', degreesOfFreedom: null })
  expect(upper).toMatchObject({ limit: 'upper', atHours: 32_000, lasts: 'yes' })
  expect(upper?.value).toBeCloseTo(10.4, 9)
  // By hand: z·u·√(1 + 1/4 + 20 000²/320e6) = 1.95996·0.002·√2.5
  expect((upper?.high ?? 0) - (upper?.value ?? 0)).toBeCloseTo(1.959964 * 0.002 * Math.sqrt(2.5), 6)
  expect(upper?.hoursToWear).toBeCloseTo(16_000, 6)
  expect(upper?.earliestHoursToWear ?? 0).toBeLessThan(16_000)
  expect(upper?.earliestHoursToWear ?? 0).toBeGreaterThan(15_000)
  expect(lower?.hoursToWear).toBeNull()
})
