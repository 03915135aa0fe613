import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { ErrorTerm } from '../gauge/errors'
import { settled } from '../method/known'
import { type Reduced, reduced } from '../method/reduction'
import { type Interval, point } from '../quantity/interval'
import { gradeOf, gradeSpan } from './conformity'
import type { Limit } from './limit'

const limit = (side: 'upper' | 'lower', plan: number | null, wear: number): Limit => ({
  id: 'l',
  judges: 'maximum',
  side,
  plan,
  wear,
  whenPassed: 'mend',
  instruction: '',
  source: { document: 'D', page: 'p. 1' },
})
type Open = 'complete' | 'canOnlyGrow' | 'canOnlyShrink' | 'eitherWay'
interface Measured {
  readonly value: number
  readonly open: Open
  readonly uncertainty: number
}
const value = (of: number, open: Open = 'complete', uncertainty = 0): Measured => ({ value: of, open, uncertainty })
const GUARD = 1.65
/** A value as the reducers give it, with its guard band. */
function reducedBy({ value: of, open, uncertainty }: Measured, guard: number): Reduced {
  const error: ErrorTerm = { kind: 'gauge', of: 'g', amount: uncertainty, along: null, degreesOfFreedom: null }
  const known = settled(point(of), uncertainty === 0 ? [] : [error], guard)
  const reach = (ends: Interval): Interval => ({
    low: open === 'canOnlyShrink' || open === 'eitherWay' ? Number.NEGATIVE_INFINITY : ends.low,
    high: open === 'canOnlyGrow' || open === 'eitherWay' ? Number.POSITIVE_INFINITY : ends.high,
  })
  return reduced(
    { ...known, reach: reach(known.reach), guarded: reach(known.guarded) },
    { quantity: 'length', where: { code: 'meanOf', count: 1 }, sum: [] },
  )
}
const upper = limit('upper', 220.4, 220.46)
const lower = limit('lower', 219.88, 219.85)

const spans: { name: string; measured: Measured | null; limit: Limit; guard?: number; span: [number, number] }[] = [
  { name: 'inside', measured: value(220.39), limit: upper, span: [0, 0] },
  { name: 'exactly at the plan limit passes', measured: value(220.4), limit: upper, span: [0, 0] },
  { name: 'exactly at the wear limit is not beyond it', measured: value(220.46), limit: upper, span: [1, 1] },
  {
    name: 'a binary remainder is no excess: 25.41 − 25.40 at 0.01',
    measured: value(25.41 - 25.4),
    limit: limit('upper', null, 0.01),
    span: [0, 0],
  },
  { name: 'one micrometre beyond', measured: value(220.461), limit: upper, span: [2, 2] },
  { name: 'lower limit, exactly at it', measured: value(219.85), limit: lower, span: [1, 1] },
  { name: 'lower limit, beyond', measured: value(219.849), limit: lower, span: [2, 2] },
  {
    name: 'guarded: too close to say',
    measured: value(220.455, 'complete', 0.006),
    limit: upper,
    guard: GUARD,
    span: [1, 2],
  },
  {
    name: 'guarded: at the limit is undecided',
    measured: value(220.46, 'complete', 0.006),
    limit: upper,
    guard: GUARD,
    span: [1, 2],
  },
  {
    name: 'guarded: past the plan limit beyond doubt',
    measured: value(220.43, 'complete', 0.006),
    limit: upper,
    guard: GUARD,
    span: [1, 1],
  },
  {
    name: 'simple acceptance ignores the doubt',
    measured: value(220.455, 'complete', 0.006),
    limit: upper,
    guard: 0,
    span: [1, 1],
  },
  { name: 'nothing measured', measured: null, limit: upper, span: [0, 2] },
  { name: 'readings missing can only make a largest worse', measured: value(220.41, 'canOnlyGrow'), limit: upper, span: [1, 2] },
  { name: 'beyond already, whatever is missing', measured: value(220.5, 'canOnlyGrow'), limit: upper, span: [2, 2] },
  {
    name: 'a largest that can grow may come back above a lower limit',
    measured: value(219.8, 'canOnlyGrow'),
    limit: lower,
    span: [0, 2],
  },
  { name: 'a mean may go either way', measured: value(220.5, 'eitherWay'), limit: upper, span: [0, 2] },
]
test.each(spans)('$name', ({ measured, limit: judged, guard = 0, span: [mild, strong] }) => {
  expect(gradeSpan(measured && reducedBy(measured, guard), judged)).toEqual({ mild, strong })
})

test('the span always holds the grade of the value itself, and only widens with doubt', () => {
  const micrometres = fc.integer({ min: 220_300, max: 220_600 })
  const doubts = fc.integer({ min: 0, max: 60 })
  fc.assert(
    fc.property(micrometres, doubts, doubts, (um, a, b) => {
      const [less, more] = [Math.min(a, b), Math.max(a, b)].map((u) =>
        gradeSpan(reducedBy(value(um / 1000, 'complete', u / 1000), GUARD), upper),
      )
      const grade = gradeOf(um / 1000, upper)
      expect(less && less.mild <= grade && grade <= less.strong).toBe(true)
      expect(less && more && more.mild <= less.mild && less.strong <= more.strong).toBe(true)
    }),
    { seed: 14253 },
  )
})
