import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { evaluate } from '../../src/core/evaluate/evaluate'
import type { Results } from '../../src/core/evaluate/results'
import { changedSince } from '../../src/core/evaluate/signedFiguresSchema'
import { recordSchema } from '../../src/core/record/recordSchema'
import { upgradeBook, upgradeRecord, upgradeResults } from '../../src/core/record/upgrade'
import { olderSuspects } from '../../src/report/olderReport'
import type { ReportDraft } from '../../src/report/reportFacts'
import { reportWords } from '../../src/report/reportWords'
import { demoRecord, foundNow } from '../record'

const read = (name: string): unknown => JSON.parse(readFileSync(`demo/older/${name}`, 'utf8'))
const record = read('record-version-1.json')

test('a record of version 1 is read today, and gives every figure it was signed with', () => {
  const today: unknown = JSON.parse(JSON.stringify(evaluate(recordSchema.parse(upgradeRecord(record)))))
  const changed = changedSince(upgradeResults(read('results-version-1.json'), record), today)
  // Its core foretold without doubt. Ring 2 read 0.60, 0.75, 0.60: no line, and no longer surely inside. Its book does not say
  // what re-metalling does and leaves: such a route restores no size.
  expect(changed).toEqual([
    { at: 'bearing-bore.verdict', was: 'recondition', now: 'recondition…replace' },
    { at: 'bearing-strip.verdict', was: 'recondition', now: 'recondition…replace' },
    { at: 'ring-gap-2.verdict', was: 'reuse', now: 'reuse…replace' },
    { at: 'shell.verdict', was: 'recondition', now: 'recondition…replace' },
    { at: 'ring-2.verdict', was: 'reuse', now: 'reuse…replace' },
  ])
})

test('an altered figure or verdict is told apart from words', () => {
  const today = JSON.parse(JSON.stringify(evaluate(recordSchema.parse(upgradeRecord(record))))) as Results
  const [part] = today.parts
  if (!part) throw new Error('the record judges a part')
  const altered = { ...today, version: 2, parts: [{ ...part, mild: 'reuse', strong: 'reuse' }, ...today.parts.slice(1)] }
  const reworded = { ...today, parts: today.parts.map((one) => ({ ...one, votes: [] })) }
  expect(changedSince(reworded, today)).toEqual([])
  expect(changedSince(altered, today)).toEqual(
    part.mild === 'reuse' && part.strong === 'reuse' ? [] : [expect.objectContaining({ was: 'reuse' })],
  )
})

test('what is of today is left as it is', () => {
  const now = { format: 'medida-limit-book', version: 2, valueMm: 1 }
  expect(upgradeBook(now)).toBe(now)
  expect(upgradeRecord(now)).toBe(now)
  expect(upgradeRecord('no record')).toBe('no record')
})

describe('results of version 3 held their sentences', () => {
  // Its steps and contributions are left out here: nothing reads them of a signed report.
  const results = read('results-version-3.json') as Results
  const today = demoRecord(foundNow, { asLeft: { 'end-float': ['0.20', '0.205', '0.202'] } })
  const draft: ReportDraft = {
    title: 'Overhaul',
    reason: 'Hours due',
    openedBy: 'Ines Calder',
    confirmations: [],
    review: [],
    record: today,
    results: olderSuspects(results),
  }

  test('every figure and verdict is the same today', () => {
    expect(changedSince(results, JSON.parse(JSON.stringify(evaluate(today))))).toEqual([])
  })

  test('a report of that time says what it said then, word by word', () => {
    const said = reportWords(draft).results
    const stored = results as unknown as { parts: { id: string; votes: { reason: string }[]; way: { name: string } | null }[] }
    for (const { id, votes, way } of stored.parts) {
      expect(said.parts[id]?.votes.map(({ reason }) => reason)).toEqual(votes.map(({ reason }) => reason))
      expect(said.parts[id]?.way).toBe(way?.name ?? null)
    }
    expect(stored.parts.flatMap(({ votes }) => votes).length).toBeGreaterThan(10)
  })

  test('a report keeps its words, whatever is worded otherwise since', () => {
    const { notes, results: said } = reportWords(draft)
    const kept = { notes: { ...notes, exceptions: ['As it was put that day'] }, results: said }
    expect(reportWords({ ...draft, words: kept })).toBe(kept)
  })
})
