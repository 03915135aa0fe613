import { describe, expect, test } from 'vitest'
import { intervalOf } from '../../quantity/extent'
import { everyMethod, places, take, worn } from '../everyMethod.fixture'
import { slotsOf } from '../layout'
import type { Method } from '../method'
import type { Reduced, ReductionName } from '../reduction'
import { reduceReadings } from './reduce'

const { boreDiameter: bore, outsideDiameter: journal, plasticStrip: strip, endFloat: float, gapAtPositions: gaps } = everyMethod
const ring = (springs: 'outward' | 'inward'): Method => ({ ...everyMethod.ringEndGap, springs })

const INFINITE = Number.POSITIVE_INFINITY

interface Case {
  readonly name: string
  readonly method: Method
  readonly values: readonly (number | readonly [number, number])[]
  readonly nominal?: number | undefined
  readonly runsIn?: Reduced | undefined
  /** A figure, the ends of an interval, or null where there is no such value. */
  readonly gives: Partial<Record<ReductionName, number | readonly [number, number] | null>>
  readonly resultOf?: (characteristic: string) => Reduced | null
}
const cases: Case[] = [
  {
    name: 'bore, worn from new',
    method: bore,
    values: [220.348, 220.401, 220.412, 220.331, 220.38, 220.395],
    nominal: 220.2,
    gives: { maximum: 220.412, minimum: 220.331, outOfRound: 0.021, taper: 0.064, wear: 0.212 },
  },
  {
    name: 'bore below new: the wear is negative',
    method: bore,
    values: [220.18],
    nominal: 220.2,
    gives: { wear: -0.02, outOfRound: null, taper: null },
  },
  {
    name: 'journal, worn from new',
    method: journal,
    values: [219.941, 219.939, 219.937, 219.936, 219.938, 219.94],
    nominal: 220,
    gives: { minimum: 219.936, wear: 0.064, outOfRound: 0.002, taper: 0.004 },
  },
  {
    name: 'strip by its scale',
    method: strip,
    values: [2.5, 3],
    nominal: 0.2,
    gives: { maximum: 0.45, minimum: 0.4, stripTaper: 0.05, wear: 0.25 },
  },
  { name: 'strip outside its scale gives nothing', method: strip, values: [1.9], gives: { maximum: null } },
  {
    name: 'segments of a ring add; the gap opens with a worn bore',
    method: ring('outward'),
    values: [0.3, 0.2],
    nominal: 0.5,
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
    nominal: 0.25,
    gives: { mean: 0.937 / 3, range: 0.005 },
  },
  {
    name: 'wear of a bore from its unworn station, where it is read',
    method: { ...bore, walk: 'stationFirst', unworn: 'A' },
    values: [220.21, 220.19, 220.4, 220.38, 220.3, 220.3],
    nominal: 220,
    gives: { wear: 0.2, maximum: 220.4 },
  },
  {
    name: 'a barrel is thicker between its ends',
    method: journal,
    values: [50, 50, 50.06, 50.04, 50.02, 50],
    gives: { barrel: 0.05 - 0.005 },
  },
  {
    name: 'thickness around',
    method: everyMethod.size,
    values: [9.98, 10.02, 9.94],
    nominal: 10,
    gives: { minimum: 9.94, median: 9.98, parallelism: 0.08, wear: 0.06 },
  },
  {
    // Rotor 0.1 off: the gap is widest at 45°, narrowest opposite.
    name: 'gaps around an eccentric rotor',
    method: gaps,
    values: [0, 45, 90, 135, 180, 225, 270, 315].map((deg) => 1 + 0.1 * Math.cos(((deg - 45) * Math.PI) / 180)),
    gives: { maximum: 1.1, minimum: 0.9, mean: 1, oppositeDifference: 0.2, eccentricity: 0.1, eccentricityAngle: 45 },
  },
  {
    name: 'up and down at an overhung dial, scaled back to the bearing',
    method: everyMethod.radialPlay,
    values: [0.2, 0.21, 0.19],
    gives: { mean: 0.1 },
  },
  {
    // A bow of 0.05 at the middle in direction 0, with 0.02 of oval added there; the ends run true.
    name: 'runout: eccentricity, oval and bow told apart',
    method: everyMethod.runout,
    values: [
      ...Array.from({ length: 8 }, () => 0),
      ...Array.from({ length: 8 }, (_, index) => 0.05 * Math.cos((index * Math.PI) / 4) + 0.02 * Math.cos((index * Math.PI) / 2)),
      ...Array.from({ length: 8 }, () => 0),
    ],
    gives: {
      eccentricity: 0.05,
      eccentricityAngle: 0,
      secondHarmonic: 0.02,
      bow: 0.05,
      totalIndicated: 0.07 + 0.05 * Math.SQRT1_2,
    },
  },
  {
    name: 'tilt and difference of the sides under strips',
    method: {
      ...strip,
      sides: [
        { id: 'L', label: 'left' },
        { id: 'R', label: 'right' },
      ],
      apartMm: 100,
    },
    values: [2.5, 2.4, 2.6, 3, 3, 3],
    gives: { maximum: 0.45, tilt: 0.5, sideDifference: 0.02, stripTaper: 0.05 },
  },
  {
    name: 'pinch is shim less wire',
    method: everyMethod.capPinch,
    values: [0.3, 0.3, 0.22, 0.23],
    gives: { minimum: 0.07, maximum: 0.08, mean: 0.075 },
  },
  {
    // Rim: top 0.10, bottom −0.10: offset 0.10 towards the top. Face 0.05 on 250 mm radius at the right.
    name: 'coupling: offset and angle as vectors',
    method: everyMethod.shaftAlignment,
    values: [0.1, 0, 0, 0.05, -0.1, 0, 0, -0.05],
    gives: { offset: 0.1, offsetAngle: 0, angularity: 0.2, angularityAngle: 90 },
  },
  {
    name: 'contact by cells, with its halves',
    method: everyMethod.contactPattern,
    values: [100, 100, 100, 50, 50, 0, 0, 0],
    gives: { contactPercent: 50, contactEnds: 75, contactSides: 12.5 * 2 },
  },
  {
    name: 'spring by two loads, its length and lean',
    method: everyMethod.spring,
    values: [310, 742, 71.4, 0.8],
    gives: { springRate: 32, loadAtWorking: 694, loadLoss: 5.578231292517, freeLength: 71.4, lean: 0.8 },
  },
  {
    name: 'opening pressure, drip and fall',
    method: everyMethod.openingPressure,
    values: [9.4, 9.5, 9.6, 0, 0.3],
    gives: { mean: 9.5, range: 0.2, adjustment: 0.5, drips: 1, pressureFall: 0.3 },
  },
  {
    name: 'fasteners against their target; one beyond the wrench',
    method: everyMethod.torque,
    values: [190, 200, [210, INFINITE], 205],
    gives: { minimum: 190, lowestOfTarget: 95, maximum: [210, INFINITE], highestOfTarget: [105, INFINITE] },
  },
  {
    name: 'the mark farthest from its place, to either side',
    method: everyMethod.markShift,
    values: [2, -7, 1],
    gives: { largestAngle: 7 },
  },
  {
    name: 'neighbours across the joint of a ring',
    method: everyMethod.elementPattern,
    values: [100, 0, 30, 0, 0, 60],
    gives: { damaged: 2, adjacentDamaged: 1, worstWorn: 100 },
  },
  {
    name: 'broken apart from how worn the rest is',
    method: everyMethod.elementPattern,
    values: [100, 0, 30, 0, 0, 60],
    gives: { broken: 1, worstOfRest: 60 },
  },
  {
    name: 'one that may be broken is counted so, and may be the worst of the rest',
    method: everyMethod.elementPattern,
    values: [100, 0, 30, [90, 100], 0, 60],
    gives: { broken: [1, 2], worstOfRest: [60, 100] },
  },
  {
    name: 'nothing is left to be worn where all are broken',
    method: everyMethod.elementPattern,
    values: [100, 100, 100, 100, 100, 100],
    gives: { broken: 6, worstOfRest: null, adjacentDamaged: 6 },
  },
  { name: 'points of a rig in their bands', method: everyMethod.benchTest, values: [4.1, 5], gives: { failedPoints: 1 } },
  {
    name: 'a point that may be out of its band',
    method: everyMethod.benchTest,
    values: [[3.9, 4.1], 5],
    gives: { failedPoints: [0, 1] },
  },
  { name: 'answers not as wanted', method: everyMethod.visualCheck, values: [1, 0], gives: { notAsWanted: 1 } },
  {
    name: 'a formula over other results',
    method: everyMethod.computed,
    values: [],
    resultOf: (id) => worn(id === 'h' ? 60.3 : 60.1),
    gives: { result: 0.2 },
  },
  {
    name: 'a formula waits for what it needs',
    method: everyMethod.computed,
    values: [],
    resultOf: () => null,
    gives: { result: null },
  },
  {
    name: 'a bound stays a bound through minimum, mean and wear',
    method: { ...everyMethod.size, points: places('a', 'b') },
    values: [10, [9.9, 9.95]],
    nominal: 10,
    gives: { minimum: [9.9, 9.95], maximum: 10, mean: [9.95, 9.975], wear: [0.05, 0.1], parallelism: [0.05, 0.1] },
  },
  {
    name: 'slop in a strip width turns round in its scale',
    method: { ...strip, stations: places('A') },
    values: [[2, 3]],
    gives: { maximum: [0.4, 0.5] },
  },
]
test.each(cases)('$name', ({ method, values, nominal = 0, runsIn = null, gives, resultOf = () => null }) => {
  const { values: reduced } = reduceReadings(method, take(method, values), { nominal, runsIn, resultOf })
  for (const [name, expected] of Object.entries(gives)) {
    const got = reduced[name as ReductionName]
    if (expected === null) expect(got, name).toBeUndefined()
    else {
      const { low, high } = got ? intervalOf(got) : { low: Number.NaN, high: Number.NaN }
      const [from, to] = typeof expected === 'number' ? [expected, expected] : expected
      expect(low, name).toBeCloseTo(from, 9)
      if (Number.isFinite(to)) expect(high, name).toBeCloseTo(to, 9)
      else expect(high, name).toBe(to)
    }
  }
})

