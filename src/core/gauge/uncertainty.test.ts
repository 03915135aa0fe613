import { expect, test } from 'vitest'
import { testGauge } from '../method/everyMethod.fixture'
import type { Gauge } from './gauge'
import { differenceUncertainty, inQuadrature, readingUncertainty, repeatabilityUncertainty } from './uncertainty'

const gauge = (resolution: number, maximumPermissibleError: number): Gauge => testGauge({ resolution, maximumPermissibleError })

const readings: { name: string; gauge: Gauge; u: number; uDifference: number }[] = [
  // Rectangular: 0.004/√3 = 2.309 µm; half-step 0.0005/√3 = 0.289 µm; together 2.327 µm.
  { name: 'bore gauge', gauge: gauge(0.001, 0.004), u: 0.002327, uDifference: 0.000408 },
  { name: 'a perfect gauge with coarse steps', gauge: gauge(0.05, 0), u: 0.014434, uDifference: 0.020412 },
]
test.each(readings)('$name: one reading, and a difference of two', ({ gauge: used, u, uDifference }) => {
  expect(readingUncertainty(used)).toBeCloseTo(u, 6)
  expect(differenceUncertainty(used)).toBeCloseTo(uDifference, 6)
})

const repeats: { n: number; widening: number }[] = [
  { n: 2, widening: 13.97 / 2 },
  { n: 3, widening: 4.53 / 2 },
  { n: 11, widening: 2.28 / 2 },
  { n: 12, widening: 1 },
  { n: 50, widening: 1 },
]
test.each(repeats)('$n repeats widen their own spread by Student’s t over 2', ({ n, widening }) => {
  expect(repeatabilityUncertainty(0.003, n)).toBeCloseTo((widening * 0.003) / Math.sqrt(n), 12)
})

test('independent contributions add in quadrature', () => {
  expect(inQuadrature(3, 4)).toBe(5)
  expect(inQuadrature()).toBe(0)
})
