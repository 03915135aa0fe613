/** Which side of a fit to mend: every way, what it leaves, and how long that lasts. */
import { describe, expect, test } from 'vitest'
import { evaluate, startEvaluation } from '../evaluate'
import { common, limit, machine, part, route, size, source } from './fits.fixture'

describe('which side to mend', () => {
  const parts = [
    part('bush-part', {
      replacement: { cost: 60, days: 1 },
      routes: [route('re-metal', ['bush'], { cost: 210 })],
    }),
    part('pin-part', {
      routes: [
        route('regrind', ['pin'], {
          cost: 90,
          sizeAfter: { characteristic: 'pin', leastMm: 39.6, greatestMm: 39.9, cleanUpMm: 0.02 },
        }),
        route('regrind-and-bush', ['pin'], {
          cost: 150,
          sizeAfter: { characteristic: 'pin', leastMm: 39.6, greatestMm: 39.9, cleanUpMm: 0.02 },
          suits: ['f'],
        }),
        route('too-small', ['pin'], {
          cost: 10,
          sizeAfter: { characteristic: 'pin', leastMm: 39.97, greatestMm: 40, cleanUpMm: 0.02 },
        }),
      ],
    }),
  ]
  const sizes = [
    size('bush', 'bush-part', 'boreDiameter', 40.05, { new: { nominal: 40.05, lower: 40.05, upper: 40.07, source } }),
    size('pin', 'pin-part', 'outsideDiameter', 40),
  ]
  const fit = {
    id: 'f',
    name: 'f',
    bore: 'bush',
    journal: 'pin',
    strip: null,
    new: { lower: 0.05, upper: 0.08, source },
    limits: [limit('maximum', 'upper', 0.2, 0.15), limit('minimum', 'lower', 0.03)],
    mendOn: 'bush-part',
    showTo: 0.001,
  }
  const record = machine(parts, sizes, [fit], { bush: ['40.19', '40.20'], pin: ['39.96', '39.97'] })
  const ways = startEvaluation(record).waysAt(0)
  const way = (id: string) => ways.find(({ route: of, by, part: on }) => of === id || (of === null && `${by} ${on}` === id))

  test('every way on either part, what holds first and the cheapest of it on top, leaving it last', () => {
    expect(ways.map(({ by, part: on, route: of, state }) => [of ?? by, on, state])).toEqual([
      ['newPart', 'bush-part', 'holds'],
      ['regrind-and-bush', 'pin-part', 'holds'],
      ['re-metal', 'bush-part', 'holds'],
      ['newPart', 'pin-part', 'fails'],
      ['too-small', 'pin-part', 'cannot'],
      ['regrind', 'pin-part', 'cannot'],
      ['leave', null, 'fails'],
    ])
  })
  test('a new bush leaves its own size about the worn pin', () => {
    const { leaves } = way('newPart bush-part') ?? {}
    expect(leaves?.tightestMm).toBeCloseTo(40.05 - 39.97, 6)
    expect(leaves?.loosestMm).toBeCloseTo(40.07 - 39.96, 6)
  })
  test('a mate made to suit leaves the new clearance; what a cut alone opens is beyond', () => {
    expect(way('regrind-and-bush')?.leaves).toEqual({ tightestMm: 0.05, loosestMm: 0.08 })
    expect(way('regrind')?.against).toEqual({ id: 'f', as: 'ownFit' })
  })
  test('left as it is it keeps the clearance place by place, and a new pin without a price has no cost', () => {
    expect(way('leave null')?.leaves?.loosestMm).toBeCloseTo(40.2 - 39.97, 6)
    expect(way('newPart pin-part')).toMatchObject({ cost: null, days: null })
  })
  test('what a route cuts beside the size it names is not known', () => {
    const cutsBoth = route('cuts-both', ['pin', 'bush'], {
      sizeAfter: { characteristic: 'pin', leastMm: 39.6, greatestMm: 39.9, cleanUpMm: 0.02 },
    })
    const one = part('both', { routes: [cutsBoth] })
    const onOnePart = sizes.map((of) => ({ ...of, part: 'both' }))
    const both = machine([one], onOnePart, [{ ...fit, mendOn: 'both' }], { bush: ['40.19', '40.20'], pin: ['39.96', '39.97'] })
    expect(
      startEvaluation(both)
        .waysAt(0)
        .find(({ route: of }) => of === 'cuts-both'),
    ).toMatchObject({ leaves: null })
  })
  test('without a rate of wear nothing is said of the next overhaul', () => {
    expect(ways.every(({ atNext, hoursToWear }) => atNext === null && hoursToWear === null)).toBe(true)
  })
})

