import { assert, integer, nat, property } from 'fast-check'
import { expect, test } from 'vitest'
import { formatHours, formatLength, formatQuantity, formatSignedLength } from './format'
import type { QuantityKind } from './kind'
import type { UnitSystem } from './unitSystem'

const cases: { mm: number; system?: UnitSystem; step: number; text: string }[] = [
  { mm: 220.4, step: 0.001, text: '220.400' },
  { mm: 0.0125, step: 0.001, text: '0.013' },
  { mm: 1.005, step: 0.01, text: '1.01' },
  { mm: -0.0004, step: 0.001, text: '0.000' },
  { mm: -0.012, step: 0.001, text: '−0.012' },
  { mm: 12, step: 1, text: '12' },
  { mm: 25.4, system: 'inch', step: 0.01, text: '1.0000' },
  { mm: 0.0254, system: 'inch', step: 0.001, text: '0.00100' },
]
test.each(cases)('$mm mm to $step is $text', ({ mm, system = 'metric', step, text }) => {
  expect(formatLength(mm, system, step)).toBe(text)
})

test.each<[value: number, kind: QuantityKind, system: UnitSystem, step: number, text: string]>([
  [180, 'torque', 'inch', 1, '133'],
  [181.5, 'torque', 'metric', 0.5, '181.5'],
  [70.2777777778, 'temperature', 'inch', 0.5 / 1.8, '158.5'],
  [70.2777777778, 'temperature', 'inch', 0.1, '158.5'],
  [5, 'temperatureDifference', 'inch', 0.1, '9.0'],
  [38, 'pressure', 'inch', 0.1, '551'],
  [0.6, 'pressure', 'metric', 0.1, '0.6'],
  [735, 'force', 'inch', 1, '165.2'],
])('%d of %s on a %s machine to %d is %s', (value, kind, system, step, text) => {
  expect(formatQuantity(value, kind, system, step)).toBe(text)
})

test('differences carry their sign, zero does not', () => {
  expect([0.094, -0.017, 0].map((mm) => formatSignedLength(mm, 'metric', 0.001))).toEqual(['+0.094', '−0.017', '0.000'])
})

test('hours are grouped by thousands', () => {
  expect([999, 31_240, 1_000_000].map(formatHours)).toEqual(['999', '31\u00a0240', '1\u00a0000\u00a0000'])
})

test('a decimal figure is rounded as it is written, half away from zero', () => {
  assert(
    property(integer({ min: -999_999_999_999, max: 999_999_999_999 }), nat(5), nat(4), (units, kept, dropped) => {
      const decimals = kept + dropped
      const scale = 10n ** BigInt(dropped)
      const size = BigInt(Math.abs(units))
      const steps = Number(size / scale) + (2n * (size % scale) >= scale && dropped > 0 ? 1 : 0)
      const text = (steps / 10 ** kept).toFixed(kept)
      expect(formatLength(units / 10 ** decimals, 'metric', 10 ** -kept)).toBe(units < 0 && steps > 0 ? `−${text}` : text)
    }),
    { seed: 7, numRuns: 2_000 },
  )
})
