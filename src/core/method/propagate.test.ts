import { expect, test } from 'vitest'
import type { QuantityKind } from '../quantity/kind'
import { parseFormula } from './formula'
import { type Named, propagate } from './propagate'
import type { Reduced } from './reduction'

const value = (value: number, uncertainty: number, quantity: QuantityKind = 'length'): Reduced => ({
  quantity,
  value,
  interval: null,
  uncertainty,
  where: '',
  sum: [],
  open: 'complete',
})
const own = (of: number, uncertainty: number): Named => ({ value: value(of, uncertainty), common: null })
/** Instrument 4, step 3: 5 in all. */
const by = (gauge: string, of: number): Named => ({ value: value(of, 5), common: { gauge, uncertainty: 4 } })

const cases: {
  name: string
  formula: string
  known: Record<string, Named>
  gives?: QuantityKind
  value: number
  uncertainty: number
}[] = [
  {
    name: 'independent values in quadrature',
    formula: 'a - b',
    known: { a: own(10, 3), b: own(4, 4) },
    value: 6,
    uncertainty: 5,
  },
  { name: 'a factor widens', formula: '2*a', known: { a: own(10, 3) }, value: 20, uncertainty: 6 },
  {
    name: 'one gauge cancels in a difference, its steps do not',
    formula: 'a - b',
    known: { a: by('M', 10), b: by('M', 4) },
    value: 6,
    uncertainty: Math.hypot(3, 3),
  },
  {
    name: 'and doubles in a sum',
    formula: 'a + b',
    known: { a: by('M', 10), b: by('M', 4) },
    value: 14,
    uncertainty: Math.hypot(3, 3, 8),
  },
  {
    name: 'two gauges count each',
    formula: 'a - b',
    known: { a: by('M', 10), b: by('N', 4) },
    value: 6,
    uncertainty: Math.hypot(5, 5),
  },
  {
    name: 'a mean of one gauge keeps its error',
    formula: 'mean(a; b)',
    known: { a: by('M', 10), b: by('M', 4) },
    value: 7,
    uncertainty: Math.hypot(1.5, 1.5, 4),
  },
  {
    name: 'where the value is not in it',
    formula: 'max(a; b)',
    known: { a: own(10, 3), b: own(4, 1) },
    value: 10,
    uncertainty: 3,
  },
]
test.each(cases)('$name', ({ formula, known, gives = 'length', value: wanted, uncertainty }) => {
  const parsed = parseFormula(formula, Object.keys(known))
  if (!parsed.ok) throw new Error(parsed.fault)
  const found = propagate(parsed.value, new Map(Object.entries(known)), gives)
  expect(found?.interval).toEqual({ low: wanted, high: wanted })
  expect(found?.uncertainty).toBeCloseTo(uncertainty, 6)
})

test('a bound goes through as one, with the uncertainty of its end', () => {
  const parsed = parseFormula('a - b', ['a', 'b'])
  if (!parsed.ok) throw new Error(parsed.fault)
  const bound: Named = { value: { ...value(0, 3), value: null, interval: { low: 10, high: null } }, common: null }
  const found = propagate(parsed.value, new Map(Object.entries({ a: bound, b: own(4, 4) })), 'length')
  expect(found?.interval).toEqual({ low: 6, high: Number.POSITIVE_INFINITY })
  expect(found?.uncertainty).toBeCloseTo(5, 6)
})
