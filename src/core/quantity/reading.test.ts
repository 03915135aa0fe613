import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { readingFaultWords } from '../words/quantities'
import { formatQuantity } from './format'
import { type QuantityKind, quantityFacts, quantityKinds } from './kind'
import { parseQuantity } from './quantity'
import { type ParsedReading, parseReading, type ReadingFault, type ReadingForm, signedFromMaster } from './reading'
import { unitsOf } from './units'

type QuantityForm = Extract<ReadingForm, { kind: 'quantity' }>
const form = (over: Partial<QuantityForm> = {}): ReadingForm => ({
  kind: 'quantity',
  quantity: 'length',
  signed: false,
  masterMm: null,
  pair: false,
  ...over,
})
const read = (text: string, over: Partial<QuantityForm> = {}, defaultUnit = 'mm') =>
  parseReading(text, { form: form(over), defaultUnit })

const points: { name: string; text: string; over?: Partial<QuantityForm>; unit?: string; exact: string; deviation?: number }[] = [
  { name: 'signed on a master is a deviation', text: '+0.212', over: { masterMm: 220.2 }, exact: '220.412', deviation: 0.212 },
  { name: 'below the master', text: '-12 um', over: { masterMm: 220.2 }, exact: '220.188', deviation: -0.012 },
  { name: 'a true minus sign', text: '−12 µm', over: { masterMm: 220.2 }, exact: '220.188', deviation: -0.012 },
  { name: 'unsigned on a master is the size', text: '220.412', over: { masterMm: 220.2 }, exact: '220.412' },
  { name: 'thou on a metric master', text: '+8 thou', over: { masterMm: 220.2 }, exact: '220.4032', deviation: 0.2032 },
  { name: 'a plus without a master is the size', text: '+0.31', exact: '0.31' },
  { name: 'a size of zero', text: '0', exact: '0' },
  { name: 'up and down are one travel', text: '+0.05 -0.03', over: { pair: true }, exact: '0.08' },
  { name: 'a dial that came back too far', text: '+0.05/+0.03', over: { pair: true }, exact: '0.02' },
  { name: 'a pair in thou, the unit after the second', text: '+3 -2 thou', over: { pair: true }, exact: '0.127' },
  { name: 'a travel as one figure', text: '0.08', over: { pair: true }, exact: '0.08' },
  { name: 'torque', text: '180 Nm', over: { quantity: 'torque' }, unit: 'N·m', exact: '180' },
  { name: 'pound-feet, exactly', text: '100 lbf ft', over: { quantity: 'torque' }, unit: 'N·m', exact: '135.58179483314' },
  { name: 'degrees Fahrenheit', text: '68', over: { quantity: 'temperature', signed: true }, unit: '°F', exact: '20' },
  { name: 'megohm is not milliohm', text: '2 MΩ', over: { quantity: 'resistance' }, unit: 'MΩ', exact: '2' },
  { name: 'milliohm', text: '2 mΩ', over: { quantity: 'resistance' }, unit: 'MΩ', exact: '0.000000002' },
  { name: 'psi', text: '14.5 psi', over: { quantity: 'pressure' }, unit: 'bar', exact: '0.999739807509' },
]
test.each(points)('$name: $text', ({ text, over, unit, exact, deviation }) => {
  expect(read(text, over, unit).value).toMatchObject({ kind: 'point', value: Number(exact), exact, deviation: deviation ?? null })
})

const intervals: { text: string; over?: Partial<QuantityForm>; unit?: string; low: number | null; high: number | null }[] = [
  { text: '>180 Nm', over: { quantity: 'torque' }, unit: 'N·m', low: 180, high: null },
  { text: '≥ 180', over: { quantity: 'torque' }, unit: 'N·m', low: 180, high: null },
  { text: '<0.05', low: 0, high: 0.05 },
  { text: '<= -0.05', over: { signed: true }, low: null, high: -0.05 },
  { text: '0.15 go 0.20 no', low: 0.15, high: 0.2 },
  { text: '0.15 go, 0.20 no-go', low: 0.15, high: 0.2 },
  { text: '6 go 8 no thou', low: null, high: null },
  { text: '6 thou go 8 thou no', low: 0.1524, high: 0.2032 },
  { text: '0.15 go', low: 0.15, high: null },
  { text: '0.20 no', low: 0, high: 0.2 },
  { text: '103.8..104.2', low: 103.8, high: 104.2 },
  { text: '103,8 … 104,2', low: 103.8, high: 104.2 },
  { text: '4 1/16..4 1/8 in', low: 103.1875, high: 104.775 },
  { text: '+0.02..+0.04', over: { masterMm: 50 }, low: 50.02, high: 50.04 },
]
test.each(intervals.filter(({ low, high }) => low !== null || high !== null))(
  '$text is kept as an interval',
  ({ text, over, unit, low, high }) => {
    expect(read(text, over, unit).value).toMatchObject({ kind: 'interval', low, high })
  },
)

