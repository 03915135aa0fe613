/** Equal parts that change places, on a machine that is in no demo. */
import { describe, expect, test } from 'vitest'
import type { LimitBook } from '../book/bookSchema'
import type { Policy } from '../record/recordSchema'
import { equalPartsOf } from './equalParts'
import { evaluate } from './evaluate'
import { limit, machine, part, size, source } from './fits/fits.fixture'

type Spec = NonNullable<LimitBook['equalParts']>[number]
type Typed = Readonly<Record<string, readonly string[]>>

function foundOf(spec: Spec, typed: Typed, before: Typed | null, schools: Policy['schools'] = undefined) {
  const pins = ['a', 'b', 'c'].map((id) =>
    size(id, id, 'outsideDiameter', 40, { limits: [limit('minimum', 'lower', 39.5)], showTo: 0.01 }),
  )
  const bores = ['x', 'y', 'z'].map((id) => size(id, id, 'boreDiameter', 40.2))
  const parts = ['a', 'b', 'c', 'x', 'y', 'z'].map((id) => part(id))
  const record = machine(parts, [...pins, ...bores], [], typed, before)
  const results = evaluate(record)
  const policy = { ...record.job.policy, schools }
  const [found] = equalPartsOf(
    { ...record.book, equalParts: [spec] },
    (id) => results.characteristics.find((one) => one.id === id),
    policy,
  )
  return found
}
const twice = (text: string): string[] => [text, text]

describe('rotation', () => {
  const spec: Spec = { kind: 'rotation', id: 'pins', name: 'Pins', places: ['a', 'b', 'c'], source }
  const then = { a: twice('40.00'), b: twice('40.00'), c: twice('40.00') }
  test('the part with most left goes where it wears fastest', () => {
    const found = foundOf(spec, { a: twice('39.60'), b: twice('39.95'), c: twice('39.80') }, then)
    if (found?.kind !== 'rotation') throw new Error('a rotation')
    // 0.40, 0.05 and 0.20 worn in 4 000 h; 0.10, 0.45 and 0.30 left.
    expect(
      found.places.map(({ rest, perThousandHours }) => [rest, perThousandHours].map((of) => Number(of?.toFixed(6)))),
    ).toEqual([
      [0.1, 0.1],
      [0.45, 0.0125],
      [0.3, 0.05],
    ])
    expect(found.best?.placed.map(({ part: of, place }) => `${of} to ${place}`)).toEqual(['b to a', 'a to b', 'c to c'])
    expect(found.best?.lastsHours).toBeCloseTo(4_500, 3)
    expect(found.best?.asItIsHours).toBeCloseTo(1_000, 3)
  })
  test('while one is not measured, or nobody knows how its place wears, nothing is said', () => {
    expect(foundOf(spec, { a: twice('39.60'), b: twice('39.95') }, then)).toMatchObject({ best: null })
    expect(foundOf(spec, { a: twice('39.60'), b: twice('39.95'), c: twice('39.80') }, null)).toMatchObject({ best: null })
  })
  test('what noise explains is no wear', () => {
    const found = foundOf(spec, { a: twice('39.999'), b: twice('40.000'), c: twice('39.60') }, then)
    if (found?.kind !== 'rotation') throw new Error('a rotation')
    expect(found.places.map(({ perThousandHours }) => perThousandHours?.toFixed(3))).toEqual(['0.000', '0.000', '0.100'])
  })
})

describe('pairing', () => {
  const spec: Spec = {
    kind: 'pairing',
    id: 'pairs',
    name: 'Pairs',
    bores: ['x', 'y'],
    journals: ['a', 'b', 'c'],
    targetMm: 0.2,
    leastMm: 0.1,
    greatestMm: 0.3,
    source,
  }
  const typed = { a: twice('40.00'), b: twice('40.10'), c: twice('39.00'), x: twice('40.30'), y: twice('40.20') }
  test('each bore gets the journal that makes the clearances most even, within their limits', () => {
    expect(foundOf(spec, typed, null, { wornInMates: 'repaired' })).toMatchObject({
      staysPaired: false,
      best: { journalOf: [1, 0] },
    })
  })
  test('worn-in mates stay where the job does not say otherwise', () => {
    expect(foundOf(spec, typed, null)).toMatchObject({ staysPaired: true, best: { journalOf: [1, 0] } })
  })
  test('what is missing is named; what cannot be is said', () => {
    expect(foundOf(spec, { ...typed, y: [] }, null)).toMatchObject({ missing: ['y'], best: null })
    expect(foundOf({ ...spec, greatestMm: 0.15 }, typed, null)).toMatchObject({ missing: [], best: null })
  })
})
