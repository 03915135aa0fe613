/** Fits of every kind on a machine of no demo, judged through the whole record. */
import { describe, expect, test } from 'vitest'
import { fitSchema } from '../../fit/fitSchema'
import { fitNotes } from '../../fit/kinds'
import { evaluate, startEvaluation } from '../evaluate'
import { common, found, limit, machine, part, size } from './fits.fixture'

const shaft = [part('shaft'), part('bearing')]

test('a bearing on its shaft: the bore of the bearing is its standard’s, from zero downward', () => {
  const fit = {
    ...common('f', [limit('minimum', 'lower', -0.03), limit('maximum', 'upper', -0.001)], 'shaft'),
    kind: 'bearingOnShaft',
    seat: 'seat',
    bearing: { boreMm: 40, tolerance: 'normal' },
  }
  const record = machine(shaft, [size('seat', 'shaft', 'outsideDiameter', 40)], [fit], { seat: ['40.012', '40.009'] })
  // 39.988 … 40 less 40.009 … 40.012.
  expect(found(record)).toEqual({ tightest: -0.024, loosest: -0.009, verdict: 'passes' })
  const worn = machine(shaft, [size('seat', 'shaft', 'outsideDiameter', 40)], [fit], { seat: ['40.012', '39.998'] })
  expect(found(worn)).toEqual({ tightest: -0.024, loosest: 0.002, verdict: 'fails' })
  const [vote] = startEvaluation(worn).results.parts[0]?.votes ?? []
  expect(vote).toMatchObject({ rule: 'fit', code: 'beyond', mild: 'replace' })
})

test('a housing creeps loose about an outside diameter that is under its size', () => {
  const fit = {
    ...common('f', [limit('maximum', 'upper', 0.05)], 'housing'),
    kind: 'bearingInHousing',
    seat: 'seat',
    bearing: { outsideMm: 80, tolerance: 'normal' },
  }
  const record = machine([part('housing')], [size('seat', 'housing', 'boreDiameter', 80)], [fit], { seat: ['80.020', '80.035'] })
  expect(found(record)).toEqual({ tightest: 0.02, loosest: 0.048, verdict: 'passes' })
})

test.each([
  {
    name: 'a key in its keyway',
    fit: { kind: 'keyInKeyway', keyway: 'a', key: 'b' },
    typed: { a: ['12.040'], b: ['11.985'] },
    tightest: 0.055,
    loosest: 0.055,
  },
  {
    name: 'a ring in its groove',
    fit: { kind: 'ringInGroove', groove: 'a', ring: 'b' },
    typed: { a: ['6.08'], b: ['5.97'] },
    tightest: 0.11,
    loosest: 0.11,
  },
  {
    name: 'a float that warmth takes up: 1 m of steel 30 K warmer in a casing 10 K warmer',
    fit: {
      kind: 'float',
      housing: 'a',
      part: 'b',
      growth: { lengthMm: 1000, shaft: { perK: 11.5e-6, runsAtC: 50 }, housing: { perK: 11.5e-6, runsAtC: 30 }, measuredAtC: 20 },
    },
    typed: { a: ['41.0'], b: ['40.0'] },
    tightest: 1 - 0.23,
    loosest: 1 - 0.23,
  },
  {
    name: 'a chain with a gasket nobody measures',
    fit: {
      kind: 'chain',
      links: [
        { characteristic: 'a', does: 'opens', times: 2 },
        { characteristic: 'b', does: 'closes' },
      ],
      stated: [{ name: 'gasket, pressed', leastMm: -0.3, greatestMm: -0.2 }],
    },
    typed: { a: ['20.0'], b: ['39.0'] },
    tightest: 0.7,
    loosest: 0.8,
  },
])('$name', ({ fit, typed, tightest, loosest }) => {
  const sizes = [size('a', 'p', 'size', 40), size('b', 'q', 'size', 40)]
  const record = machine([part('p'), part('q')], sizes, [{ ...common('f', [limit('maximum', 'upper', 2)], 'p'), ...fit }], typed)
  const got = found(record)
  expect(got.verdict).toBe('passes')
  expect(got.tightest).toBeCloseTo(tightest, 7)
  expect(got.loosest).toBeCloseTo(loosest, 7)
})

test('while one size is missing nothing is known of the clearance, and what is missing is named', () => {
  const record = machine(
    [part('p'), part('q')],
    [size('a', 'p', 'size', 40), size('b', 'q', 'size', 40)],
    [{ ...common('f', [limit('maximum', 'upper', 2)], 'p'), kind: 'keyInKeyway', keyway: 'a', key: 'b' }],
    { a: ['41.0'] },
  )
  expect(found(record)).toEqual({ tightest: undefined, loosest: undefined, verdict: 'open' })
  const vote = evaluate(record).fits[0]?.votes[0]
  expect(vote?.settledBy).toEqual({ code: 'take', missing: [{ code: 'readings', characteristic: 'b', count: 1 }] })
})

