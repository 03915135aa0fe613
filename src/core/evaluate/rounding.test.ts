import { assert, jsonValue, property } from 'fast-check'
import { expect, test } from 'vitest'
import { exceeds, forRecord } from '../quantity/decimal'
import { quantityFacts, quantityKinds } from '../quantity/kind'
import { roundForRecord } from './rounding'

/** The plain way: everything is made anew. */
function roundedAnew(value: unknown): unknown {
  if (typeof value === 'number') return forRecord(value)
  if (Array.isArray(value)) return value.map(roundedAnew)
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, key === 'limit' ? inner : roundedAnew(inner)]))
}

test('what is rounded is what would be made anew, and needs no rounding again', () => {
  assert(
    property(jsonValue({ maxDepth: 4 }), (value) => {
      const before = JSON.stringify(value)
      const once = roundForRecord(value, 'length')
      expect(once).toEqual(roundedAnew(value))
      expect(Object.is(roundForRecord(once, 'length'), once)).toBe(true)
      expect(JSON.stringify(value)).toBe(before)
    }),
    { seed: 11, numRuns: 500 },
  )
})

test('only what changes is copied', () => {
  const kept = { name: 'wear', at: [1, 2.5], none: null }
  const value = { kept, figure: 0.1 + 0.2, nothing: -0 }
  const rounded = roundForRecord(value, 'length')
  expect(rounded).toEqual({ kept, figure: 0.3, nothing: 0 })
  expect(rounded.kept).toBe(kept)
  expect(roundForRecord(kept, 'length')).toBe(kept)
})

test('every quantity has its own step: milliohms stay what they are among megohms', () => {
  const winding = { quantity: 'resistance', value: 4.9e-8, wear: 0.123456789 }
  expect(roundForRecord({ own: winding, wear: 0.123456789 }, 'length')).toEqual({
    own: { ...winding, value: 4.9e-8 },
    wear: 0.1234568,
  })
})

test.each(quantityKinds)('%s: a step of comparison is told apart from none, and a tenth of a stored step is not', (kind) => {
  const step = 1 / quantityFacts[kind].comparedPer
  expect(exceeds(1 + step, 1, kind)).toBe(true)
  expect(exceeds(1 + step / 10, 1, kind)).toBe(false)
  expect(forRecord(step, kind)).toBeCloseTo(step, 15)
  expect(forRecord(step / 100, kind)).toBe(0)
})
