import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Gauge } from '../gauge/uncertainty'
import { acceptsSlot, layoutOf, type Method, slotKey } from './method'
import { reduceReadings, type TakenReading } from './reduce'
import type { Reduced, ReductionName } from './reduction'

const gauge: Gauge = {
  id: 'g',
  code: 'G',
  name: 'g',
  kind: 'boreGauge',
  resolutionMm: 0.001,
  maximumPermissibleErrorMm: 0.004,
  calibrationDue: '2030-01-01',
}
const ABC = ['A', 'B', 'C'].map((id) => ({ id, label: id }))
const D12 = ['1', '2'].map((id) => ({ id, label: id }))
const bore: Method = { kind: 'boreDiameter', masterMm: null, stations: ABC, directions: D12, walk: 'directionFirst' }
const journal: Method = { kind: 'outsideDiameter', stations: ABC, directions: D12, walk: 'stationFirst' }
const strip: Method = {
  kind: 'plasticStrip',
  stations: [ABC[0], ABC[2]].filter((place) => place !== undefined),
  direction: { id: '1', label: 'vertical' },
  scale: [
    { widthMm: 2, clearanceMm: 0.5 },
    { widthMm: 4, clearanceMm: 0.3 },
  ],
  scaleUncertaintyMm: 0,
}
const ring = (springs: 'outward' | 'inward'): Method => ({
  kind: 'ringEndGap',
  segments: D12,
  springs,
  referenceDiameterMm: 160,
  runsIn: 'd',
})
const float: Method = { kind: 'endFloat', repeatsAtLeast: 3, repeatabilityLimitMm: 0.02 }
const methods: Method[] = [bore, journal, strip, ring('outward'), ring('inward'), float]

/** Readings of the first places in walking order. */
const take = (method: Method, values: readonly number[]): TakenReading[] =>
  layoutOf(method)
    .slice(0, values.length)
    .map((slot, index) => ({ ...slot, valueMm: values[index] ?? Number.NaN, gauge }))
const worn = (valueMm: number): Reduced => ({ valueMm, uncertaintyMm: 0, where: 'at B', sum: [], open: 'complete' })

interface Case {
  readonly name: string
  readonly method: Method
  readonly values: readonly number[]
  readonly nominalMm?: number
  readonly runsIn?: Reduced
  readonly gives: Partial<Record<ReductionName, number | null>>
}
const cases: Case[] = [
  {
    name: 'bore, worn from new',
    method: bore,
    values: [220.348, 220.401, 220.412, 220.331, 220.38, 220.395],
    nominalMm: 220.2,
    gives: { maximum: 220.412, minimum: 220.331, outOfRound: 0.021, taper: 0.064, wear: 0.212 },
  },
  {
    name: 'bore below new: the wear is negative',
    method: bore,
    values: [220.18],
    nominalMm: 220.2,
    gives: { wear: -0.02, outOfRound: null, taper: null },
  },
  {
    name: 'journal, worn from new',
    method: journal,
    values: [219.941, 219.939, 219.937, 219.936, 219.938, 219.94],
    nominalMm: 220,
    gives: { minimum: 219.936, wear: 0.064, outOfRound: 0.002, taper: 0.004 },
  },
  {
    name: 'strip by its scale',
    method: strip,
    values: [2.5, 3],
    nominalMm: 0.2,
    gives: { maximum: 0.45, minimum: 0.4, stripTaper: 0.05, wear: 0.25 },
  },
  { name: 'strip outside its scale gives nothing', method: strip, values: [1.9], gives: { maximum: null } },
  {
    name: 'segments of a ring add; the gap opens with a worn bore',
    method: ring('outward'),
    values: [0.3, 0.2],
    nominalMm: 0.5,
    runsIn: worn(160.1),
    gives: { total: 0.5, gapAtWornDiameter: 0.5 + Math.PI * 0.1 },
  },
  {
    name: 'the gap of a ring on a worn rod closes',
    method: ring('inward'),
    values: [0.3, 0.2],
    runsIn: worn(159.9),
    gives: { gapAtWornDiameter: 0.5 - Math.PI * 0.1 },
  },
  {
    name: 'without the diameter it runs in the gap there is not known',
    method: ring('outward'),
    values: [0.3, 0.2],
    gives: { gapAtWornDiameter: null },
  },
  {
    name: 'repeats that agree',
    method: float,
    values: [0.31, 0.315, 0.312],
    nominalMm: 0.25,
    gives: { mean: 0.937 / 3, range: 0.005 },
  },
]
test.each(cases)('$name', ({ method, values, nominalMm = 0, runsIn = null, gives }) => {
  const { values: reduced } = reduceReadings(method, take(method, values), { nominalMm, runsIn })
  for (const [name, expected] of Object.entries(gives)) {
    const got = reduced[name as ReductionName]?.valueMm
    if (expected === null) expect(got, name).toBeUndefined()
    else expect(got, name).toBeCloseTo(expected, 9)
  }
})