describe('how a size wears is what its way to the next overhaul is reckoned by', () => {
  const parts = [part('p', { routes: [route('re-metal', ['bush'])] }), part('q')]
  const fit = {
    id: 'f',
    name: 'f',
    bore: 'bush',
    journal: 'pin',
    strip: null,
    new: { lower: 0.05, upper: 0.08, source },
    limits: [limit('maximum', 'upper', 0.4)],
    mendOn: 'p',
    showTo: 0.001,
  }
  const next = (over: { readonly bush?: object; readonly pin?: object }) => {
    const sizes = [
      size('bush', 'p', 'boreDiameter', 40.05, { limits: [limit('maximum', 'upper', 41)], ...over.bush }),
      size('pin', 'q', 'outsideDiameter', 40, { limits: [limit('minimum', 'lower', 39)], ...over.pin }),
    ]
    const now = { bush: ['40.15', '40.15'], pin: ['39.95', '39.95'] }
    const record = machine(parts, sizes, [fit], now, { bush: ['40.05', '40.05'], pin: ['39.99', '39.99'] })
    return startEvaluation(record)
      .waysAt(0)
      .find(({ by }) => by === 'leave')
  }
  test('both sides: the bore grows by 0.1 in 4 000 h, the pin shrinks by 0.04; 8 000 h are to run', () => {
    expect(next({})?.atNext).toEqual({ tightestMm: 0.48, loosestMm: 0.48, atHours: 16_000 })
    expect(next({})).toMatchObject({ state: 'passes' })
    // 0.2 left at 0.035 per 1 000 h.
    expect(next({})?.hoursToWear).toBeCloseTo(200 / 0.035, 6)
  })
  test('a first limit on something else than the size says nothing of how the size moves', () => {
    const wear = { ...limit('maximum', 'upper', 1), id: 'worn', judges: 'wear' as const }
    const same = next({ pin: { limits: [wear, limit('minimum', 'lower', 39)] } })
    expect(same?.atNext?.loosestMm).toBe(0.48)
    expect(next({ pin: { limits: [wear] } })?.atNext).toBeNull()
  })
})

test('a seat made up new does not mend play that its new sizes do not surely leave', () => {
  const play = (least: number) => ({
    ...common('f', [limit('minimum', 'lower', least)], 'shaft'),
    kind: 'bearingClearance',
    shaft: 'seat',
    housing: null,
    bearing: { boreMm: 40, outsideMm: 80, tolerance: 'normal', type: 'deepGrooveBall', group: 'N' },
    shares: { inner: 0.8, outer: 0.8 },
  })
  const parts = [part('shaft', { routes: [route('spray', ['seat'])] })]
  const sizes = [size('seat', 'shaft', 'outsideDiameter', 40)]
  const verdict = (least: number) => evaluate(machine(parts, sizes, [play(least)], { seat: ['40.030', '40.030'] })).parts[0]
  // New it is 39.99 … 40.00: of 0.006 at least 0.8 × 0.012 is taken, which leaves −0.0036.
  expect(verdict(-0.004)).toMatchObject({ mild: 'recondition', strong: 'recondition' })
  expect(verdict(0)).toMatchObject({ mild: 'recondition', strong: 'replace' })
})

describe('setting it over', () => {
  const gap = (id: string, of: string) => size(id, of, 'size', 0.2, { new: null })
  const faces = (thick: string, typedLimit: object[]) => {
    const record = machine(
      [part('plate'), part('rotor')],
      [gap('back', 'plate'), gap('front', 'rotor'), size('thick', 'plate', 'size', 20, { limits: typedLimit })],
      [
        {
          ...common('f', [limit('minimum', 'lower', 0.18)], 'plate'),
          kind: 'shimPair',
          opens: 'back',
          closes: 'front',
          opensTo: { leastMm: 0.18, greatestMm: 0.22 },
          closesTo: { leastMm: 0.18, greatestMm: 0.22 },
          stock: [],
        },
      ],
      { back: ['0.15'], front: ['0.25'], thick: [thick] },
    )
    const looked = ['plate', 'rotor'].map((of, index) => ({
      id: `01990000-0000-7000-8000-0000000000f${index}`,
      by: 'Ann',
      at: '2026-06-01T09:00:00Z',
      body: { kind: 'inspected' as const, part: of, note: '' },
    }))
    return { ...record, job: { ...record.job, entries: looked } }
  }
  const first = (record: ReturnType<typeof faces>) => startEvaluation(record).waysAt(0)[0]

  test('with the amount and what it leaves, first where the parts in it are sound', () => {
    expect(first(faces('20', [limit('minimum', 'lower', 19.9)]))).toMatchObject({
      by: 'set',
      set: { by: 'shims', changeMm: 0.05 },
      leaves: { tightestMm: 0.2, loosestMm: 0.2 },
      state: 'holds',
    })
  })
  test('below the mending of what is worn', () => {
    const record = faces('19.5', [limit('minimum', 'lower', 19.9)])
    const renewable = { ...part('plate'), replacement: { cost: 40, days: 1 } }
    const book = { ...record.book, parts: record.book.parts.map((of) => (of.id === 'plate' ? renewable : of)) }
    const order = startEvaluation({ ...record, book } as typeof record)
      .waysAt(0)
      .map(({ by }) => by)
    expect(order.indexOf('set')).toBeGreaterThan(0)
    expect(evaluate(record).parts.map(({ id, verdict }) => `${id} ${verdict}`)).toContain('plate replace')
  })
})
