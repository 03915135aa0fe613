/** Fits of every kind on a machine of no demo, judged through the whole record. */
import { describe, expect, test } from 'vitest'
import { fitSchema } from '../../fit/fitSchema'
import { fitNotes } from '../../fit/kinds'
import { everyMethod } from '../../method/everyMethod.fixture'
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
    // Cold, nothing is taken up yet.
    loosest: 1,
  },
  {
    name: 'a spherical roller bearing driven up 6 mm on its taper, play by feeler before',
    fit: {
      kind: 'driveUp',
      before: 'a',
      drive: 'b',
      bearing: { boreMm: 80, type: 'sphericalRollerTapered', group: 'N' },
      share: null,
    },
    typed: { a: ['0.5'], b: ['6'] },
    tightest: 0.5 - (0.8 * 6) / 12,
    loosest: 0.5 - (0.8 * 6) / 12,
  },
  {
    name: 'the same from the table of its group: 0.070 to 0.095 mm at 80 mm',
    fit: {
      kind: 'driveUp',
      before: null,
      drive: 'b',
      bearing: { boreMm: 80, type: 'sphericalRollerTapered', group: 'N' },
      share: 0.75,
    },
    typed: { a: ['0.5'], b: ['0.4'] },
    tightest: 0.07 - 0.025,
    loosest: 0.095 - 0.025,
  },
  {
    name: 'taper rollers under a cover: the gasket keeps nine tenths of its thickness',
    fit: {
      kind: 'axialSetting',
      depth: 'a',
      spigot: 'b',
      gasket: { thickness: 'g', left: 0.9 },
      wanted: { leastMm: 0.02, greatestMm: 0.06 },
    },
    typed: { a: ['12.40'], b: ['12.80'], g: ['0.5'] },
    tightest: 0.05,
    loosest: 0.05,
  },
  {
    name: 'a gap that a pad sets is the gap as measured',
    fit: {
      kind: 'groundPad',
      gap: 'a',
      pad: 'b',
      thickerPad: 'closes',
      wanted: { leastMm: 0.3, greatestMm: 0.4 },
      thinnestMm: 5,
    },
    typed: { a: ['0.2'], b: ['6'] },
    tightest: 0.2,
    loosest: 0.2,
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
  const sizes = [size('a', 'p', 'size', 40), size('b', 'q', 'size', 40), size('g', 'q', 'size', 1)]
  const record = machine(
    [part('p'), part('q')],
    sizes,
    [{ ...common('f', [limit('maximum', 'upper', 2)], 'p'), ...fit }],
    typed as Parameters<typeof machine>[3],
  )
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

describe('what a fit advises', () => {
  const ends = (mm: number) => ({ tightestMm: mm, loosestMm: mm })
  const noteOf = (fit: object, mm: number, sizes: Readonly<Record<string, number>>) =>
    fitNotes(
      fitSchema.parse({ ...common('f', [limit('maximum', 'upper', 2)], 'p'), ...fit }),
      ends(mm),
      (id) => sizes[id] ?? null,
    )[0]
  const cover = {
    kind: 'axialSetting',
    depth: 'a',
    spigot: 'b',
    gasket: { thickness: 'g', left: 0.9 },
    wanted: { leastMm: 0.02, greatestMm: 0.06 },
  }
  test('a gasket that gives the play that is wanted, by what is left of it when tight', () => {
    expect(noteOf(cover, 0.05, { g: 0.5 })).toMatchObject({ isIn: true })
    const note = noteOf(cover, -0.05, { g: 0.5 })
    expect(note).toMatchObject({ code: 'axialSetting', isIn: false, wantedMm: 0.04 })
    expect(note?.code === 'axialSetting' && note.gasketMm).toBeCloseTo(0.6, 9)
  })
  const pad = { kind: 'groundPad', gap: 'a', pad: 'b', wanted: { leastMm: 0.3, greatestMm: 0.4 }, thinnestMm: 5.9 }
  test.each([
    ['closes', 0.2, 6, 5.85, true],
    ['closes', 0.28, 6, 5.93, false],
    ['opens', 0.2, 6, 6.15, false],
    ['opens', 0.35, 6, 6, false],
  ] as const)('a thicker pad %s: gap %d, pad %d must be %d', (thickerPad, gapMm, padMm, toMm, isTooThin) => {
    const note = noteOf({ ...pad, thickerPad }, gapMm, { a: gapMm, b: padMm })
    expect(note?.code === 'pad' && Number(note.toMm.toFixed(9))).toBe(toMm)
    expect(note).toMatchObject({ isTooThin })
  })
  test('the shop’s own band inside the maker’s', () => {
    const shop = { ...pad, thickerPad: 'opens', shop: { lower: 0.3, upper: 0.35 } }
    expect(noteOf(shop, 0.36, {})).toEqual({ code: 'shopBand', lower: 0.3, upper: 0.35, isIn: false })
    expect(noteOf(shop, 0.35, {})).toMatchObject({ isIn: true })
  })
})

test('a ring in a worn bore: its gap grows by π of the wear, as the ring itself says', () => {
  const ring = size('ring', 'p', 'size', 0.5, {
    method: { ...everyMethod.ringEndGap, runsIn: 'bore', referenceDiameterMm: 160 },
    gaugeKind: 'feeler',
    new: null,
  })
  const fit = {
    ...common('f', [limit('maximum', 'upper', 1.2)], 'p'),
    kind: 'ringInBore',
    ring: 'ring',
    runsIn: 'bore',
    referenceMm: 160,
  }
  const record = machine([part('p'), part('q')], [ring, size('bore', 'q', 'boreDiameter', 160)], [fit], {
    ring: ['0.30', '0.20'],
    bore: ['160.10', '160.20'],
  })
  const got = found(record)
  expect(got.tightest).toBeCloseTo(0.5 + Math.PI * 0.1, 6)
  expect(got.loosest).toBeCloseTo(0.5 + Math.PI * 0.2, 6)
})

describe('a clearance that is measured directly as well', () => {
  const direct = (read: string) => {
    const fit = { ...common('f', [limit('maximum', 'upper', 2)], 'p'), kind: 'keyInKeyway', keyway: 'a', key: 'b', direct: 'd' }
    const sizes = [size('a', 'p', 'size', 40), size('b', 'q', 'size', 40), size('d', 'q', 'size', 0.1)]
    const record = machine([part('p'), part('q')], sizes, [fit], { a: ['12.10'], b: ['12.00'], d: [read] })
    const [result] = evaluate(record).fits
    return { verdict: result?.verdict, says: result?.votes.map(({ code }) => code) }
  }
  test('agrees within the doubt of both', () => {
    expect(direct('0.101')).toEqual({ verdict: 'passes', says: ['inside'] })
  })
  test('or nothing is settled until it is known which is wrong', () => {
    expect(direct('0.15')).toEqual({ verdict: 'open', says: ['inside', 'directApart'] })
  })
})
