/** Where a job stands, counted from its record. */

import { describe, expect, test } from 'vitest'
import { evaluate } from '../src/core/evaluate/evaluate'
import { isMadeSafe, jobProgress, standingDecisions } from '../src/core/job/progress'
import type { EntryBody } from '../src/core/notes/entrySchema'
import type { InspectionRecord } from '../src/core/record/recordSchema'
import { chosenWords } from '../src/core/words/policy'
import { madeSafe } from './madeSafe'
import { entry } from './noted'
import quillmereJson from './quillmere/book.json' with { type: 'json' }
import { demoRecord, foundNow } from './record'

const decided = (
  record: InspectionRecord,
  ...parts: [part: string, recommended: 'reuse' | 'recondition' | 'replace'][]
): InspectionRecord => ({
  ...record,
  decisions: parts.map(([part, recommended], at) => ({
    id: `01990000-0000-7000-8000-0000000000d${at}`,
    part,
    recommended,
    decided: recommended,
    reason: null,
    by: 'Mara Ellwood',
    at: '2026-11-24T10:00:00Z',
  })),
})
const progressOf = (record: InspectionRecord) => jobProgress(record, evaluate(record), new Set(), false)

describe('counted', () => {
  test('nothing read: everything is to be read, no fit is judged', () => {
    const { measured, fitsJudged, decided: verdicts } = progressOf(demoRecord({}))
    expect(measured.done).toBe(0)
    expect(measured.of).toBeGreaterThan(20)
    expect([fitsJudged.done, verdicts.done]).toEqual([0, 0])
  })

  test('all read: as many as are needed, each fit judged', () => {
    const { measured, fitsJudged } = progressOf(demoRecord(foundNow))
    expect(measured.done).toBe(measured.of)
    expect(fitsJudged.done).toBe(fitsJudged.of)
    expect(fitsJudged.of).toBeGreaterThan(0)
  })

  test('a verdict counts while what it was made on holds', () => {
    const record = decided(demoRecord(foundNow), ['shaft', 'reuse'], ['shell', 'replace'])
    const standing = standingDecisions(record, evaluate(record))
    // The bore calls for reconditioning: it was decided on something else.
    expect([standing.get('shaft')?.stale, standing.get('shell')?.stale]).toEqual([false, true])
    expect(progressOf(record).decided.done).toBe(1)
  })

  test('of two verdicts on a part the last stands', () => {
    const record = decided(demoRecord(foundNow), ['shell', 'replace'], ['shell', 'recondition'])
    expect(standingDecisions(record, evaluate(record)).get('shell')).toMatchObject({
      stale: false,
      decided: { recommended: 'recondition' },
    })
  })
})

describe('made safe', () => {
  const atLevel = (bodies: readonly EntryBody[]): InspectionRecord => {
    const record = demoRecord({})
    return { ...record, job: { ...record.job, level: 'bearing-check', entries: bodies.map((body) => entry(body)) } }
  }
  const all = madeSafe(quillmereJson, 'bearing-check', { name: 'Rufus Dane', licence: 'QPS-E 14' }).flatMap(({ what }) =>
    what.kind === 'drawnPicture' ? [] : [what],
  )

  test('only when every step of it is done', () => {
    expect(isMadeSafe(atLevel([]), [])).toBe(false)
    expect(isMadeSafe(atLevel(all.slice(0, -1)), [])).toBe(false)
    expect(isMadeSafe(atLevel(all), [])).toBe(true)
  })
  test('not any more when a step was opened again', () => {
    expect(isMadeSafe(atLevel([...all, { kind: 'stepReopened', step: 'ms-try', reason: 'Desk was used' }]), [])).toBe(false)
  })
  test('or when it was confirmed as a whole, as where the book has no steps', () => {
    expect(isMadeSafe(atLevel([]), [{ step: 'makeSafe' }])).toBe(true)
    expect(isMadeSafe(atLevel([]), [{ step: 'strip' }])).toBe(false)
  })
})

test('schools of practice are named in words, those not chosen are not', () => {
  expect(chosenWords({ tightening: 'oiled', inDoubt: 'replace' })).toEqual([
    'in doubt: replace when in any doubt',
    'tightening: oiled figure',
  ])
  expect(chosenWords({})).toEqual([])
})
