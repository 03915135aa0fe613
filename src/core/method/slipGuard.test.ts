import { expect, test } from 'vitest'
import type { Limit } from '../limit/limit'
import { parseReading } from '../quantity/reading'
import type { Method } from './method'
import type { ReductionName } from './reduction'
import { explainSlip, questionReading, type Slip, type SlipKind } from './slipGuard'

const places = (...ids: string[]) => ids.map((id) => ({ id, label: id }))
const limit = (judges: ReductionName, side: 'upper' | 'lower', wearMm: number): Limit => ({
  id: judges,
  judges,
  side,
  planMm: null,
  wearMm,
  whenPassed: 'mend',
  instruction: '',
  source: { document: 'D', page: '1' },
})
const bore: Method = {
  kind: 'boreDiameter',
  masterMm: 220.2,
  stations: places('A'),
  directions: places('1'),
  walk: 'stationFirst',
}
const journal: Method = { kind: 'outsideDiameter', stations: places('A'), directions: places('1'), walk: 'stationFirst' }
const float: Method = { kind: 'endFloat', repeatsAtLeast: 3, repeatabilityLimitMm: 0.02 }
const parts = {
  bore: { method: bore, newMm: [220.18, 220.226] as const, limits: [limit('maximum', 'upper', 220.46)] },
  journal: { method: journal, newMm: [219.971, 220] as const, limits: [limit('minimum', 'lower', 219.85)] },
  float: { method: float, newMm: [0.2, 0.3] as const, limits: [limit('mean', 'upper', 0.5), limit('mean', 'lower', 0.15)] },
}

function question(part: keyof typeof parts, text: string, neighboursMm: readonly number[] = []): Slip | null {
  const { method, newMm, limits } = parts[part]
  const parsed = parseReading(text, { defaultUnit: 'mm', masterMm: part === 'bore' ? 220.2 : null })
  if (!parsed.ok) throw new Error(`${text} cannot be read`)
  return questionReading({
    method,
    text,
    ...parsed.value,
    newMm,
    limits,
    expandedUncertaintyMm: 0.005,
    neighboursMm,
    system: 'metric',
    stepMm: 0.001,
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
  { name: 'the decimal point of a float', part: 'float', text: '3.1', kind: 'decimalPlace', proposes: '0.310' },
]
test.each(slips)('$name is questioned', ({ part, text, neighbours, kind, proposes }) => {
  const slip = question(part, text, neighbours)
  expect(slip?.likely?.kind ?? null).toBe(kind)
  if (proposes !== undefined) expect(slip?.likely?.text).toBe(proposes)
  if (slip) expect(explainSlip(slip, 'metric', 0.001)).toMatch(/[.?]$/)
  expect(slip).not.toBeNull()
})

test('a size on the wrong side of new is questioned with the usual reasons', () => {
  const slip = question('journal', '220.030')
  expect(slip?.code).toBe('wrongSideOfNew')
  if (slip) expect(explainSlip({ ...slip, likely: null }, 'metric', 0.001)).toContain('master, temperature or dirt')
})

const quiet: [keyof typeof parts, string][] = [
  ['bore', '+0.148'],
  ['bore', '220.412'],
  ['bore', '-0.020'],
  ['bore', '+0.300'],
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