describe('doubt and what is missing', () => {
  test('errors of one gauge cancel in a difference and stay in a size', () => {
    const { values } = reduceReadings(bore, take(bore, Array(6).fill(2)), { nominal: 1, runsIn: null })
    expect(values.maximum?.uncertainty).toBeCloseTo(Math.hypot(0.004 / Math.sqrt(3), 0.001 / Math.sqrt(12)), 12)
    expect(values.outOfRound?.uncertainty).toBeCloseTo((0.001 / Math.sqrt(12)) * Math.SQRT2, 12)
  })

  test('an incomplete set says which way its values can still go', () => {
    const { values, taken, needed } = reduceReadings(bore, take(bore, [1, 2]), { nominal: 1, runsIn: null })
    expect({ taken, needed }).toEqual({ taken: 2, needed: 6 })
    expect([values.maximum?.open, values.minimum?.open, values.mean?.open]).toEqual(['canOnlyGrow', 'canOnlyShrink', 'eitherWay'])
  })

  test.each([
    {
      read: [5.0, 5.0, 5.2],
      faults: 0,
      maximum: 'eitherWay',
      minimum: 'canOnlyShrink',
      why: 'one repeat of the largest is missing',
    },
    { read: [5.0, 5.0, 5.2, 5.2], faults: 0, maximum: 'canOnlyGrow', minimum: 'canOnlyShrink', why: 'a place is missing' },
    { read: [5.0, 5.0, 5.1, 5.1, 5.2, 5.2], faults: 0, maximum: 'complete', minimum: 'complete', why: 'all is read' },
    {
      read: [5.0, 5.0, 5.1, 5.1, 5.2, 5.8],
      faults: 1,
      maximum: 'eitherWay',
      minimum: 'canOnlyShrink',
      why: 'the largest disagrees',
    },
    {
      read: [5.0, 5.0, 5.0, 5.3, 5.4, 5.4],
      faults: 1,
      maximum: 'canOnlyGrow',
      minimum: 'canOnlyShrink',
      why: 'another disagrees',
    },
  ])('two repeats at three places: $why', ({ read, faults, maximum, minimum }) => {
    const method = { ...everyMethod.size, repeatsAtLeast: 2, repeatabilityLimit: 0.02 }
    const made = reduceReadings(method, take(method, read), { nominal: 6, runsIn: null })
    expect(made.faults).toHaveLength(faults)
    expect([made.values.maximum?.open, made.values.minimum?.open]).toEqual([maximum, minimum])
    // It wears smaller: what is open about the smallest is open about the wear, the other way round.
    expect(made.values.wear?.open).toBe(minimum === 'canOnlyShrink' ? 'canOnlyGrow' : minimum)
  })

  test('repeats that disagree keep the mean open and name the one that sticks out', () => {
    const { values, faults } = reduceReadings(float, take(float, [0.31, 0.36, 0.312]), { nominal: 0, runsIn: null })
    expect(values.mean?.open).toBe('eitherWay')
    expect(faults).toMatchObject([{ code: 'repeatsDisagree', sticksOut: 2 }])
  })

  test('a range exactly at the repeatability limit agrees', () => {
    expect(reduceReadings(float, take(float, [0.41, 0.43, 0.42]), { nominal: 0, runsIn: null }).faults).toEqual([])
  })
})

