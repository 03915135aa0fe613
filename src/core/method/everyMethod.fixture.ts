import type { Gauge } from '../gauge/gauge'
import { readingErrors } from '../gauge/uncertainty'
import { point } from '../quantity/interval'
import { settled } from './known'
import { slotKey, slotsOf } from './layout'
import type { Method, MethodKind, MethodOf } from './method'
import type { TakenReading } from './reduce/reduce'
import { type Reduced, reduced } from './reduction'
import type { Place } from './slot'

/** One of every method, small, for tests that must hold for all of them. */
export const places = (...ids: string[]): Place[] => ids.map((id) => ({ id, label: id }))
const clock = (count: number) =>
  Array.from({ length: count }, (_, index) => ({ id: String(index + 1), label: '', angleDeg: (360 * index) / count }))
const points = { points: places('a', 'b', 'c'), repeatsAtLeast: 1, repeatabilityLimit: null }

export const everyMethod: { readonly [K in MethodKind]: MethodOf<K> } = {
  outsideDiameter: {
    kind: 'outsideDiameter',
    stations: places('A', 'B', 'C'),
    directions: places('1', '2'),
    walk: 'stationFirst',
  },
  boreDiameter: {
    kind: 'boreDiameter',
    masterMm: null,
    stations: places('A', 'B', 'C'),
    directions: places('1', '2'),
    walk: 'directionFirst',
  },
  size: { kind: 'size', what: 'thickness', wears: 'smaller', ...points },
  grooveWidth: { kind: 'grooveWidth', ...points },
  ringEndGap: { kind: 'ringEndGap', segments: places('1', '2'), springs: 'outward', referenceDiameterMm: 160, runsIn: 'd' },
  sideClearance: { kind: 'sideClearance', ...points },
  gapAtPositions: { kind: 'gapAtPositions', positions: clock(8), wears: 'larger' },
  endFloat: { kind: 'endFloat', repeatsAtLeast: 3, repeatabilityLimit: 0.02 },
  radialPlay: { kind: 'radialPlay', repeatsAtLeast: 3, repeatabilityLimit: 0.02, lever: { dialMm: 400, bearingMm: 200 } },
  runout: {
    kind: 'runout',
    stations: [0, 500, 1000].map((atMm, index) => ({ id: `S${index + 1}`, label: '', atMm })),
    angles: clock(8),
  },
  plasticStrip: {
    kind: 'plasticStrip',
    stations: places('A', 'C'),
    direction: { id: '1', label: 'vertical' },
    scale: [
      { widthMm: 2, clearanceMm: 0.5 },
      { widthMm: 4, clearanceMm: 0.3 },
    ],
    scaleUncertaintyMm: 0,
  },
  capPinch: { kind: 'capPinch', shims: places('s1', 's2'), wires: places('w1', 'w2'), shimsWithinMm: 0.01 },
  shellCrush: { kind: 'shellCrush', ...points },
  shaftAlignment: { kind: 'shaftAlignment', positions: clock(4), faceDiameterMm: 500 },
  setDimension: { kind: 'setDimension', ...points },
  contactPattern: { kind: 'contactPattern', rows: places('1', '2'), columns: places('a', 'b', 'c', 'd'), walk: 'stationFirst' },
  straightness: { kind: 'straightness', ...points },
  spring: {
    kind: 'spring',
    longerMm: 62,
    shorterMm: 48.5,
    workingMm: 50,
    newLoadN: 735,
    repeatsAtLeast: 1,
    repeatabilityLimit: null,
  },
  openingPressure: {
    kind: 'openingPressure',
    setBar: 10,
    repeatsAtLeast: 3,
    repeatabilityLimit: 0.2,
    holdSeconds: 60,
    looksForDrip: true,
  },
  torque: { kind: 'torque', fasteners: places('1', '2', '3', '4'), arranged: 'circle', taken: 'final', targetNm: 200 },
  markShift: { kind: 'markShift', ...points },
  backlash: { kind: 'backlash', what: 'backlash', ...points },
  elementPattern: {
    kind: 'elementPattern',
    groups: [{ id: 'R', label: 'ring', count: 6 }],
    arranged: 'rings',
    element: 'blade',
    damagedFromPercent: 50,
  },
  remainingThickness: { kind: 'remainingThickness', what: 'brush', ...points },
  meter: { kind: 'meter', quantity: 'temperature', wears: 'larger', ...points },
  benchTest: {
    kind: 'benchTest',
    quantity: 'flow',
    points: [
      { id: 'a', label: '', least: 2, greatest: 4 },
      { id: 'b', label: '', least: null, greatest: 6 },
    ],
  },
  visualCheck: { kind: 'visualCheck', points: places('a', 'b'), question: 'Does it move freely?', wanted: 'yes' },
  computed: {
    kind: 'computed',
    formula: 'housing - ring',
    names: { housing: { characteristic: 'h', value: 'mean' }, ring: { characteristic: 'r', value: 'mean' } },
    quantity: 'length',
    wears: 'larger',
  },
}

export const testGauge = (over: Partial<Gauge> = {}): Gauge => ({
  id: 'g',
  code: 'G',
  name: 'g',
  kind: 'boreGauge',
  resolution: 0.001,
  maximumPermissibleError: 0.004,
  calibration: null,
  corrections: [],
  expansionPerK: null,
  range: null,
  calibrationDue: '2030-01-01',
  ...over,
})

type Ends = number | readonly [number, number]

/** Readings of the first places in walking order: figures, or intervals by their ends. */
export function take(method: Method, values: readonly Ends[], gauge: Gauge = testGauge()): TakenReading[] {
  return slotsOf(method)
    .slice(0, values.length)
    .map((slot, index) => {
      const value = values[index] ?? Number.NaN
      const interval = typeof value === 'number' ? point(value) : { low: value[0], high: value[1] }
      return {
        ...slot,
        interval,
        gauge,
        errors: readingErrors(gauge, slotKey(slot), interval),
        doubt: null,
      }
    })
}

/** A value of another characteristic, known to the end. */
export const worn = (value: number): Reduced =>
  reduced(settled(point(value), [], 0), { quantity: 'length', where: { code: 'station', station: 'B' }, sum: [] })
