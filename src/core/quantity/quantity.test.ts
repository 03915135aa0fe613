import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { quantityFaultWords } from '../words/quantities'
import { formatLength } from './format'
import { parseQuantity, type QuantityFault } from './quantity'

const accepted: { text: string; unit?: string; exact: string }[] = [
  { text: '12.34', exact: '12.34' },
  { text: '12,34', exact: '12.34' },
  { text: '0.4725 in', exact: '12.0015' },
  { text: '21 thou', exact: '0.5334' },
  { text: '1-7/16"', exact: '36.5125' },
  { text: '17 5/8 in', exact: '447.675' },
  { text: '  - 1 1/2 IN ', exact: '-38.1' },
  { text: '3/4”', exact: '19.05' },
  { text: '3 / 4 in', exact: '19.05' },
  { text: '350 µm', exact: '0.35' },
  { text: '350 μm', exact: '0.35' },
  { text: '1.5 CM', exact: '15' },
  { text: '.005', unit: 'in', exact: '0.127' },
  { text: '12', unit: 'um', exact: '0.012' },
  { text: '+0', exact: '0' },
  { text: '-0', exact: '0' },
  { text: '1/3 in', exact: '8.466666666667' },
]
test.each(accepted)('reads $text as $exact mm', ({ text, unit = 'mm', exact }) => {
  const parsed = parseQuantity(text, 'length', unit)
  expect(parsed.value?.exact).toBe(exact)
  expect(parsed.value?.value).toBe(Number(exact) + 0)
})

const refused: { text: string; code: QuantityFault['code'] }[] = [
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
  { text: '9'.repeat(350), code: 'tooLarge' },
  { text: '100001', code: 'tooLarge' },
  { text: '4000 in', code: 'tooLarge' },
  { text: '9'.repeat(500), code: 'notANumber' },
]
test.each(refused)('refuses “$text” as $code and says what to do', ({ text, code }) => {
  const parsed = parseQuantity(text, 'length', 'mm')
  expect(parsed.fault?.code).toBe(code)
  if (parsed.fault) expect(quantityFaultWords(parsed.fault)).toMatch(/[.!]$/)
})

describe('properties', () => {
  test('a length written to the micrometre reads back as itself, in both systems', () => {
    fc.assert(
      fc.property(fc.integer({ min: -5_000_000, max: 5_000_000 }), (micrometres) => {
        const mm = micrometres / 1000
        const asTyped = formatLength(mm, 'metric', 0.001).replace('−', '-')
        expect(parseQuantity(asTyped, 'length', 'mm').value?.value).toBeCloseTo(mm, 9)
        const inches = formatLength(mm, 'inch', 0.001).replace('−', '-')
        expect(Math.abs((parseQuantity(inches, 'length', 'in').value?.value ?? Number.NaN) - mm)).toBeLessThanOrEqual(
          0.000127 + 1e-9,
        )
      }),
      { seed: 286 },
    )
  })

  test('any text is either a finite length or a fault, never both and never a throw', () => {
    const alphabet = fc.constantFrom(...'0123456789.,/- +"µinmthouk')
    fc.assert(
      fc.property(fc.oneof(fc.string(), fc.string({ unit: alphabet, maxLength: 14 })), (text) => {
        const parsed = parseQuantity(text, 'length', 'mm')
        expect(parsed.ok ? Number.isFinite(parsed.value.value) : parsed.fault.code.length > 0).toBe(true)
      }),
      { seed: 286, numRuns: 2000 },
    )
  })
})
