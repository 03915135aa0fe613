import { assert, jsonValue, property } from 'fast-check'
import { expect, test } from 'vitest'
import { forRecord } from '../decimal'
import { roundForRecord } from './rounding'

/** The plain way: everything is made anew. */
function roundedAnew(value: unknown): unknown {
  if (typeof value === 'number') return forRecord(value)
  if (Array.isArray(value)) return value.map(roundedAnew)
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, roundedAnew(inner)]))
}

test('what is rounded is what would be made anew, and needs no rounding again', () => {
  assert(
    property(jsonValue({ maxDepth: 4 }), (value) => {
      const before = JSON.stringify(value)
      const once = roundForRecord(value)
      expect(once).toEqual(roundedAnew(value))
      expect(Object.is(roundForRecord(once), once)).toBe(true)
      expect(JSON.stringify(value)).toBe(before)
    }),
    { seed: 11, numRuns: 500 },
  )
})

test('only what changes is copied', () => {
  const kept = { name: 'wear', at: [1, 2.5], none: null }
  const value = { kept, figure: 0.1 + 0.2, nothing: -0 }
  const rounded = roundForRecord(value)
  expect(rounded).toEqual({ kept, figure: 0.3, nothing: 0 })
  expect(rounded.kept).toBe(kept)
  expect(roundForRecord(kept)).toBe(kept)
})
