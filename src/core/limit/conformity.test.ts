import fc from 'fast-check'
import { expect, test } from 'vitest'
import type { Reduced } from '../method/reduction'
import { type Acceptance, gradeOf, gradeSpan } from './conformity'
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
const value = (value: number, open: Reduced['open'] = 'complete', uncertainty = 0): Reduced => ({
  quantity: 'length',
  value,
  interval: null,
  uncertainty,
  where: '',
  sum: [],
  open,
})
const guarded: Acceptance = { kind: 'guarded', guardFactor: 1.65 }
const simple: Acceptance = { kind: 'simple' }
const upper = limit('upper', 220.4, 220.46)
const lower = limit('lower', 219.88, 219.85)

const spans: { name: string; reduced: Reduced | null; limit: Limit; acceptance?: Acceptance; span: [number, number] }[] = [
  { name: 'inside', reduced: value(220.39), limit: upper, span: [0, 0] },
  { name: 'exactly at the plan limit passes', reduced: value(220.4), limit: upper, span: [0, 0] },
  { name: 'exactly at the wear limit is not beyond it', reduced: value(220.46), limit: upper, span: [1, 1] },
  {
    name: 'a binary remainder is no excess: 25.41 − 25.40 at 0.01',
    reduced: value(25.41 - 25.4),
    limit: limit('upper', null, 0.01),
    span: [0, 0],
  },
  { name: 'one micrometre beyond', reduced: value(220.461), limit: upper, span: [2, 2] },
  { name: 'lower limit, exactly at it', reduced: value(219.85), limit: lower, span: [1, 1] },
  { name: 'lower limit, beyond', reduced: value(219.849), limit: lower, span: [2, 2] },
  {
    name: 'guarded: too close to say',
    reduced: value(220.455, 'complete', 0.006),
    limit: upper,
    acceptance: guarded,
    span: [1, 2],
  },
  {
    name: 'guarded: at the limit is undecided',
    reduced: value(220.46, 'complete', 0.006),
    limit: upper,
    acceptance: guarded,
    span: [1, 2],
  },
  {
    name: 'guarded: past the plan limit beyond doubt',
    reduced: value(220.43, 'complete', 0.006),
    limit: upper,
    acceptance: guarded,
    span: [1, 1],
  },
  {
    name: 'simple acceptance ignores the doubt',
    reduced: value(220.455, 'complete', 0.006),
    limit: upper,
    acceptance: simple,
    span: [1, 1],
  },
  { name: 'nothing measured', reduced: null, limit: upper, span: [0, 2] },
  { name: 'readings missing can only make a largest worse', reduced: value(220.41, 'canOnlyGrow'), limit: upper, span: [1, 2] },
  { name: 'beyond already, whatever is missing', reduced: value(220.5, 'canOnlyGrow'), limit: upper, span: [2, 2] },
  {
    name: 'a largest that can grow may come back above a lower limit',
    reduced: value(219.8, 'canOnlyGrow'),
    limit: lower,
    span: [0, 2],
  },
  { name: 'a mean may go either way', reduced: value(220.5, 'eitherWay'), limit: upper, span: [0, 2] },
]
test.each(spans)('$name', ({ reduced, limit: judged, acceptance = simple, span: [mild, strong] }) => {
  expect(gradeSpan(reduced, judged, acceptance)).toEqual({ mild, strong })
})

test('the span always holds the grade of the value itself, and only widens with doubt', () => {
  const micrometres = fc.integer({ min: 220_300, max: 220_600 })
  const doubts = fc.integer({ min: 0, max: 60 })
  fc.assert(
    fc.property(micrometres, doubts, doubts, (um, a, b) => {
      const [less, more] = [Math.min(a, b), Math.max(a, b)].map((u) =>
        gradeSpan(value(um / 1000, 'complete', u / 1000), upper, guarded),
      )
      const grade = gradeOf(um / 1000, upper)
      expect(less && less.mild <= grade && grade <= less.strong).toBe(true)
      expect(less && more && more.mild <= less.mild && less.strong <= more.strong).toBe(true)
    }),
    { seed: 14253 },
  )
})
