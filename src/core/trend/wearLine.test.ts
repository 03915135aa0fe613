import { expect, test } from 'vitest'
import { expectedValue, hoursUntil, type LinePoint, wearRate } from './wearLine'

const points = (...pairs: [number, number][]): LinePoint[] =>
  pairs.map(([runningHours, value]) => ({ overhaul: `${runningHours}`, date: '2020-01-01', runningHours, value }))

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
  const rate = wearRate(line)
  if (perThousand === null) expect(rate).toBeNull()
  else expect(rate?.perThousandHours).toBeCloseTo(perThousand, 12)
})

test('forecast and hours left, both ways', () => {
  const opening = wearRate(points([0, 0], [1000, 0.01]))
  const closing = wearRate(points([0, 1], [1000, 0.99]))
  if (!opening || !closing) throw new Error('two points have a rate')
  expect(expectedValue(0.3, opening, 8000)).toBeCloseTo(0.38, 12)
  expect(hoursUntil(0.3, opening, 0.5, 'upper')).toBeCloseTo(20_000, 6)
  expect(hoursUntil(0.3, opening, 0.1, 'lower')).toBeNull()
  expect(hoursUntil(0.9, closing, 0.85, 'lower')).toBeCloseTo(5_000, 6)
  expect(hoursUntil(0.6, opening, 0.5, 'upper')).toBe(0)
})
