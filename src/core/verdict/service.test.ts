/** Service rules by themselves, and parts that are renewed or judged together, through whole records. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { LimitBook, Part } from '../book/bookSchema'
import { referenceFaults } from '../book/references'
import { evaluate } from '../evaluate/evaluate'
import { dispositionRank } from '../policy/disposition'
import type { InspectionRecord } from '../record/recordSchema'
import { smallBook, smallReading, smallRecord } from '../record/smallMachine.fixture'
import { speakerOf } from '../words/speaker'
import { reasonOf, settledBy } from '../words/votes'
import { ageOf } from './serviceVote'

const source = { document: 'D1', page: '3' }
type Rule = NonNullable<Part['service']>[number]
const part = (id: string, service: Rule[] = [], over: Partial<Part> = {}): Part => ({
  ...(smallBook.parts[0] as Part),
  id,
  name: id,
  service,
  ...over,
})

const at = (runningHours: number, installed: Readonly<Record<string, string>>): InspectionRecord['history'][number] => ({
  overhaul: `at ${runningHours}`,
  date: '2020-01-01',
  runningHours,
  installed,
  readings: [],
})

const recordOf = (
  parts: readonly Part[],
  over: Partial<InspectionRecord['job']> = {},
  history: InspectionRecord['history'] = [],
) => {
  const record = smallRecord()
  const book: LimitBook = { ...smallBook, parts: [...parts] }
  return {
    ...record,
    book,
    history,
    job: { ...record.job, runningHours: 8_000, mustRunHours: 2_000, ...over },
  } as InspectionRecord
}

describe('how old the fitted part is', () => {
  test.each([
    {
      name: 'never another one',
      history: [at(2_000, { p: 'A' }), at(5_000, { p: 'A' })],
      now: 'A',
      age: { overhauls: 2, isCounted: false, hours: 8_000 },
    },
    {
      name: 'fitted at the last overhaul',
      history: [at(2_000, { p: 'B' }), at(5_000, { p: 'B' })],
      now: 'A',
      age: { overhauls: 0, isCounted: true, hours: 3_000 },
    },
    {
      name: 'fitted at the first',
      history: [at(5_000, { p: 'A' }), at(2_000, { p: 'B' })],
      now: 'A',
      age: { overhauls: 1, isCounted: true, hours: 6_000 },
    },
    {
      name: 'back again after another',
      history: [at(2_000, { p: 'A' }), at(5_000, { p: 'B' })],
      now: 'A',
      age: { overhauls: 0, isCounted: true, hours: 3_000 },
    },
    { name: 'a mark missing then', history: [at(2_000, {}), at(5_000, { p: 'A' })], now: 'A', age: null },
    { name: 'no mark now', history: [], now: undefined, age: null },
  ])('$name', ({ history, now, age }) => {
    const found = ageOf(recordOf([part('p')], { installed: now === undefined ? {} : { p: now } }, history), 'p')
    expect(found).toEqual(age && { ...age, starts: null })
  })
})

const looked = { ...part('shaft') }
const verdictOf = (record: InspectionRecord, id: string) => {
  const result = evaluate(record).parts.find((one) => one.id === id)
  const speaker = speakerOf(record.book, 'metric')
  const vote = result?.votes.find(({ rule }) => rule === 'service')
  return { verdict: result?.verdict, says: vote && reasonOf(speaker, vote), settles: vote && settledBy(speaker, vote) }
}

test.each([
  {
    name: 'every third, and this is the third',
    rule: { kind: 'everyNth', nth: 3, source },
    history: [at(2_000, { p: 'A' }), at(5_000, { p: 'A' })],
    verdict: 'replace',
    says: 'Renewed at every 3rd overhaul; this is its 3rd',
  },
  {
    name: 'every third, and what came before the first overhaul on record nobody knows',
    rule: { kind: 'everyNth', nth: 3, source },
    history: [at(5_000, { p: 'A' })],
    verdict: 'hold',
    says: 'Renewed by its age, and how old it is nobody knows',
  },
  {
    name: 'every third, and this is the second since it was fitted: it is looked at all the same',
    rule: { kind: 'everyNth', nth: 3, source },
    history: [at(2_000, { p: 'B' }), at(5_000, { p: 'A' })],
    verdict: 'hold',
    says: 'Renewed at every 3rd overhaul; this is its 2nd',
  },
  {
    name: 'hours that are over',
    rule: { kind: 'afterHours', hours: 8_000, source },
    history: [],
    verdict: 'replace',
    says: 'Renewed after 8\u00a0000 h; it has run 8\u00a0000 h',
  },
  {
    name: 'hours that would be over before the next overhaul',
    rule: { kind: 'afterHours', hours: 9_999, source },
    history: [],
    verdict: 'replace',
    says: /would pass them before the next overhaul/,
  },
  {
    name: 'starts that would be over before the next overhaul',
    rule: { kind: 'afterStarts', starts: 1_100, source },
    history: [],
    starts: 900,
    verdict: 'replace',
    says: 'Renewed after 1\u00a0100 starts; it has had 900 and would pass them before the next overhaul',
  },
  {
    name: 'starts counted from where it was fitted',
    rule: { kind: 'afterStarts', starts: 1_100, source },
    history: [{ ...at(5_000, { p: 'B' }), starts: 600 }],
    starts: 900,
    verdict: 'hold',
    says: 'Renewed after 1\u00a0100 starts; it has had 300 and does not reach them before the next overhaul',
  },
  {
    name: 'starts that nobody counted',
    rule: { kind: 'afterStarts', starts: 1_100, source },
    history: [],
    verdict: 'hold',
    says: 'Renewed after so many starts, and nobody has counted them',
  },
  {
    name: 'hours that last',
    rule: { kind: 'afterHours', hours: 10_000, source },
    history: [],
    verdict: 'hold',
    says: /does not reach them/,
  },
  {
    name: 'an age nobody knows',
    rule: { kind: 'afterHours', hours: 10_000, source },
    history: [at(2_000, {})],
    verdict: 'hold',
    says: 'Renewed by its age, and how old it is nobody knows',
  },
] as const)('$name', ({ rule, history, verdict, says, ...counted }) => {
  const record = recordOf([looked, part('p', [rule])], { installed: { p: 'A' }, ...startsOf(counted) }, [...history])
  const got = verdictOf(record, 'p')
  expect(got.verdict).toBe(verdict)
  expect(got.says).toMatch(says)
})

const startsOf = (of: { readonly starts?: number }) => (of.starts === undefined ? {} : { starts: of.starts })

test('hours run at every level, overhauls are counted where the level is one', () => {
  const level = {
    id: 'look',
    name: 'Look',
    measures: 'all' as const,
    renews: false,
    gate: null,
    needs: { gauges: [], tools: [], consumables: [], safety: [] },
  }
  const record = recordOf(
    [looked, part('p', [{ kind: 'afterHours', hours: 100, source }]), part('q', [{ kind: 'everyNth', nth: 2, source }])],
    { installed: { p: 'A', q: 'A' }, level: 'look' },
    [at(2_000, { p: 'A', q: 'A' }), at(4_000, { p: 'A', q: 'A' })],
  )
  const atLevel = { ...record, book: { ...record.book, levels: [level] as unknown as LimitBook['levels'] } }
  expect(verdictOf(atLevel, 'p').verdict).toBe('replace')
  expect(verdictOf(atLevel, 'q').says).toBeUndefined()
})

const worn = (record: InspectionRecord): InspectionRecord => ({
  ...record,
  job: {
    ...record.job,
    readings: ['39.80', '39.81'].map((text, index) =>
      smallReading(index + 1, 'journal', { station: index === 0 ? 'A' : 'B', direction: '1', repeat: 1 }, text),
    ),
  },
})

test('a mate is renewed with it, and what hangs on that mate in its turn', () => {
  const parts = [
    looked,
    part('shell', [{ kind: 'withMate', parts: ['shaft'], source }]),
    part('seal', [{ kind: 'withMate', parts: ['shell'], source }]),
    part('other'),
  ]
  const record = worn(recordOf(parts))
  expect(verdictOf(record, 'shaft').verdict).toBe('replace')
  expect(verdictOf(record, 'shell')).toMatchObject({ verdict: 'replace', says: 'Renewed when shaft is' })
  expect(verdictOf(record, 'seal')).toMatchObject({ verdict: 'replace', says: 'Renewed when shell is' })
  expect(verdictOf(record, 'other').verdict).toBe('hold')
  // While the shaft may still be either, so may what is renewed with it.
  const open = verdictOf(recordOf(parts), 'shell')
  expect(open).toMatchObject({ verdict: 'hold', settles: expect.stringContaining('Decide shaft first.') })
})

test('a set has one verdict, the strongest of its members, whichever way round it is written', () => {
  const set = (...parts: string[]): Rule[] => [{ kind: 'set', parts, source }]
  const record = worn(recordOf([{ ...looked, service: set('half') }, part('half', set('shaft'))]))
  expect(evaluate(record).parts.map(({ id, verdict }) => [id, verdict])).toEqual([
    ['shaft', 'replace'],
    ['half', 'replace'],
  ])
  expect(evaluate(record).parts[1]?.way).toMatchObject({ by: 'newPart', cost: 400 })
})

test('being bound to more parts never makes a verdict milder', () => {
  const ids = ['shaft', 'a', 'b', 'c']
  const rules = fc.array(
    fc.record({
      of: fc.constantFrom(...ids),
      to: fc.constantFrom(...ids),
      kind: fc.constantFrom('set' as const, 'withMate' as const),
    }),
    {
      maxLength: 6,
    },
  )
  fc.assert(
    fc.property(rules, fc.boolean(), (bound, isWorn) => {
      const make = (count: number) => {
        const kept = bound.slice(0, count).filter(({ of, to }) => of !== to)
        const parts = ids.map((id) =>
          part(
            id,
            kept.filter(({ of }) => of === id).map(({ kind, to }) => ({ kind, parts: [to], source })),
          ),
        )
        const record = recordOf(parts)
        return evaluate(isWorn ? worn(record) : record).parts
      }
      const [fewer, more] = [make(Math.max(0, bound.length - 1)), make(bound.length)]
      for (const [index, one] of fewer.entries()) {
        expect(dispositionRank[more[index]?.mild ?? 'reuse']).toBeGreaterThanOrEqual(dispositionRank[one.mild])
        expect(dispositionRank[more[index]?.strong ?? 'reuse']).toBeGreaterThanOrEqual(dispositionRank[one.strong])
      }
    }),
    { seed: 8, numRuns: 150 },
  )
})

test('a part within a part goes with what holds it, and is renewed alone without it', () => {
  const parts = [looked, part('bush', [], { within: 'shaft' })]
  expect(verdictOf(worn(recordOf(parts)), 'bush')).toMatchObject({ verdict: 'replace', says: 'Sits in shaft, and goes with it' })
  const inner = worn(recordOf([{ ...looked, within: 'lever' }, part('lever')]))
  expect(evaluate(inner).parts.map(({ id, verdict }) => [id, verdict])).toEqual([
    ['shaft', 'replace'],
    ['lever', 'hold'],
  ])
  const ring = { ...smallBook, parts: [part('shaft', [], { within: 'lever' }), part('lever', [], { within: 'shaft' })] }
  expect(referenceFaults(ring).map(({ fault }) => fault.code)).toEqual(['insideItself'])
})

test('a finding on one part decides the other that runs on it, where the book says so', () => {
  const rule = {
    id: 'scored-shaft',
    part: 'shell',
    foundOn: 'shaft',
    kinds: ['scoring'],
    severityAtLeast: 'marked',
    asks: 'replace',
    route: null,
    text: 'Renew the shell that ran on it.',
    confirm: [],
    source,
  } as unknown as LimitBook['findingRules'][number]
  const verdictWith = (severity: 'light' | 'severe') => {
    const record = recordOf([looked, part('shell')])
    const value = { part: 'shaft', kind: 'scoring', severity, since: 'service', station: null, clock: null, extent: '', note: '' }
    const entries = [
      { ...NOTED, body: { kind: 'findingRecorded', finding: 'f-1', value } },
    ] as unknown as InspectionRecord['job']['entries']
    const of = { ...record, book: { ...record.book, findingRules: [rule] }, job: { ...record.job, entries } }
    const shell = evaluate(of).parts.find(({ id }) => id === 'shell')
    const vote = shell?.votes.find((one) => one.rule === 'finding')
    return { verdict: shell?.verdict, says: vote && reasonOf(speakerOf(of.book, 'metric'), vote) }
  }
  expect(verdictWith('severe')).toEqual({
    verdict: 'replace',
    says: expect.stringMatching(/^Scoring, severe on shaft: Renew the shell/),
  })
  expect(verdictWith('light')).toEqual({ verdict: 'hold', says: undefined })
  const { book } = recordOf([looked, part('shell')])
  expect(referenceFaults({ ...book, findingRules: [{ ...rule, foundOn: 'ghost' }] }).map(({ fault }) => fault.code)).toEqual([
    'notThere',
  ])
})

test('a part that can be turned over: open until somebody says how many sides are used up, closed when all are', () => {
  const turn = { id: 'turn', name: 'Turn over', mends: ['journal'], sizeAfter: null, sides: 2, cost: 10, days: 1, source }
  const mendable = smallBook.characteristics
    .filter(({ id }) => id === 'journal')
    .map((one) => ({ ...one, limits: one.limits.map((of) => ({ ...of, whenPassed: 'mend' as const })) }))
  const record = worn(recordOf([{ ...looked, routes: [turn] }]))
  const said = (used: number | null) => {
    const entries = used === null ? [] : [{ ...NOTED, body: { kind: 'sidesSaid' as const, part: 'shaft', used } }]
    const of = { ...record, book: { ...record.book, characteristics: mendable }, job: { ...record.job, entries } }
    const [result] = evaluate(of).parts
    const [vote] = result?.votes ?? []
    return { verdict: result?.verdict, settles: vote && settledBy(speakerOf(of.book, 'metric'), vote) }
  }
  expect(said(null)).toEqual({ verdict: 'hold', settles: 'Say how many sides of shaft are used up.' })
  expect(said(1).verdict).toBe('recondition')
  expect(said(2).verdict).toBe('replace')
})

const NOTED = { id: '01990000-0000-7000-8000-0000000000aa', by: 'Ann', at: '2026-06-01T09:00:00Z' }

test('a book that binds a part to itself, or to none of its own, is refused', () => {
  const book = { ...smallBook, parts: [part('shaft', [{ kind: 'set', parts: ['shaft', 'ghost'], source }])] }
  expect(referenceFaults(book).map(({ fault }) => fault.code)).toEqual(['notThere', 'boundToItself'])
})
