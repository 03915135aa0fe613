import fc from 'fast-check'
import { expect, test } from 'vitest'
import { clearanceOf, type PlacedSize } from './clearance'

const at = (station: string, direction: string, value: number): PlacedSize => ({ station, direction, value })

test('places measured on both are paired; the bounds take every reading', () => {
  const clearance = clearanceOf(
    [at('A', '1', 50.05), at('A', '2', 50.04), at('B', '1', 50.06)],
    [at('A', '1', 49.98), at('B', '1', 50.07), at('C', '1', 49.95)],
  )
  expect(clearance.matched.map(({ station, value }) => [station, Number(value.toFixed(6))])).toEqual([
    ['A', 0.07],
    ['B', -0.01],
  ])
  expect(clearance.minimumMm).toBeCloseTo(-0.01, 9)
  expect(clearance.maximumMm).toBeCloseTo(0.07, 9)
  expect(clearance.outerMinimumMm).toBeCloseTo(50.04 - 50.07, 9)
  expect(clearance.outerMaximumMm).toBeCloseTo(50.06 - 49.95, 9)
})

test('nothing on one side is no clearance, not a clearance of zero', () => {
  expect(clearanceOf([at('A', '1', 50)], [])).toEqual({
    matched: [],
    minimumMm: null,
    maximumMm: null,
    meanMm: null,
    outerMinimumMm: null,
    outerMaximumMm: null,
  })
})

test('matched clearances lie within the outer bounds', () => {
  const sizes = (around: number) =>
    fc.array(
      fc.record({
        station: fc.constantFrom('A', 'B', 'C'),
        direction: fc.constantFrom('1', '2'),
        value: fc.integer({ min: around - 90, max: around + 90 }),
      }),
      { minLength: 1, maxLength: 6 },
    )
  fc.assert(
    fc.property(sizes(50_100), sizes(49_900), (bore, journal) => {
      const clearance = clearanceOf(bore, journal)
      for (const { value } of clearance.matched) {
        expect(value).toBeGreaterThanOrEqual(clearance.outerMinimumMm ?? Number.NaN)
        expect(value).toBeLessThanOrEqual(clearance.outerMaximumMm ?? Number.NaN)
      }
    }),
    { seed: 286 },
  )
})