describe('play left in a rolling bearing', () => {
  const play = (shares: object | null) => ({
    ...common('f', [limit('minimum', 'lower', 0)], 'bearing'),
    kind: 'bearingClearance',
    shaft: 'seat',
    housing: 'bore',
    bearing: { boreMm: 40, outsideMm: 80, tolerance: 'normal', type: 'deepGrooveBall', group: 'N' },
    shares,
  })
  const sizes = [size('seat', 'shaft', 'outsideDiameter', 40), size('bore', 'housing', 'boreDiameter', 80)]
  const left = (shares: object | null, seat: string, bore: string) =>
    found(
      machine([part('shaft'), part('housing'), part('bearing')], sizes, [play(shares)], {
        seat: [seat, seat],
        bore: [bore, bore],
      }),
    )
  // Group N at 40 mm: 0.006 … 0.020. Bore of the bearing 39.988 … 40.000, outside 79.987 … 80.000.
  test('loose on both sides it keeps all of it', () => {
    expect(left({ inner: 0.8, outer: 0.8 }, '39.980', '80.040')).toEqual({ tightest: 0.006, loosest: 0.02, verdict: 'passes' })
  })
  test('a tight shaft takes its share, at the least what is surely tight', () => {
    // 0.8 × (40.008 − 39.988) off the least, 0.8 × (40.008 − 40.000) off the greatest.
    expect(left({ inner: 0.8, outer: 0.8 }, '40.008', '80.040')).toEqual({ tightest: -0.01, loosest: 0.0136, verdict: 'fails' })
  })
  test('a tight housing takes its own', () => {
    const got = left({ inner: 0.8, outer: 0.5 }, '39.980', '79.990')
    expect(got.tightest).toBeCloseTo(0.006 - 0.5 * 0.01, 7)
    expect(got.loosest).toBeCloseTo(0.02, 7)
  })
  test('without a document the shares follow from the rings, a tenth wide', () => {
    const got = left(null, '40.008', '80.040')
    expect(got.tightest).toBeCloseTo(0.006 - 0.8 * 1.1 * 0.02, 7)
    expect(got.loosest).toBeCloseTo(0.02 - 0.8 * 0.9 * 0.008, 7)
  })
  test('no way is shown as worn on: play is no sum of its seats', () => {
    const record = machine([part('shaft'), part('housing'), part('bearing')], sizes, [play(null)], {
      seat: ['40.008', '40.008'],
      bore: ['80.04', '80.04'],
    })
    const ways = startEvaluation(record).waysAt(0)
    expect(ways.map(({ part: on, state, atNext }) => [on, state, atNext])).toEqual([
      ['shaft', 'fails', null],
      ['housing', 'fails', null],
      [null, 'fails', null],
    ])
  })
})

test('a shrink fit says how hot, and when that is too hot', () => {
  const shrunk = (greatestC: number | null) =>
    fitSchema.parse({
      ...common('f', [limit('maximum', 'upper', -0.02)], 'hub'),
      kind: 'shrinkFit',
      bore: 'b',
      shaft: 's',
      heating: { nominalMm: 80, perK: 11.5e-6, ambientC: 20, handlingMm: 0.06, greatestC },
    })
  const ends = { tightestMm: -0.06, loosestMm: -0.04 }
  const none = () => null
  // (0.060 + 0.060) / (11.5e-6 × 80) = 130.4 K above 20 °C.
  expect(fitNotes(shrunk(null), ends, none)).toEqual([
    { code: 'heatTo', celsius: expect.closeTo(150.43, 2), greatestC: null, isTooHot: false },
  ])
  expect(fitNotes(shrunk(120), ends, none)).toMatchObject([{ isTooHot: true }])
  expect(fitNotes(shrunk(120), { tightestMm: 0.01, loosestMm: 0.02 }, none)).toEqual([])
  expect(fitNotes(shrunk(120), { tightestMm: null, loosestMm: null }, none)).toEqual([])
})

test.each([
  {
    name: 'shims from the box, few and thick',
    opens: 0.1,
    closes: 0.55,
    add: 0.225,
    stack: [0.2, 0.025],
    to: [0.325, 0.325],
    holds: true,
  },
  { name: 'to be taken out', opens: 0.6, closes: 0.1, add: -0.25, stack: null, to: [0.35, 0.35], holds: true },
  { name: 'nothing to do', opens: 0.3, closes: 0.3, add: 0, stack: null, to: [0.3, 0.3], holds: true },
  { name: 'both faces worn: said so', opens: 0.6, closes: 0.7, add: 0.05, stack: [0.05], to: [0.65, 0.65], holds: false },
])('one face opens what the other closes: $name', ({ opens, closes, add, stack, to, holds }) => {
  const fit = fitSchema.parse({
    ...common('f', [limit('minimum', 'lower', 0.1)], 'thrust'),
    kind: 'shimPair',
    opens: 'a',
    closes: 'b',
    opensTo: { leastMm: 0.25, greatestMm: 0.4 },
    closesTo: { leastMm: 0.25, greatestMm: 0.4 },
    stock: [0.025, 0.05, 0.1, 0.2].map((thicknessMm) => ({ thicknessMm, count: 2 })),
  })
  const [note] = fitNotes(fit, { tightestMm: opens, loosestMm: opens }, (id) => (id === 'a' ? opens : closes))
  expect(note).toMatchObject({ code: 'shims', opens: 'a', closes: 'b', stackMm: stack, holds })
  const said = note?.code === 'shims' ? [note.addMm, note.opensToMm, note.closesToMm] : []
  for (const [index, expected] of [add, ...to].entries()) expect(said[index]).toBeCloseTo(expected, 6)
  expect(fitNotes(fit, { tightestMm: opens, loosestMm: opens }, () => null)).toEqual([])
})