const words: { form: ReadingForm['kind']; text: string; value: number | null }[] = [
  { form: 'answer', text: '+', value: 1 },
  { form: 'answer', text: '-', value: 0 },
  { form: 'answer', text: '−', value: 0 },
  { form: 'answer', text: 'Yes', value: 1 },
  { form: 'answer', text: '/', value: null },
  { form: 'cell', text: '2', value: 100 },
  { form: 'cell', text: 'partial', value: 50 },
  { form: 'element', text: '35', value: 35 },
  { form: 'element', text: '35 %', value: 35 },
  { form: 'element', text: '!', value: 100 },
]
test.each(words)('$form $text', ({ form: kind, text, value }) => {
  const parsed = parseReading(text, { form: { kind } as ReadingForm, defaultUnit: '' })
  expect(parsed.value).toMatchObject(value === null ? { kind: 'notApplicable' } : { kind: 'point', value })
})

const refused: {
  text: string
  code: ReadingFault['code']
  over?: Partial<QuantityForm>
  form?: 'answer' | 'cell' | 'element'
}[] = [
  { text: '-0.3', code: 'negativeSize' },
  { text: '104.2..103.8', code: 'endsSwapped' },
  { text: '0.20 go 0.15 no', code: 'endsSwapped' },
  { text: '0.05;0.03', code: 'pairUnsigned', over: { pair: true } },
  { text: '+0.05 -0.03', code: 'twoDecimalMarks' },
  { text: '>', code: 'notANumber' },
  { text: '> > 5', code: 'notANumber' },
  { text: '103.8..', code: 'twoDecimalMarks' },
  { text: '180 Nm', code: 'unknownUnit' },
  { text: '5 mm', code: 'unknownUnit', over: { quantity: 'torque' } },
  { text: 'maybe', code: 'noAnswer', form: 'answer' },
  { text: '3', code: 'noAnswer', form: 'cell' },
  { text: '120', code: 'noAnswer', form: 'element' },
]
test.each(refused)('refuses “$text” as $code and says what to do', ({ text, code, over, form: kind }) => {
  const parsed = kind
    ? parseReading(text, { form: { kind }, defaultUnit: '' })
    : read(text, over, over?.quantity === 'torque' ? 'N·m' : 'mm')
  expect(parsed.fault?.code).toBe(code)
  if (parsed.fault) expect(readingFaultWords(parsed.fault)).toMatch(/[.!]$/)
})

describe('properties', () => {
  const anyKind = fc.constantFrom<QuantityKind>(...quantityKinds)

  test('what is shown in any unit system, typed again, is the same to the step shown', () => {
    fc.assert(
      fc.property(
        anyKind,
        fc.constantFrom('metric' as const, 'inch' as const),
        fc.integer({ min: 0, max: 5_000_000 }),
        (kind, system, steps) => {
          const { step, shownIn } = quantityFacts[kind]
          const value = steps * step
          const shown = formatQuantity(value, kind, system, step).replace('−', '-')
          const back = parseQuantity(shown, kind, shownIn[system]).value?.value ?? Number.NaN
          const same = shownIn[system] === unitsOf[kind][0]?.id
          expect(Math.abs(back - value)).toBeLessThanOrEqual(same ? 1e-9 * Math.max(1, value) : step)
        },
      ),
      { seed: 20, numRuns: 500 },
    )
  })

  test('any text is a finite reading or a fault, never both and never a throw', () => {
    const alphabet = fc.constantFrom(...'0123456789.,/- +"µinmthougNm><≥…%;')
    const pieces = fc.array(
      fc.constantFrom('0.15', '12', ' go ', ' no', '..', '>', '<', '+0.05', ' -0.03', ' mm', ' in', ' to ', '7/16'),
      { maxLength: 5 },
    )
    const forms: readonly ReadingForm[] = [
      form(),
      form({ signed: true }),
      form({ pair: true }),
      form({ masterMm: 50 }),
      { kind: 'answer' },
      { kind: 'element' },
    ]
    const ends = (parsed: ParsedReading): (number | null)[] =>
      parsed.kind === 'point' ? [parsed.value] : parsed.kind === 'interval' ? [parsed.low, parsed.high] : []
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.string({ unit: alphabet, maxLength: 14 }),
          pieces.map((parts) => parts.join('')),
        ),
        fc.constantFrom(...forms),
        (text, of) => {
          const parsed = parseReading(text, { form: of, defaultUnit: of.kind === 'quantity' ? 'mm' : '' })
          if (!parsed.ok) {
            expect(readingFaultWords(parsed.fault).length).toBeGreaterThan(0)
            return
          }
          expect(ends(parsed.value).every((end) => end === null || Number.isFinite(end))).toBe(true)
          if (parsed.value.kind === 'interval') expect((parsed.value.low ?? -1e99) <= (parsed.value.high ?? 1e99)).toBe(true)
        },
      ),
      { seed: 286, numRuns: 3000 },
    )
  })
})

test.each([
  ['+0.03', true],
  [' −0.02', true],
  ['> +0.05', true],
  ['≤-0.01', true],
  ['+0.01 … +0.04', true],
  ['160.03', false],
  ['>160.1', false],
  ['', false],
])('“%s” is read from a master, where one is set: %s', (text, deviates) => {
  expect(signedFromMaster(text)).toBe(deviates)
})