describe('doubt and what is missing', () => {
  test('errors of one gauge cancel in a difference and stay in a size', () => {
    const { values } = reduceReadings(bore, take(bore, [1, 2, 3, 4, 5, 6]), { nominalMm: 1, runsIn: null })
    expect(values.maximum?.uncertaintyMm).toBeCloseTo(Math.hypot(0.004 / Math.sqrt(3), 0.001 / Math.sqrt(12)), 12)
    expect(values.outOfRound?.uncertaintyMm).toBeCloseTo((0.001 / Math.sqrt(12)) * Math.SQRT2, 12)
  })

  test('an incomplete set says which way its values can still go', () => {
    const { values, taken, needed } = reduceReadings(bore, take(bore, [1, 2]), { nominalMm: 1, runsIn: null })
    expect({ taken, needed }).toEqual({ taken: 2, needed: 6 })
    expect([values.maximum?.open, values.minimum?.open, values.mean?.open]).toEqual(['canOnlyGrow', 'canOnlyShrink', 'eitherWay'])
  })

  test('repeats that disagree keep the mean open and name the one that sticks out', () => {
    const { values, faults } = reduceReadings(float, take(float, [0.31, 0.36, 0.312]), { nominalMm: 0, runsIn: null })
    expect(values.mean?.open).toBe('eitherWay')
    expect(faults).toMatchObject([{ code: 'repeatsDisagree', sticksOut: 2 }])
  })

  test('a range exactly at the repeatability limit agrees', () => {
    expect(reduceReadings(float, take(float, [0.41, 0.43, 0.42]), { nominalMm: 0, runsIn: null }).faults).toEqual([])
  })
})

describe('properties', () => {
  const anySet = fc.constantFrom(...methods).chain((method) =>
    fc.record({
      method: fc.constant(method),
      readings: fc
        .array(fc.double({ min: 0, max: 1e5, noNaN: true }), { maxLength: layoutOf(method).length })
        .map((values) => take(method, values)),
    }),
  )

  test('the order in which readings arrive does not matter', () => {
    fc.assert(
      fc.property(anySet, fc.integer(), ({ method, readings }, salt) => {
        const mixed = [...readings].sort(
          (a, b) => ((slotKey(a).length * 7 + salt + a.valueMm) % 3) - ((slotKey(b).length * 7 + salt + b.valueMm) % 3),
        )
        const context = { nominalMm: 1, runsIn: null }
        const [a, b] = [reduceReadings(method, readings, context), reduceReadings(method, mixed, context)]
        for (const [name, value] of Object.entries(a.values))
          expect(b.values[name as ReductionName]?.valueMm).toBeCloseTo(value.valueMm, 6)
      }),
      { seed: 8785 },
    )
  })

  test('no reading can produce anything but finite figures', () => {
    fc.assert(
      fc.property(anySet, ({ method, readings }) => {
        const { values } = reduceReadings(method, readings, { nominalMm: 1, runsIn: worn(160.2) })
        for (const value of Object.values(values)) {
          expect(Number.isFinite(value.valueMm) && Number.isFinite(value.uncertaintyMm)).toBe(true)
          expect(value.sum.reduce((sum, { valueMm }) => sum + valueMm, 0)).not.toBeNaN()
        }
      }),
      { seed: 8785 },
    )
  })

  test('every place of a layout is accepted, once, and no other', () => {
    for (const method of methods) {
      const keys = layoutOf(method).map(slotKey)
      expect(new Set(keys).size).toBe(keys.length)
      expect(layoutOf(method).every((slot) => acceptsSlot(method, slot))).toBe(true)
      expect(acceptsSlot(method, { station: 'Z', direction: 'Z', repeat: 1 })).toBe(false)
    }
  })
})
