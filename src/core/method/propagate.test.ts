import { expect, test } from 'vitest'
import { type ErrorTerm, standardUncertainty } from '../gauge/errors'
import { type Interval, point } from '../quantity/interval'
import type { QuantityKind } from '../quantity/kind'
import { parseFormula } from './formula'
import { settled } from './known'
import { type Named, propagate } from './propagate'

const term = (of: string, amount: number): ErrorTerm => ({ kind: 'master', of, amount, along: null, degreesOfFreedom: null })
const named = (interval: Interval, ...errors: ErrorTerm[]): Named => ({ quantity: 'length', known: settled(interval, errors, 0) })
let count = 0
/** Known by itself. */
const own = (of: number, uncertainty: number): Named => {
  count += 1
  return named(point(of), term(`own ${count}`, uncertainty))
}
/** Instrument 4, step 3: 5 in all. */
const by = (gauge: string, of: number): Named => {
  count += 1
  return named(point(of), term(gauge, 4), term(`step ${count}`, 3))
}

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
  if (!parsed.ok) throw new Error(parsed.fault.code)
  const found = propagate(parsed.value, new Map(Object.entries(known)), gives, 0)?.value
  expect(found?.interval).toEqual({ low: wanted, high: wanted })
  expect(standardUncertainty(found?.errors ?? [])).toBeCloseTo(uncertainty, 6)
})

test('a bound goes through as one, with the uncertainty of its end', () => {
  const parsed = parseFormula('a - b', ['a', 'b'])
  if (!parsed.ok) throw new Error(parsed.fault.code)
  const bound = named({ low: 10, high: Number.POSITIVE_INFINITY }, term('a', 3))
  const found = propagate(parsed.value, new Map(Object.entries({ a: bound, b: own(4, 4) })), 'length', 2)?.value
  expect(found?.interval).toEqual({ low: 6, high: Number.POSITIVE_INFINITY })
  expect(standardUncertainty(found?.errors ?? [])).toBeCloseTo(5, 6)
  expect(found?.guarded.low).toBeCloseTo(6 - 2 * 5, 6)
})

test('where a formula turns, the first order is taken to both sides: a size of what may be nothing is doubtful', () => {
  const parsed = parseFormula('abs(a)', ['a'])
  if (!parsed.ok) throw new Error(parsed.fault.code)
  const found = propagate(parsed.value, new Map([['a', own(0, 3)]]), 'length', 0)
  expect(standardUncertainty(found?.value.errors ?? [])).toBeCloseTo(3, 6)
})

test('a formula that comes to nothing whatever is read has no uncertainty', () => {
  const parsed = parseFormula('(a - b) - (a - b)', ['a', 'b'])
  if (!parsed.ok) throw new Error(parsed.fault.code)
  const found = propagate(parsed.value, new Map(Object.entries({ a: by('M', 10), b: by('N', 4) })), 'length', 0)
  expect(standardUncertainty(found?.value.errors ?? [term('', 1)])).toBeCloseTo(0, 9)
})
