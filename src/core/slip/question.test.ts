import { expect, test } from 'vitest'
import { limitOn } from '../limit/limit.fixture'
import { places, testGauge } from '../method/everyMethod.fixture'
import type { Method } from '../method/method'
import { parseReading } from '../quantity/reading'
import { slipQuestionWords } from '../words/slips'
import { questionReading, type SlipInput } from './question'
import type { SlipKind, SlipQuestion } from './slip'

const bore: Method = {
  kind: 'boreDiameter',
  masterMm: 220.2,
  stations: places('A'),
  directions: places('1'),
  walk: 'stationFirst',
}
const journal: Method = { kind: 'outsideDiameter', stations: places('A'), directions: places('1'), walk: 'stationFirst' }
const float: Method = { kind: 'endFloat', repeatsAtLeast: 3, repeatabilityLimit: 0.02 }
const parts = {
  bore: { method: bore, newSize: [220.18, 220.226] as const, limits: [limitOn('maximum', 'upper', 220.46)] },
  journal: { method: journal, newSize: [219.971, 220] as const, limits: [limitOn('minimum', 'lower', 219.85)] },
  float: { method: float, newSize: [0.2, 0.3] as const, limits: [limitOn('mean', 'upper', 0.5), limitOn('mean', 'lower', 0.15)] },
}

const figures = { quantity: 'length', system: 'metric', step: 0.001 } as const

function question(
  part: keyof typeof parts,
  text: string,
  neighbours: readonly number[] = [],
  over: Partial<SlipInput> = {},
): SlipQuestion | null {
  const { method, newSize, limits } = parts[part]
  const masterMm = part === 'bore' ? 220.2 : null
  const parsed = parseReading(text, {
    form: { kind: 'quantity', quantity: 'length', signed: false, masterMm, pair: false },
    defaultUnit: 'mm',
  })
  if (!parsed.ok || parsed.value.kind !== 'point') throw new Error(`${text} cannot be read`)
  return questionReading({
    ...parsed.value,
    ...figures,
    method,
    text,
    masterMm,
    newSize,
    limits,
    expandedUncertainty: 0.005,
    gauge: testGauge(),
    gaugeUsedBefore: true,
    errorAsked: null,
    today: '2026-11-25',
    before: [],
    repeats: null,
    expects: {
      neighbours: neighbours.map((value) => ({ value, last: null })),
      last: null,
      growth: null,
      sisters: [],
      shape: null,
    },
    ...over,
  })
}

const slips: {
  name: string
  part: keyof typeof parts
  text: string
  neighbours?: number[]
  kind: SlipKind | null
  proposes?: string
}[] = [
  {
    name: 'half a millimetre too much',
    part: 'bore',
    text: '+0.68',
    neighbours: [220.348],
    kind: 'thimbleTurn',
    proposes: '+0.180',
  },
  {
    name: 'the decimal point of a deviation',
    part: 'bore',
    text: '+1.82',
    neighbours: [220.38],
    kind: 'decimalPlace',
    proposes: '+0.182',
  },
  { name: 'the sign of the comparator', part: 'bore', text: '-0.15', kind: 'comparatorSign', proposes: '+0.150' },
  { name: 'the sign forgotten', part: 'bore', text: '0.212', kind: 'signForgotten', proposes: '+0.212' },
  { name: 'a frame too small', part: 'journal', text: '194.94', kind: 'wholeFrame', proposes: '219.940' },
  { name: 'the first digit lost', part: 'journal', text: '19.94', kind: null },
  { name: 'two digits swapped', part: 'journal', text: '291.94', kind: 'digitsSwapped', proposes: '219.940' },
  { name: 'inches typed as millimetres', part: 'journal', text: '8.6590', kind: 'inchForMm', proposes: '219.939' },
  {
    name: 'one turn on the shaft',
    part: 'journal',
    text: '219.44',
    neighbours: [219.939],
    kind: 'thimbleTurn',
    proposes: '219.940',
  },
  {
    name: 'the first figure of a first overhaul, ten times too far',
    part: 'bore',
    text: '+0.30',
    kind: 'decimalPlace',
    proposes: '+0.030',
  },
  { name: 'the decimal point of a float', part: 'float', text: '3.1', kind: 'decimalPlace', proposes: '0.310' },
]
test.each(slips)('$name is questioned', ({ part, text, neighbours, kind, proposes }) => {
  const slip = question(part, text, neighbours)
  expect(slip?.likely?.kind ?? null).toBe(kind)
  if (proposes !== undefined) expect(slip?.likely?.text).toBe(proposes)
  if (slip) expect(slipQuestionWords(slip, figures)).toMatch(/[.?]$/)
  expect(slip).not.toBeNull()
})

test('a size on the wrong side of new is questioned with the usual reasons', () => {
  const slip = question('journal', '220.030')
  expect(slip?.code).toBe('wrongSideOfNew')
  if (slip) expect(slipQuestionWords({ ...slip, likely: null }, figures)).toContain('master, temperature or dirt')
})

const quiet: [keyof typeof parts, string][] = [
  ['bore', '+0.148'],
  ['bore', '220.412'],
  ['bore', '-0.020'],
  ['journal', '219.936'],
  ['journal', '8.6588 in'],
  ['journal', '220.000'],
  ['journal', '219.800'],
  ['float', '0.31'],
  ['float', '0.55'],
  ['float', '0.10'],
]
test.each(quiet)('%s %s is not questioned', (part, text) => {
  expect(question(part, text)).toBeNull()
})

const gauge = testGauge({ code: 'OM-12', range: { least: 200, greatest: 225 }, calibrationDue: '2026-06-30' })
const last = {
  neighbours: [219.95, 219.951, 219.949].map((value) => ({ value, last: value + 0.01 })),
  growth: null,
  sisters: [],
  shape: 0.04,
}
const others: { name: string; text: string; over: Partial<SlipInput>; code: SlipQuestion['code']; proposes?: string }[] = [
  { name: 'finer than the gauge', text: '219.9412', over: {}, code: 'finerThanGauge' },
  { name: 'outside its range', text: '226', over: { gauge, newSize: [219.971, 230] }, code: 'outsideRange' },
  {
    name: 'its calibration lapsed, at first use',
    text: '219.94',
    over: { gauge, gaugeUsedBefore: false },
    code: 'calibrationLapsed',
  },
  { name: 'not of the class asked', text: '219.94', over: { gaugeUsedBefore: false, errorAsked: 0.003 }, code: 'notOfClass' },
  {
    name: 'repeats beyond their limit',
    text: '219.94',
    over: { repeats: { values: [219.9, 219.91], limit: 0.02, first: 'Turn it' } },
    code: 'repeatsSpread',
  },
  {
    name: 'copied down',
    text: '219.94',
    over: { before: Array.from({ length: 3 }, () => ({ text: '219.94', last: null })), expects: { ...last, last: 219.95 } },
    code: 'copiedDown',
  },
  {
    name: 'two digits swapped, against last time',
    text: '219.904',
    over: { expects: { ...last, last: 219.95 } },
    code: 'farOff',
    proposes: '219.940',
  },
]
test.each(others)('$name is questioned', ({ text, over, code, proposes }) => {
  const slip = question('journal', text, [], over)
  expect(slip?.code).toBe(code)
  expect(slip?.likely?.text).toBe(proposes)
  if (slip) expect(slipQuestionWords(slip, figures)).toMatch(/[.?]$/)
})

test('half a division may be read, and a converted figure is not finer than the gauge', () => {
  expect(question('journal', '219.9405')).toBeNull()
  expect(question('journal', '8.6588 in')).toBeNull()
})