test('unequal shims and a spring that does not stiffen are faults, and give no figure that rests on them', () => {
  const pinch = reduceReadings(everyMethod.capPinch, take(everyMethod.capPinch, [0.3, 0.35, 0.2, 0.2]), {
    nominal: 0,
    runsIn: null,
  })
  expect(pinch.faults.map(({ code }) => code)).toEqual(['shimsUnequal'])
  expect(Object.values(pinch.values).map(({ open }) => open)).not.toContain('complete')
  const spring = reduceReadings(everyMethod.spring, take(everyMethod.spring, [700, 650]), { nominal: 0, runsIn: null })
  expect(spring.faults.map(({ code }) => code)).toEqual(['noSpringLine'])
  expect(spring.values.springRate).toBeUndefined()
})

test('a place that does not exist here is not waited for; one that cannot be measured is', () => {
  const marked = (cannot: string[], notApplicable: string[]) =>
    reduceReadings(everyMethod.size, take(everyMethod.size, [1, 2]), {
      nominal: 0,
      runsIn: null,
      marked: { cannot, notApplicable },
    })
  expect(marked([], ['c/-/1'])).toMatchObject({ taken: 2, needed: 2, values: { maximum: { open: 'complete' } } })
  expect(marked(['c/-/1'], [])).toMatchObject({ taken: 2, needed: 3, cannot: 1, values: { maximum: { open: 'canOnlyGrow' } } })
})

