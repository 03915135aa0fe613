import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { formatLength } from './format'
import { type DefaultLengthUnit, explainLengthFault, type LengthFault, parseLength } from './length'

const accepted: { text: string; unit?: DefaultLengthUnit; exactMm: string }[] = [
  { text: '12.34', exactMm: '12.34' },
  { text: '12,34', exactMm: '12.34' },
  { text: '0.4725 in', exactMm: '12.0015' },
  { text: '21 thou', exactMm: '0.5334' },
  { text: '1-7/16"', exactMm: '36.5125' },
  { text: '17 5/8 in', exactMm: '447.675' },
  { text: '  - 1 1/2 IN ', exactMm: '-38.1' },
  { text: '3/4”', exactMm: '19.05' },
  { text: '3 / 4 in', exactMm: '19.05' },
  { text: '350 µm', exactMm: '0.35' },
  { text: '350 μm', exactMm: '0.35' },
  { text: '1.5 CM', exactMm: '15' },
  { text: '.005', unit: 'in', exactMm: '0.127' },
  { text: '12', unit: 'um', exactMm: '0.012' },
  { text: '+0', exactMm: '0' },
  { text: '-0', exactMm: '0' },
  { text: '1/3 in', exactMm: '8.466666666667' },
  { text: '100000000000000000001', exactMm: '100000000000000000001' },
]
test.each(accepted)('reads $text as $exactMm mm', ({ text, unit = 'mm', exactMm }) => {
  const parsed = parseLength(text, unit)
  expect(parsed.value?.exactMm).toBe(exactMm)
  expect(parsed.value?.valueMm).toBe(Number(exactMm) + 0)
})

const refused: { text: string; code: LengthFault['code'] }[] = [
  { text: '', code: 'empty' },
  { text: '  ', code: 'empty' },
  { text: '12.3.4', code: 'twoDecimalMarks' },
  { text: '1,234.5', code: 'twoDecimalMarks' },
  { text: '12.', code: 'notANumber' },
  { text: '1e3', code: 'unknownUnit' },
  { text: '1 2', code: 'notANumber' },
  { text: '1.5 1/2 in', code: 'notANumber' },
  { text: '1/2/3', code: 'notANumber' },
  { text: '--5', code: 'notANumber' },
  { text: '5 - 3', code: 'notANumber' },
  { text: 'NaN', code: 'notANumber' },
  { text: 'Infinity', code: 'notANumber' },
  { text: 'in', code: 'unitAlone' },
  { text: '5 kg', code: 'unknownUnit' },
  { text: '5 mm 3', code: 'unknownUnit' },
  { text: '1/0 in', code: 'zeroDenominator' },
  { text: '٣', code: 'notANumber' },
  { text: '9'.repeat(350), code: 'notFinite' },
  { text: '9'.repeat(500), code: 'notANumber' },
]
test.each(refused)('refuses “$text” as $code and says what to do', ({ text, code }) => {
  const parsed = parseLength(text, 'mm')
  expect(parsed.fault?.code).toBe(code)
  if (parsed.fault) expect(explainLengthFault(parsed.fault)).toMatch(/[.!]$/)
})

describe('properties', () => {
  test('a length written to the micrometre reads back as itself, in both systems', () => {
    fc.assert(
      fc.property(fc.integer({ min: -5_000_000, max: 5_000_000 }), (micrometres) => {
        const mm = micrometres / 1000
        const asTyped = formatLength(mm, 'metric', 0.001).replace('−', '-')
        expect(parseLength(asTyped, 'mm').value?.valueMm).toBeCloseTo(mm, 9)
        const inches = formatLength(mm, 'inch', 0.001).replace('−', '-')
        expect(Math.abs((parseLength(inches, 'in').value?.valueMm ?? Number.NaN) - mm)).toBeLessThanOrEqual(0.000127 + 1e-9)
      }),
      { seed: 286 },
    )
  })

  test('any text is either a finite length or a fault, never both and never a throw', () => {
    const alphabet = fc.constantFrom(...'0123456789.,/- +"µinmthouk')
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.string({ unit: alphabet, maxLength: 14 })), (text) => {
        const parsed = parseLength(text, 'mm')
        expect(parsed.ok ? Number.isFinite(parsed.value.valueMm) : parsed.fault.code.length > 0).toBe(true)
      }),
      { seed: 286, numRuns: 2000 },
    )
  })
})
