import { expect, test } from 'vitest'
import { normalProbability, normalQuantile, studentProbability, studentQuantile } from './distribution'

/** Published: JCGM 100 table G.2 (two decimals), and NIST/SEMATECH e-Handbook 1.3.6.7.2 (three decimals). */
test.each([
  { p: 0.97725, degrees: 1, t: 13.97, digits: 2 },
  { p: 0.97725, degrees: 4, t: 2.87, digits: 2 },
  { p: 0.97725, degrees: 50, t: 2.05, digits: 2 },
  { p: 0.975, degrees: 1, t: 12.706, digits: 3 },
  { p: 0.975, degrees: 2, t: 4.303, digits: 3 },
  { p: 0.95, degrees: 5, t: 2.015, digits: 3 },
  { p: 0.99, degrees: 10, t: 2.764, digits: 3 },
  { p: 0.975, degrees: 100, t: 1.984, digits: 3 },
])('Student’s t is below $t with probability $p at $degrees degrees of freedom', ({ p, degrees, t, digits }) => {
  expect(Math.abs(studentQuantile(p, degrees) - t)).toBeLessThanOrEqual(0.5 * 10 ** -digits + 1e-9)
  expect(studentProbability(studentQuantile(p, degrees), degrees)).toBeCloseTo(p, 12)
  expect(studentQuantile(1 - p, degrees)).toBeCloseTo(-studentQuantile(p, degrees), 9)
})

test('degrees of freedom need not be whole: t falls steadily with them, to the normal value', () => {
  const between = studentQuantile(0.975, 2.5)
  expect(between).toBeLessThan(studentQuantile(0.975, 2))
  expect(between).toBeGreaterThan(studentQuantile(0.975, 3))
  expect(studentQuantile(0.975, null)).toBeCloseTo(1.959963984540054, 10)
})

test('the normal distribution, to published figures (Abramowitz and Stegun, table 26.1)', () => {
  for (const [z, p] of [
    [0, 0.5],
    [1, 0.841344746068543],
    [1.6448536269514722, 0.95],
    [-2, 0.022750131948179],
    [3.5, 0.99976737092097],
  ] as const)
    expect(normalProbability(z)).toBeCloseTo(p, 12)
  expect(normalQuantile(0.95)).toBeCloseTo(1.6448536269514722, 10)
})