test('a shaft bends between its outer stations, in whatever order the sheet names them', () => {
  const { runout } = everyMethod
  const around = (high: number) => [0, 45, 90, 135, 180, 225, 270, 315].map((deg) => high * Math.cos((deg * Math.PI) / 180))
  const bow = (order: readonly number[]) => {
    const stations = order.map((at) => runout.stations[at] ?? { id: '', label: '', atMm: 0 })
    const method = { ...runout, stations }
    const own = new Map(runout.stations.map(({ id }, at) => [id, around(at === 1 ? 0.05 : 0.01)]))
    const readings = take(method, []).concat(
      slotsOf(method).flatMap((slot) => {
        const at = runout.angles.findIndex(({ id }) => id === slot.direction)
        const [reading] = take(method, [own.get(slot.station)?.[at] ?? 0])
        return reading ? [{ ...reading, ...slot }] : []
      }),
    )
    return reduceReadings(method, readings, { nominal: null, runsIn: null, resultOf: () => null }).values.bow
  }
  for (const order of [
    [0, 1, 2],
    [1, 0, 2],
    [2, 1, 0],
  ])
    expect(bow(order)?.value).toBeCloseTo(0.04, 9)
})

test('opposite places are found though their angles are off by rounding', () => {
  const positions = Array.from({ length: 14 }, (_, at) => ({ id: String(at + 1), label: '', angleDeg: (360 / 14) * at }))
  const method = { ...gaps, positions }
  const { oppositeDifference } = reduceReadings(
    method,
    take(
      method,
      positions.map((_, at) => (at === 3 ? 1.3 : 1)),
    ),
    {
      nominal: null,
      runsIn: null,
      resultOf: () => null,
    },
  ).values
  expect(oppositeDifference?.value).toBeCloseTo(0.3, 12)
})
