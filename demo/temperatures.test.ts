/** A temperature and what temperatures differ by are two things: 1 K is 1.8 °F of difference, and 1 °C is 33.8 °F. */

import { describe, expect, test } from 'vitest'
import { evaluate } from '../src/core/evaluate/evaluate'
import { readTypedGauge } from '../src/core/gauge/typedGauge'
import { checkFormula, parseFormula } from '../src/core/method/formula'
import { slotsOf } from '../src/core/method/layout'
import { withTyped } from '../src/core/notes/typedBook'
import type { TypedCharacteristic } from '../src/core/notes/typedSchema'
import { figuresOf } from '../src/core/quantity/figures'
import { parseQuantity } from '../src/core/quantity/quantity'
import { type InspectionRecord, recordSchema } from '../src/core/record/recordSchema'
import { readTyped } from '../src/core/record/typedReading'
import { candidatesOf } from '../src/core/slip/candidates'
import { entry } from './noted'
import { demoRecord } from './record'
import { reasonsOf, traceOf } from './said'

const bearing: TypedCharacteristic = {
  name: 'Bearing metal',
  part: { id: 'shell', name: 'Shell', assembly: 'Guide bearing', position: 'Turbine' },
  method: {
    kind: 'meter',
    quantity: 'temperature',
    wears: 'larger',
    points: [
      { id: 'a', label: 'upper' },
      { id: 'b', label: 'lower' },
    ],
    repeatsAtLeast: 1,
    repeatabilityLimit: null,
  },
  gaugeKind: 'thermometer',
  readTo: '0.5 °F',
  how: '',
  document: { id: 'T-1', title: 'Handbook', revision: '' },
  new: { nominal: null, lower: '104', upper: '122', page: '3' },
  limits: [
    { judges: 'maximum', side: 'upper', wear: '176', plan: null, whenPassed: 'mend', instruction: '', page: '3' },
    { judges: 'variation', side: 'upper', wear: '9', plan: null, whenPassed: 'mend', instruction: '', page: '3' },
  ],
  safety: false,
}

/** The demo machine as an inch one, with the bearing's temperatures read in °F. */
function inchRecord(...texts: string[]): InspectionRecord {
  const record = demoRecord({})
  const noted = entry({ kind: 'characteristicTyped', characteristic: 't-1', value: bearing })
  const thermometer = readTypedGauge({
    code: 'TH-1',
    name: 'Contact thermometer',
    kind: 'thermometer',
    resolution: '0.2 °F',
    maximumPermissibleError: '1.8 °F',
    expanded: '',
    coverage: '',
    repeatability: '',
    corrections: '',
    expansion: '',
    least: '32 °F',
    greatest: '212 °F',
    calibrationDue: '2027-05-01',
  })
  if (!thermometer.ok) throw new Error(JSON.stringify(thermometer.fault))
  const book = withTyped(record.book, [noted], 'inch')
  const characteristic = book.characteristics.find(({ id }) => id === 't-1')
  if (!characteristic) throw new Error('it was typed')
  const readings = texts.map((text, at) => {
    const slot = slotsOf(characteristic.method)[at]
    const typed = slot && readTyped(characteristic, slot, text, 'inch')
    if (!typed?.ok) throw new Error(`“${text}” is no reading`)
    return {
      id: `01990000-0000-7000-8000-0000000001${String(at).padStart(2, '0')}`,
      characteristic: 't-1',
      ...slot,
      stage: 'asFound' as const,
      text,
      ...typed.value.fields,
      conditions: null,
      gauge: 'th-1',
      by: 'Mara Ellwood',
      takenAt: '2026-11-24T09:00:00Z',
      supersedes: null,
      reason: null,
    }
  })
  return recordSchema.parse({
    ...record,
    machine: { ...record.machine, units: 'inch' },
    book,
    gauges: [...record.gauges, { ...thermometer.value, id: 'th-1' }],
    job: { ...record.job, entries: [noted], readings },
  })
}

describe('on an inch machine', () => {
  const said = inchRecord('158', '150.8')
  const result = evaluate(said).characteristics.find(({ id }) => id === 't-1')
  const { maximum, variation, wear } = result?.reductions.values ?? {}

  test('readings, new and limits are temperatures; steps, errors, spread and wear are differences', () => {
    expect(maximum).toMatchObject({ value: 70, quantity: 'temperature' })
    expect(variation).toMatchObject({ value: 4, quantity: 'temperatureDifference' })
    // New is 104 to 122 °F: 45 °C in the middle.
    expect(wear).toMatchObject({ value: 25, quantity: 'temperatureDifference' })
    expect(result?.limits.map(({ limit }) => limit.wear)).toEqual([80, 5])
    // 1.8 °F of permissible error is 1 K.
    expect(maximum?.uncertainty).toBeCloseTo(Math.hypot(1 / Math.sqrt(3), 0.2 / 1.8 / Math.sqrt(12)), 3)
  })

  test('the reasons open to sums that add up', () => {
    const traces = result?.votes.map((vote) => [...reasonsOf(said, [vote]), ...traceOf(said, vote)].join('\n')) ?? []
    expect(traces[0]).toMatch(/Largest 158\.0 is inside the limit ≤ 176\.0 °F/)
    expect(traces[0]).toMatch(/± 2\.1 °F/)
    expect(traces[1]).toMatch(/Variation 7\.2 is inside the limit ≤ 9\.0 °F/)
    expect(traces[1]).toMatch(/= largest 158\.0 °F, less smallest 150\.8 °F/)
  })
})

test.each([
  ['metric', '1.0', '21.0'],
  ['inch', '1.8', '69.8'],
] as const)('%s: a difference of 1 K is %s, a body at 21 °C has %s', (system, difference, size) => {
  const figures = figuresOf('temperature', system, 0.1)
  expect(figures.difference(1)).toBe(difference)
  expect(figures.figure(21)).toBe(size)
  expect(figures.expanded(0.5)).toBe(difference)
})

test.each([
  ['9 °F', 5],
  ['5 K', 5],
  ['5 °C', 5],
  ['-0.9 °F', -0.5],
])('a difference typed as %s', (text, kelvin) => {
  const parsed = parseQuantity(text, 'temperatureDifference', 'K')
  expect(parsed.ok && parsed.value.value).toBeCloseTo(kelvin, 12)
})

test.each([
  ['1580', 'inch', '158.0'],
  ['185', 'inch', '158.0'],
  ['700', 'metric', '70.0'],
] as const)('a slip in %s on a %s machine is of the figure that was typed: %s', (text, system, meant) => {
  const read = parseQuantity(text, 'temperature', system === 'inch' ? '°F' : '°C')
  if (!read.ok) throw new Error(text)
  const { value } = read.value
  const likely = candidatesOf({ text, value, deviation: null, masterMm: null, quantity: 'temperature', system, step: 0.1 })
  expect(likely.map((candidate) => candidate.text)).toContain(meant)
})

test('in a formula temperatures make differences; a figure in °F could be either and is refused', () => {
  const difference = parseFormula('a - b', ['a', 'b'])
  if (!difference.ok) throw new Error(difference.fault.code)
  expect(checkFormula(difference.value, () => 'temperature', 'temperatureDifference')).toBeNull()
  expect(parseFormula('a - 40 °C', ['a']).ok).toBe(true)
  const inFahrenheit = parseFormula('a - 68 °F', ['a'])
  expect(inFahrenheit).toEqual({ ok: false, fault: { code: 'temperatureOrDifference', figure: '68', unit: '°F' } })
})
