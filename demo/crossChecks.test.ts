/** What is known twice: the clearance of the guide bearing by strip and from its measured parts. */

import { expect, test } from 'vitest'
import { bookSchema } from '../src/core/book/bookSchema'
import { doubtful } from '../src/core/evaluate/doubtful'
import { startEvaluation } from '../src/core/evaluate/evaluate'
import { standingReadings } from '../src/core/record/standing'
import { issueWords } from '../src/core/words/issues'
import { demoRecord, foundNow } from './record'
import { reasonsOf } from './said'
import type { DemoReadings } from './types'

const crossCheckOf = (texts: DemoReadings) => {
  const record = demoRecord({ ...foundNow, ...texts })
  const evaluation = startEvaluation(record)
  const [crossCheck] = evaluation.results.crossChecks
  if (!crossCheck) throw new Error('the demo book closes a chain')
  const standing = standingReadings(record.job.readings)
  const doubts = doubtful(evaluation, (id) => standing.filter(({ characteristic }) => characteristic === id))
  return { crossCheck, doubts, evaluation, record }
}
/** The demo's journal readings with one of them as this text. */
const journal = (at: number, text: string): string[] => (foundNow.journal ?? []).map((own, index) => (index === at ? text : own))
const bore = (at: number, text: string): string[] =>
  (foundNow['bearing-bore'] ?? []).map((own, index) => (index === at ? text : own))

test('closes on what was found, and says by how much it may be apart', () => {
  const { crossCheck, doubts } = crossCheckOf({})
  expect(crossCheck.standing).toBe('agrees')
  expect(crossCheck.misclosure?.value).toBeCloseTo((crossCheck.known?.value ?? 0) - (crossCheck.also?.value ?? 0), 6)
  // Strip and parts are taken with different gauges: each error counts, the strip's scale most.
  expect(crossCheck.allowed).toBeGreaterThan(0.04)
  expect(doubts).toEqual([])
})

const slips: { name: string; texts: DemoReadings; characteristic: string; kind: string; meant: string }[] = [
  {
    name: 'a thimble one turn off on the journal',
    texts: { journal: journal(2, '219.436') },
    characteristic: 'journal',
    kind: 'thimbleTurn',
    meant: '219.936',
  },
  {
    name: 'a comparator deviation ten times too large',
    texts: { 'bearing-bore': bore(0, '+1.48') },
    characteristic: 'bearing-bore',
    kind: 'decimalPlace',
    meant: '+0.148',
  },
]
test.each(slips)('$name: that reading is named first, with what was meant', ({ texts, characteristic, kind, meant }) => {
  const { crossCheck } = crossCheckOf(texts)
  expect(crossCheck.standing).toBe('disagrees')
  expect(crossCheck.suspects.find(({ slip }) => slip?.text === meant)).toMatchObject({ characteristic, slip: { kind } })
  expect(crossCheck.suspects[0]?.slip).not.toBeNull()
})

test('a doubtful reading says how far it could move a verdict', () => {
  const { doubts } = crossCheckOf({ 'bearing-bore': bore(0, '+1.48') })
  // While the chain does not close, the parts that it reads are held; mended, nothing holds them.
  expect(doubts[0]).toMatchObject({ moves: expect.any(Number), suspect: { characteristic: 'bearing-bore' } })
  expect(doubts[0]?.moves).toBeGreaterThan(0)
  const worn = crossCheckOf({ journal: journal(2, '219.436') }).doubts
  expect(worn[0]?.moves).toBeGreaterThan(0)
  expect(worn[0]?.suspect).toMatchObject({ characteristic: 'journal', slip: { text: '219.936' } })
})

test('nothing is compared before both are measured to the end', () => {
  expect(crossCheckOf({ 'bearing-strip': [] }).crossCheck).toMatchObject({ standing: 'open', known: null })
  expect(crossCheckOf({ journal: ['219.9'] }).crossCheck).toMatchObject({ standing: 'open', suspects: [] })
})

test('carried on reading by reading it says what it says of the whole', () => {
  const { record, evaluation } = crossCheckOf({ journal: journal(2, '219.436') })
  const own = standingReadings(record.job.readings).filter(({ characteristic }) => characteristic === 'journal')
  const without = evaluation.with('journal', own.slice(0, 3), 'asFound')
  expect(without.results.crossChecks[0]?.standing).toBe('open')
  expect(without.with('journal', own, 'asFound').results).toEqual(evaluation.results)
})

test('a book whose chain mixes units, or names what is not there, is refused', () => {
  const { book } = demoRecord({})
  const [crossCheck] = book.crossChecks ?? []
  const faults = (over: object): string[] => {
    const parsed = bookSchema.safeParse({ ...book, crossChecks: [{ ...crossCheck, ...over }] })
    return parsed.success ? [] : parsed.error.issues.map((issue) => `${issue.path.slice(2).join('.')}: ${issueWords(issue)}`)
  }
  expect(faults({})).toEqual([])
  expect(faults({ also: 'bore*journal' })).toEqual(['also: The formula gives mm^2, but mm is wanted.'])
  expect(faults({ quantity: 'pressure' })).toHaveLength(2)
  expect(faults({ also: 'bore - shaft' })[0]).toMatch(/^also: “shaft” is not a name/)
  expect(faults({ names: { ...crossCheck?.names, bore: { characteristic: 'bearing-bore', value: 'bow' } } })).toEqual([
    'names.bore: “bearing-bore” has no value “bow”',
  ])
})

test('a strip that does not go with the parts is warned of once, and named itself', () => {
  const { crossCheck, evaluation, record } = crossCheckOf({ 'bearing-strip': ['2.55', '3.4'] })
  const { parts } = evaluation.results
  expect(crossCheck.suspects[0]).toMatchObject({ characteristic: 'bearing-strip' })
  const warned = parts.find(({ id }) => id === 'shell')?.votes.filter(({ rule }) => rule === 'crossCheck') ?? []
  expect(reasonsOf(record, warned)).toEqual([expect.stringMatching(/the two ways do not agree/)])
  expect(parts.find(({ id }) => id === 'shell')?.verdict).toBe('hold')
})

test('two ways that are known too roughly to differ do not agree: it is not known whether they do', () => {
  const record = demoRecord(foundNow)
  const crossChecks = record.book.crossChecks?.map((crossCheck) => ({ ...crossCheck, within: 0.005 }))
  const { results } = startEvaluation({ ...record, book: { ...record.book, ...(crossChecks ? { crossChecks } : {}) } })
  expect(results.crossChecks[0]?.standing).toBe('open')
  expect(results.parts.find(({ id }) => id === 'shell')?.votes.some(({ code }) => code === 'tooRough')).toBe(true)
})
