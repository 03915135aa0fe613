import { readFileSync } from 'node:fs'
import { gunzipSync } from 'node:zlib'
import { describe, expect, test } from 'vitest'
import { bookSchema, type LimitBook } from '../../src/core/book/bookSchema'
import { bookAsSheets } from '../../src/core/bookSheets/toSheets'
import { evaluate } from '../../src/core/evaluate/evaluate'
import type { Results } from '../../src/core/evaluate/results'
import { changedSince } from '../../src/core/evaluate/signedFiguresSchema'
import { noteNow } from '../../src/core/record/fromVersion2'
import { recordSchema } from '../../src/core/record/recordSchema'
import { upgradeBook, upgradeRecord, upgradeResults } from '../../src/core/record/upgrade'
import { sheetNames } from '../../src/core/words/bookSheets'
import { olderSuspects } from '../../src/report/olderReport'
import type { ReportDraft } from '../../src/report/reportFacts'
import { reportWords } from '../../src/report/reportWords'
import { readBookFile } from '../../src/server/books/file/bookFile'
import { writeWorkbook } from '../../src/server/books/file/workbook'
import { type Item, itemNow } from '../../src/sync/item'
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
    { at: 'servo-bore.verdict', was: 'reuse', now: 'reuse…replace' },
    { at: 'ring-gap-2.verdict', was: 'reuse', now: 'reuse…replace' },
    { at: 'shell.verdict', was: 'recondition', now: 'recondition…replace' },
    { at: 'servo-cylinder.verdict', was: 'reuse', now: 'reuse…replace' },
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
  const now = { format: 'medida-limit-book', version: 3, valueMm: 1, closings: [] }
  expect(upgradeBook(now)).toBe(now)
  expect(upgradeRecord(now)).toBe(now)
  expect(upgradeRecord('no record')).toBe('no record')
})

const packed = (name: string): unknown => JSON.parse(gunzipSync(readFileSync(`demo/older/${name}`)).toString())

describe('version 2, of the release before', () => {
  type Coded = { readonly rule?: string; readonly code?: string }
  const older = packed('record-version-2.json.gz') as { book: { closings: object[]; procedure: object[] } }

  test('a record gives every figure and reason that it gave then, but for what is foretold', () => {
    const today: unknown = JSON.parse(JSON.stringify(evaluate(recordSchema.parse(upgradeRecord(older)))))
    const then = upgradeResults(packed('results-version-4.json.gz'), older)
    expect(measuredOnly({ ...(today as Results), core: '3.3.0', version: 4 })).toEqual(measuredOnly(then))
    // Three readings that scatter have a wide band: the cylinder is not sure to last, and the ring with it.
    const open = (now: string) => (at: string) => ({ at, was: 'reuse', now })
    expect(changedSince(then, today)).toEqual([
      ...['servo-bore.verdict', 'servo-cylinder.verdict', 'servo-cylinder.asFound.verdict'].map(open('reuse…recondition')),
      ...['ring-2.verdict', 'ring-2.asFound.verdict'].map(open('reuse…replace')),
    ])
  })

  /** Results without what is foretold, and what follows from that. */
  function measuredOnly(value: unknown): unknown {
    if (Array.isArray(value)) return value.filter((one) => !isForetold(one as Coded | null)).map(measuredOnly)
    if (value === null || typeof value !== 'object') return value
    const kept = Object.entries(value).filter(([key]) => !FORETOLD.has(key))
    return Object.fromEntries(kept.map(([key, of]) => [key, measuredOnly(of)]))
  }
  /** What is made to suit a part is asked for where that part may have to be worked. */
  const isForetold = (of: Coded | null): boolean => of?.rule === 'forecast' || of?.code === 'suited'
  const FORETOLD = new Set(['forecast', 'trends', 'verdict', 'mild', 'strong', 'way'])

  test('its book has today’s names and nothing else is touched', () => {
    const book = bookSchema.parse(upgradeBook(older.book))
    expect(book.crossChecks).toEqual(older.book.closings)
    const then = older.book.procedure.map((step) => {
      const { stage: phase, gate: holdPoint, ...rest } = step as { stage: string; gate: boolean }
      return { ...rest, phase, holdPoint }
    })
    expect(book.procedure).toEqual(then)
  })

  test.each(['bearing', 'composed'])('its %s book as a spreadsheet is the book of the same day', async (name) => {
    const read = await readBookFile(readFileSync(`demo/older/book-${name}-version-2.xlsx`))
    expect(read.faults).toEqual([])
    expect(read.book?.version).toBe(3)
    const again = await readBookFile(await writeWorkbook(bookAsSheets(read.book as LimitBook, 'metric', sheetNames)))
    expect(again.book).toEqual(read.book)
    if (name === 'bearing') expect(read.book).toEqual(bookSchema.parse(upgradeBook(older.book)))
    else expect(read.book?.characteristics.map(({ method }) => method.kind)).toContain('remainingThickness')
  })

  const was: readonly [what: string, body: object, now: object][] = [
    ['a part looked at', { kind: 'lookedAt', part: 'shell', note: '' }, { kind: 'inspected', part: 'shell', note: '' }],
    [
      'a step',
      { kind: 'stepAdded', step: 's', stage: 'strip', name: 'Lift', text: '', after: null },
      { kind: 'stepAdded', step: 's', phase: 'strip', name: 'Lift', text: '', after: null },
    ],
    ['what did not change', { kind: 'stepDone', step: 's' }, { kind: 'stepDone', step: 's' }],
    ['what is no note', { kind: 7 }, { kind: 7 }],
  ]
  test.each(was)('a note: %s', (_what, body, now) => {
    expect(noteNow(body)).toEqual(now)
    expect(noteNow(noteNow(body))).toEqual(now)
  })

  test('what a page of that release could not send yet is written as today, what somebody overtook too', () => {
    const body = { kind: 'lookedAt', part: 'shell', note: '' }
    const entry = { id: 'e', seen: null, body }
    const standing = { id: 'x', by: 'Mara', at: '2026-11-25T08:00:00.000Z', body }
    const item = {
      kind: 'entries',
      id: 'e',
      personId: 'p',
      jobId: 'j',
      by: 'Ines',
      at: standing.at,
      entries: [entry],
      fate: { kind: 'overtaken', standing, mine: body, message: '' },
    }
    const stored = { ...item, fate: { kind: 'stored', atMs: 1, answer: { entries: [{ seq: 1, entry: standing }] } } }
    for (const [one, times] of [
      [item, 3],
      [stored, 2],
    ] as const) {
      const text = JSON.stringify(itemNow(one as unknown as Item))
      expect(text.match(/"inspected"/g)).toHaveLength(times)
      expect(text).not.toContain('lookedAt')
    }
    const waiting = { ...item, fate: { kind: 'stored', atMs: 1, answer: null } } as unknown as Item
    expect(itemNow(waiting)).toMatchObject({ fate: { answer: null } })
  })
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
