import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { differences, type Tolerance } from './compare'
import { topics } from './topics'

interface Case {
  readonly id: string
  readonly input: unknown
  readonly expected: unknown
  readonly tolerance: Tolerance
}

const cases = readdirSync('reference')
  .filter((name) => name.endsWith('.json'))
  .map((name) => JSON.parse(readFileSync(`reference/${name}`, 'utf8')) as { topic: string; cases: Case[] })
  .filter(({ topic }) => topics[topic] !== undefined)
  .flatMap(({ topic, cases: own }) => own.map((one) => ({ topic, ...one })))

test.each(cases)('$topic $id', ({ topic, input, expected, tolerance }) => {
  const got = topics[topic]?.(input)
  expect({ got, differs: differences(got, expected, tolerance) }).toEqual({ got, differs: [] })
})

test('a taper of one value is 0 by the definition of the vectors, of none it is null', () => {
  const got = topics['bore-reduction']?.({
    new_diameter_mm: 50,
    readings_mm: [
      [50.1, null],
      [null, null],
    ],
  })
  expect(got).toMatchObject({
    taper_of_station_means_mm: 0,
    taper_per_direction_mm: [0, null],
    max_same_direction_taper_mm: 0,
    max_ovality_mm: null,
  })
})

test('every topic the core claims has its vectors', () => {
  expect(new Set(cases.map(({ topic }) => topic))).toEqual(new Set(Object.keys(topics)))
})

const comparisons: { name: string; got: unknown; expected: unknown; tolerance: Tolerance; differs: string[] }[] = [
  { name: 'within', got: { a: 1.05 }, expected: { a: 1 }, tolerance: { abs: 0.1 }, differs: [] },
  { name: 'beyond, deep in a list', got: { a: [1, 2.2] }, expected: { a: [1, 2] }, tolerance: { abs: 0.1 }, differs: ['a[1]'] },
  { name: 'relative', got: 101, expected: 100, tolerance: { rel: 0.02 }, differs: [] },
  { name: 'a relative zero must be zero', got: 1e-9, expected: 0, tolerance: { rel: 0.02 }, differs: [''] },
  { name: 'null is not zero', got: { a: 0 }, expected: { a: null }, tolerance: { abs: 1 }, differs: ['a'] },
  { name: 'missing', got: {}, expected: { a: 1 }, tolerance: { abs: 1 }, differs: ['a'] },
  { name: 'NaN agrees with nothing', got: Number.NaN, expected: 1, tolerance: { abs: 1e9 }, differs: [''] },
  { name: 'examples are not compared', got: {}, expected: { example_order: [1] }, tolerance: { abs: 0 }, differs: [] },
  { name: 'a list of another length', got: [1], expected: [1, 1], tolerance: { abs: 1 }, differs: [''] },
]
test.each(comparisons)('comparing: $name', ({ got, expected, tolerance, differs }) => {
  expect(differences(got, expected, tolerance)).toEqual(differs)
})
