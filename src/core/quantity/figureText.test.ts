import fc from 'fast-check'
import { expect, test } from 'vitest'
import { figureText, readFigure } from './figureText'
import { quantityKinds } from './kind'

test.each([
  [0.45, 'length', 'metric', '0.45'],
  [25.4, 'length', 'inch', '1'],
  [0.3, 'length', 'inch', '0.3 mm'],
  [1.15e-5, null, 'metric', '0.0000115'],
  [-0.254, 'length', 'inch', '-0.01'],
  ['abc', 'length', 'metric', 'abc'],
  [2_500_000, null, 'metric', '2500000'],
  [undefined, 'length', 'metric', ''],
] as const)('%s stands as “%s %s %s”', (value, quantity, system, text) => {
  expect(figureText(value, quantity, system)).toBe(text)
})

test('what stands there is read again to the last digit, in whatever units', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(null, ...quantityKinds),
      fc.constantFrom('metric', 'inch'),
      fc.integer({ min: -99_999, max: 99_999 }),
      fc.integer({ min: 0, max: 7 }),
      (quantity, system, digits, places) => {
        const value = Number((digits / 10 ** places).toFixed(places))
        const read = readFigure(figureText(value, quantity, system), quantity, system)
        expect(read).toEqual({ ok: true, value: value === 0 ? 0 : value })
      },
    ),
    { numRuns: 2000 },
  )
})
