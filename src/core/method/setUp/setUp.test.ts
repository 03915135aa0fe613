import { expect, test } from 'vitest'
import { everyMethod } from '../everyMethod.fixture'
import { slotsOf } from '../layout'
import type { Method, MethodKind } from '../method'
import { methodFaults, methodSchema } from '../methodSchema'
import type { SetUpAnswers } from './answers'
import { namesInFormula, setUpMethod, setUpOf } from './setUp'

/** What must be typed besides what stands there already. */
const needed: Partial<Record<MethodKind, SetUpAnswers>> = {
  ringEndGap: { reference: '160', runsIn: 'bore' },
  endFloat: { repeatability: '0,02' },
  radialPlay: { repeatability: '20 µm' },
  plasticStrip: { scale: '2.0 = 0.10; 3.0 = 0.06' },
  capPinch: { shimsWithin: '0.01' },
  spring: { longer: '62', shorter: '48.5', working: '50', newLoad: '1,2 kN' },
  openingPressure: { set: '12', repeatability: '0.2' },
  torque: { target: '180 Nm' },
  elementPattern: { count: '24', element: 'tooth' },
  benchTest: { points: 'idle = 10..12; full = ..42' },
  visualCheck: { question: 'Moves freely?' },
  computed: { quantity: 'length', formula: '(a + b)/2 - 0.05 mm', names: 'a = bore.maximum; b = shaft.minimum' },
}

test.each(Object.keys(everyMethod) as MethodKind[])('%s is set up from what is asked, as a limit book would have it', (kind) => {
  const made = setUpMethod(kind, needed[kind] ?? {}, 'metric')
  if (!made.ok) throw new Error(JSON.stringify(made.fault))
  expect(methodSchema.parse(made.value)).toEqual(made.value)
  expect(methodFaults(made.value)).toEqual([])
  expect(slotsOf(made.value).length > 0).toBe(kind !== 'computed')
})

test.each(Object.keys(needed) as MethodKind[])('%s says which answers are missing, all of them', (kind) => {
  const must = new Set(
    setUpOf(kind)
      .filter(({ start }) => start === null)
      .map(({ key }) => key),
  )
  const made = setUpMethod(kind, {}, 'metric')
  expect(made.ok ? [] : made.fault.map(({ at }) => at).sort()).toEqual([...must].sort())
})

test('places, angles and sizes are read as a person types them', () => {
  const made = (kind: MethodKind, answers: SetUpAnswers, system: 'metric' | 'inch' = 'metric'): Method => {
    const result = setUpMethod(kind, answers, system)
    if (!result.ok) throw new Error(JSON.stringify(result.fault))
    return result.value
  }
  expect(made('boreDiameter', { stations: 'top, middle, bottom', directions: '2', master: '2 1/2' }, 'inch')).toEqual({
    kind: 'boreDiameter',
    stations: [
      { id: 'A', label: 'top' },
      { id: 'B', label: 'middle' },
      { id: 'C', label: 'bottom' },
    ],
    directions: [
      { id: '1', label: '1' },
      { id: '2', label: '2' },
    ],
    walk: 'stationFirst',
    masterMm: 63.5,
  })
  expect(made('gapAtPositions', { positions: '0, 120, 240' })).toMatchObject({
    positions: [{ angleDeg: 0 }, { angleDeg: 120 }, { angleDeg: 240 }],
  })
  expect(made('runout', { stations: '2', distances: '0, 1.2 m' })).toMatchObject({ stations: [{ atMm: 0 }, { atMm: 1200 }] })
  expect(made('benchTest', { quantity: 'flow', points: 'idle = 10..12; full = ..42' })).toMatchObject({
    points: [
      { label: 'idle', least: 10, greatest: 12 },
      { label: 'full', least: null, greatest: 42 },
    ],
  })
})

const refused: [kind: MethodKind, answers: SetUpAnswers, key: string][] = [
  ['outsideDiameter', { stations: '0' }, 'stations'],
  ['outsideDiameter', { stations: 'top, top' }, 'stations'],
  ['boreDiameter', { master: '63 kg' }, 'master'],
  ['gapAtPositions', { positions: '0, 400' }, 'positions'],
  ['runout', { stations: '3', distances: '0, 100' }, 'distances'],
  ['endFloat', { repeats: 'three', repeatability: '0.02' }, 'repeats'],
  ['plasticStrip', { scale: '2.0 = 0.10; 3.0 = 0.20' }, 'scale'],
  ['spring', { longer: '40', shorter: '50', working: '45', newLoad: '10' }, 'shorter'],
  ['benchTest', { points: 'idle = 10' }, 'points'],
  ['computed', { formula: 'a - b', names: 'a = bore.maximum' }, 'names'],
  ['computed', { formula: 'a -' }, 'formula'],
]
test.each(refused)('%s refuses %j', (kind, answers, key) => {
  const made = setUpMethod(kind, answers, 'metric')
  expect(made.ok ? [] : made.fault.map(({ at }) => at)).toContain(key)
})

test('names in a formula are neither functions nor units', () => {
  expect(namesInFormula('max(bore; d2) - 0.05 mm + pi*k')).toEqual(['bore', 'd2', 'k'])
  expect(namesInFormula('a - -')).toEqual([])
})
