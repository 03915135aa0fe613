import { expect, test } from 'vitest'
import { randomFrom } from '../base/random.fixture'
import { limitOn } from '../limit/limit.fixture'
import type { LimitOutcome } from '../limit/outcome'
import { everyMethod, take } from '../method/everyMethod.fixture'
import type { Method } from '../method/method'
import { reduceReadings } from '../method/reduce/reduce'
import { namedBy, type Reduced, type ReductionName } from '../method/reduction'
import { smallBook } from '../record/smallMachine.fixture'
import { NONE, vote } from '../verdict/vote'
import { speakerOf } from '../words/speaker'
import { traceWords } from '../words/trace'
import { noiseWidens, reductionSteps } from './traceSteps'

const reducedTo = (method: Method, values: readonly number[], name: ReductionName): Reduced => {
  const found = reduceReadings(method, take(method, values), { nominal: null, runsIn: null }).values[name]
  if (!found) throw new Error(`${method.kind} gives ${name}`)
  return found
}
const book = smallBook
const [any] = book.characteristics
if (!any) throw new Error('the small machine has something to measure')
const sumOf = (method: Method, value: Reduced, name: ReductionName): string => {
  const outcome = { value, limit: { judges: name } } as LimitOutcome
  const set = { taken: [], standing: [], cannot: [], notApplicable: [] }
  const [step] = reductionSteps(set, outcome, value.quantity)
  return step
    ? traceWords(
        speakerOf({ ...book, characteristics: [{ ...any, id: 'it', method, showTo: 0.01 } as typeof any] }, 'metric'),
        vote({ rule: 'notMeasured', code: 'notMeasured', facts: NONE, subject: 'it', mild: 'reuse', strong: 'reuse' }),
        step,
      )
    : ''
}

test('a sum is told with the signs of its readings, so that it adds up', () => {
  const runout = reducedTo(everyMethod.runout, [0, 0.02, 0.03, 0.02, 0, -0.02, -0.03, -0.02], 'totalIndicated')
  expect(runout.value).toBeCloseTo(0.06, 12)
  expect(sumOf(everyMethod.runout, runout, 'totalIndicated')).toMatch(
    /^Total indicated reading 0\.06 mm, .* = .* 0\.03, less .* −0\.03$/,
  )
  const gap = reducedTo(everyMethod.grooveWidth, [6.03, 6.05, 6.01], 'variation')
  expect(sumOf(everyMethod.grooveWidth, gap, 'variation')).toMatch(
    /^Variation 0\.04 mm, .* = largest 6\.05, less smallest 6\.01$/,
  )
})

test('a bound that is taken off is told as the bound it is', () => {
  const term = {
    name: { code: 'smallest' },
    less: true,
    quantity: 'length',
    value: null,
    interval: { low: null, high: -5 },
  } as const
  expect(namedBy(term)).toEqual({ value: null, interval: { low: 5, high: null } })
  expect(namedBy({ ...term, less: false })).toEqual({ value: null, interval: { low: null, high: -5 } })
})

test.each([
  { value: 0.44, uncertainty: 0.01, says: '84.1 %' },
  { value: 0.45, uncertainty: 0.01, says: '50.0 %' },
  { value: 0.4, uncertainty: 0.01, says: 'more than 99.9 %' },
  { value: 0.5, uncertainty: 0.01, says: 'less than 0.1 %' },
])('a limit says how likely it is kept: $value ± $uncertainty against 0.45', ({ value, uncertainty, says }) => {
  const limit = limitOn('maximum', 'upper', 0.45)
  const facts = {
    limit,
    quantity: 'length' as const,
    value: { value, interval: null },
    where: null,
    uncertainty,
    degreesOfFreedom: null,
    guard: 0,
    grade: { mild: 0, strong: 0 } as const,
    step: null,
    taken: 1,
    needed: 1,
  }
  const of = vote({ rule: 'limit', code: 'inside', facts, subject: 'it', mild: 'reuse', strong: 'reuse' })
  const step = { kind: 'limit', quantity: 'length', limit, guard: 0, source: null } as const
  expect(traceWords(speakerOf(book, 'metric'), of, step)).toContain(`keeps it with a probability of ${says}`)
  const noDoubt = { ...of, facts: { ...facts, uncertainty: 0 } } as typeof of
  expect(traceWords(speakerOf(book, 'metric'), noDoubt, step)).not.toContain('probability')
})

test.each([2, 6, 12, 24])(
  'what noise does to the worst and to the spread of %i places is what it does in simulation',
  (places) => {
    const random = randomFrom(31_415)
    const ROUNDS = 4_000
    let [worst, spread] = [0, 0]
    for (let round = 0; round < ROUNDS; round += 1) {
      const all = Array.from({ length: places }, () => 0.004 * random.normal())
      worst += Math.max(...all) / ROUNDS
      spread += (Math.max(...all) - Math.min(...all)) / ROUNDS
    }
    const of = (standard: number) => ({
      contributions: [
        { kind: 'repeats' as const, of: '', standard },
        { kind: 'gauge' as const, of: 'm', standard: 1 },
      ],
    })
    expect(noiseWidens(of(0.004), 'maximum', places)).toBeCloseTo(worst, 3)
    // A spread is made of two places: its own noise is theirs together.
    expect(Math.abs(noiseWidens(of(0.004 * Math.SQRT2), 'range', places) / spread - 1)).toBeLessThan(0.06)
    expect(noiseWidens(of(0.004), 'mean', places)).toBe(0)
    expect(noiseWidens(of(0.004), 'maximum', 1)).toBe(0)
  },
)
