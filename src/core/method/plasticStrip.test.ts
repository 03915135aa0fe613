import { expect, test } from 'vitest'
import { stripClearance, stripTiltMmPerM } from './plasticStrip'

// As printed, widest first.
const scale = [
  { widthMm: 3, clearanceMm: 0.1 },
  { widthMm: 2, clearanceMm: 0.15 },
  { widthMm: 1, clearanceMm: 0.3 },
]

test.each<[width: number, clearance: number | null]>([
  [2, 0.15],
  [2.5, 0.125],
  [1.2, 0.27],
  [1, 0.3],
  [3, 0.1],
  // 3.01 less a zero of 0.01, and 1 mm by way of inches: the ends all the same.
  [3.01 - 0.01 + 4e-16, 0.1],
  [1 - 4e-13, 0.3],
  [3.001, null],
  [0.999, null],
])('a strip %d mm wide', (width, clearance) => {
  const found = stripClearance(width, scale)
  if (clearance === null) expect(found).toBeNull()
  else expect(found?.clearanceMm).toBeCloseTo(clearance, 9)
})

test('a wider strip lay in a smaller clearance, the more so the steeper its scale', () => {
  expect(stripClearance(2.5, scale)?.slope).toBeCloseTo(-0.05, 12)
  expect(stripClearance(1.5, scale)?.slope).toBeCloseTo(-0.15, 12)
})

test('a tilt is the difference over the distance, per metre', () => {
  expect(stripTiltMmPerM(0.3, 0.28, 200)).toBeCloseTo(0.1, 12)
  expect(stripTiltMmPerM(0.28, 0.3, 200)).toBeCloseTo(-0.1, 12)
})
