import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Reduced, Reductions } from '../method/reduction'
import type { Part, Route } from '../record/bookSchema'
import type { Vote } from '../record/results'
import { type Level, levelRank, levels, type Verdict } from './level'
import { mendingOf } from './mending'
import { byStrength, partVerdict, spanOf, verdictOf } from './partVerdict'

const source = { document: 'D', page: 'p. 1' }
const vote = (mild: Level, strong: Level = mild, over: Partial<Vote> = {}): Vote => ({
  rule: 'limit',
  subject: 'bore',
  mild,
  strong,
  reason: `${mild} to ${strong}`,
  settledBy: null,
  source: null,
  route: null,
  trace: [],
  ...over,
})
const route = (id: string, cost: number, over: Partial<Route> = {}): Route => ({
  id,
  name: id,
  mends: ['bore'],
  sizeAfter: null,
  cost,
  days: 1,
  source,
  ...over,
})
const part = (routes: Route[]): Part => ({
  id: 'p',
  name: 'Part',
  assembly: 'A',
  position: 'P',
  renewedAlways: false,
  replacement: { cost: 900, days: 20 },
  routes,
})

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
  expect(partVerdict(part([]), votes).verdict).toBe(verdict)
})

const anyVote = fc
  .tuple(fc.constantFrom(...levels), fc.constantFrom(...levels))
  .map(([a, b]) => (levelRank[a] <= levelRank[b] ? vote(a, b) : vote(b, a)))

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
        expect(levelRank[after.mild]).toBeGreaterThanOrEqual(levelRank[before.mild])
        expect(levelRank[after.strong]).toBeGreaterThanOrEqual(levelRank[before.strong])
        expect(verdictOf(after) === 'hold').toBe(after.mild !== after.strong)
      }),
      { seed: 106 },
    )
  })
})

const reductions = (maximum: number, minimum: number, outOfRound: number, taken = 6): Reductions => {
  const reduced = (value: number): Reduced => ({
    quantity: 'length',
    value,
    interval: null,
    uncertainty: 0,
    where: '',
    sum: [],
    open: 'complete',
  })
  return {
    values: { maximum: reduced(maximum), minimum: reduced(minimum), outOfRound: reduced(outOfRound) },
    taken,
    needed: 6,
    cannot: 0,
    faults: [],
  }
}
const hone = route('hone', 220, { sizeAfter: { characteristic: 'bore', leastMm: 160, greatestMm: 160.28, cleanUpMm: 0.02 } })
const grind = route('grind', 500, {
  mends: ['journal'],
  sizeAfter: { characteristic: 'journal', leastMm: 219.7, greatestMm: 219.95, cleanUpMm: 0.02 },
})

const mendings: {
  name: string
  routes: Route[]
  subject: string
  measured: Reductions | undefined
  levels: [Level, Level]
  route: string | null
}[] = [
  {
    name: 'no route: only a new part',
    routes: [],
    subject: 'bore',
    measured: undefined,
    levels: ['replace', 'replace'],
    route: null,
  },
  {
    name: 'a route that rebuilds is always open',
    routes: [route('re-metal', 840)],
    subject: 'bore',
    measured: undefined,
    levels: ['recondition', 'recondition'],
    route: 're-metal',
  },
  {
    name: 'a bore that cleans up exactly at the greatest size',
    routes: [hone],
    subject: 'bore',
    measured: reductions(160.24, 160.2, 0.02),
    levels: ['recondition', 'recondition'],
    route: 'hone',
  },
  {
    name: 'a micrometre more does not',
    routes: [hone],
    subject: 'bore',
    measured: reductions(160.241, 160.2, 0.02),
    levels: ['replace', 'replace'],
    route: null,
  },
  {
    name: 'not measured yet: not known',
    routes: [hone],
    subject: 'bore',
    measured: undefined,
    levels: ['recondition', 'replace'],
    route: null,
  },
  {
    name: 'half measured and still possible: not known',
    routes: [hone],
    subject: 'bore',
    measured: reductions(160.2, 160.2, 0, 3),
    levels: ['recondition', 'replace'],
    route: null,
  },
  {
    name: 'half measured and already too large: closed',
    routes: [hone],
    subject: 'bore',
    measured: reductions(160.3, 160.2, 0, 3),
    levels: ['replace', 'replace'],
    route: null,
  },
  {
    name: 'a journal is ground down',
    routes: [grind],
    subject: 'journal',
    measured: reductions(219.8, 219.75, 0.03),
    levels: ['recondition', 'recondition'],
    route: 'grind',
  },
  {
    name: 'until it is too small',
    routes: [grind],
    subject: 'journal',
    measured: reductions(219.8, 219.74, 0.03),
    levels: ['replace', 'replace'],
    route: null,
  },
  {
    name: 'the cheapest open route',
    routes: [route('re-metal', 840), hone, route('sleeve', 300)],
    subject: 'bore',
    measured: reductions(160.3, 160.2, 0),
    levels: ['recondition', 'recondition'],
    route: 'sleeve',
  },
  {
    name: 'a route for something else does not count',
    routes: [grind],
    subject: 'bore',
    measured: reductions(160, 160, 0),
    levels: ['replace', 'replace'],
    route: null,
  },
]
test.each(mendings)('mending: $name', ({ routes, subject, measured, levels: [mild, strong], route: expected }) => {
  const mending = mendingOf(
    part(routes),
    [subject],
    (id) => id === 'bore',
    () => measured,
    String,
  )
  expect({ mild: mending.mild, strong: mending.strong, route: mending.route?.id ?? null }).toEqual({
    mild,
    strong,
    route: expected,
  })
  expect(mending.trace).toHaveLength(routes.filter(({ mends }) => mends.includes(subject)).length)
})

describe('the way of a verdict', () => {
  const both = route('re-metal', 840, { mends: ['bore', 'strip'], days: 6 })
  const dress = route('dress', 60, { mends: ['strip'], days: 1 })

  test('one route that mends everything is taken alone', () => {
    const votes = [
      vote('recondition', 'recondition', { route: 're-metal' }),
      vote('recondition', 'recondition', { subject: 'strip', route: 'dress' }),
    ]
    expect(partVerdict(part([both, dress]), votes).way).toMatchObject({ routes: ['re-metal'], cost: 840, days: 6 })
  })

  test('routes that mend one thing each are done together', () => {
    const votes = [
      vote('recondition', 'recondition', { route: 'hone' }),
      vote('recondition', 'recondition', { subject: 'strip', route: 'dress' }),
    ]
    expect(partVerdict(part([hone, dress]), votes).way).toMatchObject({ routes: ['hone', 'dress'], cost: 280, days: 2 })
  })

  test('a new part costs what the book says; reuse and hold have no way', () => {
    expect(partVerdict(part([]), [vote('replace')]).way).toMatchObject({ cost: 900, days: 20 })
    expect(partVerdict(part([]), [vote('reuse')]).way).toBeNull()
    expect(partVerdict(part([]), [vote('reuse', 'replace')]).way).toBeNull()
  })
})
