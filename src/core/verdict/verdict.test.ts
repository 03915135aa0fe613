import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { dispositionRank, dispositions, type Verdict } from '../policy/disposition'
import { byStrength, partVerdict, spanOf, verdictOf } from './partVerdict'
import type { Vote } from './vote'
import { hone, part, route, vote } from './voting.fixture'

const verdicts: { name: string; votes: Vote[]; verdict: Verdict }[] = [
  { name: 'no votes leave everything possible', votes: [], verdict: 'hold' },
  { name: 'the strongest vote stands', votes: [vote('reuse'), vote('recondition'), vote('reuse')], verdict: 'recondition' },
  { name: 'replace settles it, whatever is unknown', votes: [vote('replace'), vote('reuse', 'replace')], verdict: 'replace' },
  {
    name: 'an open vote below the strongest changes nothing',
    votes: [vote('recondition'), vote('reuse', 'recondition')],
    verdict: 'recondition',
  },
  { name: 'an open vote above the strongest holds', votes: [vote('recondition'), vote('reuse', 'replace')], verdict: 'hold' },
]
test.each(verdicts)('$name', ({ votes, verdict }) => {
  expect(partVerdict(part([]), votes, []).verdict).toBe(verdict)
})

const anyVote = fc
  .tuple(fc.constantFrom(...dispositions), fc.constantFrom(...dispositions))
  .map(([a, b]) => (dispositionRank[a] <= dispositionRank[b] ? vote(a, b) : vote(b, a)))

describe('properties of voting', () => {
  test('the order of votes does not matter, and the strongest is named first', () => {
    fc.assert(
      fc.property(fc.array(anyVote, { minLength: 1, maxLength: 8 }), (votes) => {
        expect(spanOf([...votes].reverse())).toEqual(spanOf(votes))
        expect(byStrength(votes)[0]?.strong).toBe(spanOf(votes).strong)
      }),
      { seed: 106 },
    )
  })

  test('one more vote never makes a verdict milder', () => {
    fc.assert(
      fc.property(fc.array(anyVote, { minLength: 1, maxLength: 6 }), anyVote, (votes, more) => {
        const [before, after] = [spanOf(votes), spanOf([...votes, more])]
        expect(dispositionRank[after.mild]).toBeGreaterThanOrEqual(dispositionRank[before.mild])
        expect(dispositionRank[after.strong]).toBeGreaterThanOrEqual(dispositionRank[before.strong])
        expect(verdictOf(after) === 'hold').toBe(after.mild !== after.strong)
      }),
      { seed: 106 },
    )
  })
})

describe('the way of a verdict', () => {
  const both = route('re-metal', 840, { mends: ['bore', 'strip'], days: 6 })
  const dress = route('dress', 60, { mends: ['strip'], days: 1 })

  test('one route that mends everything is taken alone', () => {
    const votes = [
      vote('recondition', 'recondition', { route: 're-metal' }),
      vote('recondition', 'recondition', { subject: 'strip', route: 'dress' }),
    ]
    expect(partVerdict(part([both, dress]), votes, []).way).toMatchObject({ routes: ['re-metal'], cost: 840, days: 6 })
  })

  test('routes that mend one thing each are done together', () => {
    const votes = [
      vote('recondition', 'recondition', { route: 'hone' }),
      vote('recondition', 'recondition', { subject: 'strip', route: 'dress' }),
    ]
    expect(partVerdict(part([hone, dress]), votes, []).way).toMatchObject({ routes: ['hone', 'dress'], cost: 280, days: 2 })
  })

  test('what nobody has priced leaves the sum unknown, and is never nothing', () => {
    const unpriced = { ...hone, id: 'free-hand', cost: null, days: null }
    expect(partVerdict(part([unpriced]), [vote('recondition', 'recondition', { route: 'free-hand' })], []).way).toMatchObject({
      routes: ['free-hand'],
      cost: null,
      days: null,
    })
  })

  test('a new part costs what the book says; reuse and hold have no way', () => {
    expect(partVerdict(part([]), [vote('replace')], []).way).toMatchObject({ cost: 900, days: 20 })
    expect(partVerdict(part([]), [vote('reuse')], []).way).toBeNull()
    expect(partVerdict(part([]), [vote('reuse', 'replace')], []).way).toBeNull()
  })
})

describe('the last stage measured decides what leaves the shop', () => {
  const later = (...votes: Vote[]) => [{ stage: 'asLeft', votes } as const]
  test.each<[found: Vote, left: Vote, verdict: Verdict]>([
    [vote('reuse'), vote('replace'), 'replace'],
    [vote('recondition'), vote('reuse'), 'recondition'],
    [vote('reuse'), vote('reuse', 'recondition'), 'hold'],
  ])('found $mild, left $mild', (found, left, verdict) => {
    const made = partVerdict(part([]), [found], later({ ...left, stage: 'asLeft' }))
    expect(made.verdict).toBe(verdict)
    expect(made.stages.map(({ stage }) => stage)).toEqual(['asFound', 'asLeft'])
  })
})
