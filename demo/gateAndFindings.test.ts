/** The gate and what it leaves out; what findings, patterns and causes decide. */

import { describe, expect, test } from 'vitest'
import { bookSchema } from '../src/core/book/bookSchema'
import { evaluate } from '../src/core/evaluate/evaluate'
import type { EntryBody } from '../src/core/notes/entrySchema'
import { foldNotes } from '../src/core/notes/fold'
import { complaintState, openCauses } from '../src/core/notes/openQuestions'
import { standingFindings } from '../src/core/notes/state'
import { type InspectionRecord, recordSchema } from '../src/core/record/recordSchema'
import { findingTitle } from '../src/core/words/findings'
import { leftOutWords } from '../src/core/words/scope'
import { gateWords } from '../src/core/words/signed'
import { entry, FINDING, finding } from './noted'
import quillmereJson from './quillmere/book.json' with { type: 'json' }
import { demoRecord, foundNow } from './record'
import { reasonsOf, speakerFor } from './said'

const quillmere = bookSchema.parse(quillmereJson)

const withNotes = (record: InspectionRecord, level: string | null, bodies: readonly EntryBody[]): InspectionRecord =>
  recordSchema.parse({ ...record, job: { ...record.job, level, entries: bodies.map((body) => entry(body)) } })

describe('the gate', () => {
  const check = (texts: Record<string, string[]>, bodies: readonly EntryBody[] = []) =>
    evaluate(withNotes(demoRecord(texts), 'bearing-check', bodies))
  const need = (results: ReturnType<typeof check>, id: string) => results.characteristics.find((result) => result.id === id)?.need
  const part = (results: ReturnType<typeof check>, id: string) => results.parts.find((result) => result.id === id)

  test('open: the rest is needed only if it fails, and its parts are on hold', () => {
    const results = check({ 'end-float': ['0.31', '0.315', '0.312'] })
    expect(results.scope.gate).toEqual({ kind: 'open', missing: ['bearing-strip'] })
    expect(need(results, 'journal')).toBe('ifGateFails')
    expect(part(results, 'shaft')).toMatchObject({ verdict: 'hold', need: 'ifGateFails', strong: 'replace' })
  })
  test('held: the rest is not required, with the reason, and nothing is renewed', () => {
    const results = check({ 'end-float': ['0.31', '0.315', '0.312'], 'bearing-strip': ['3.0', '3.2'] })
    expect(results.scope).toMatchObject({ counts: 'bearing-check', gate: { kind: 'held' } })
    expect(results.scope.leftOut && leftOutWords(speakerFor(demoRecord({})), results.scope.leftOut)).toBe(
      'Not required: the gate held (Clearance by strip, End float of the shaft inside their limits)',
    )
    expect(part(results, 'shaft')).toMatchObject({ verdict: 'reuse', need: 'notRequired' })
    expect(part(results, 'rod-seals')).toMatchObject({ verdict: 'reuse', need: 'notRequired' })
    // The gate judges what was measured; whether that lasts is another question, asked beside it.
    expect(part(results, 'shell')).toMatchObject({ verdict: 'hold', need: 'required' })
    expect(part(results, 'shell')?.votes[0]).toMatchObject({ rule: 'forecast', code: 'unsure' })
  })
  test('failed: the plan grows to the full overhaul, and the reading that did it is named', () => {
    const results = check({ 'bearing-strip': ['2.1', '2.2'] })
    expect(results.scope).toMatchObject({ level: 'bearing-check', counts: 'full', leftOut: null })
    expect(results.scope.gate).toMatchObject({
      kind: 'failed',
      grows: 'full',
      by: [{ characteristic: 'bearing-strip', reading: { text: '2.1', slot: { station: 'A' } } }],
    })
    expect(gateWords(speakerFor(demoRecord({})), results).join()).toMatch(
      /^Clearance by strip: .*\(reading “2\.1” at A drive side end\)$/,
    )
    expect(need(results, 'journal')).toBe('required')
    expect(part(results, 'rod-seals')).toMatchObject({ verdict: 'replace', need: 'required' })
  })
  test('a finding can ask for a measurement that the level leaves out', () => {
    const held = { 'end-float': ['0.31', '0.315', '0.312'], 'bearing-strip': ['3.0', '3.2'] }
    const results = check(held, [
      finding({ part: 'shaft' }),
      { kind: 'measurementPlanned', characteristic: 'journal', finding: FINDING },
    ])
    expect(need(results, 'journal')).toBe('required')
    expect(part(results, 'shaft')).toMatchObject({ need: 'required', verdict: 'hold', mild: 'recondition' })
  })
  test('without a level everything is measured, as before', () => {
    const { level, entries } = withNotes(demoRecord(foundNow), null, []).job
    expect([level, entries]).toEqual([null, []])
    expect(evaluate(demoRecord(foundNow)).scope).toEqual({ level: null, counts: null, gate: null, leftOut: null })
  })
})

describe('findings decide by the book', () => {
  const partAfter = (id: string, ...bodies: EntryBody[]) =>
    evaluate(withNotes(demoRecord(foundNow), 'full', bodies)).parts.find((part) => part.id === id)
  test.each([
    {
      name: 'a rule that mends',
      body: finding({ part: 'servo-cylinder' }),
      part: 'servo-cylinder',
      verdict: 'recondition',
      says: /Scoring, marked: marks that catch a nail/,
    },
    {
      name: 'below the severity of the rule',
      body: finding({ part: 'servo-cylinder', severity: 'light' }),
      part: 'servo-cylinder',
      verdict: 'reuse',
      says: /inside/,
    },
    {
      name: 'a rule that replaces',
      body: finding({ part: 'ring-2', kind: 'chipped', severity: 'light' }),
      part: 'ring-2',
      verdict: 'replace',
      says: /a marked ring is renewed/,
    },
    {
      name: 'a rule that leaves it',
      body: finding({ part: 'shaft', kind: 'nick', severity: 'light' }),
      part: 'shaft',
      verdict: 'reuse',
      says: /stoned flush/,
    },
    {
      name: 'a crack without a rule',
      body: finding({ part: 'servo-cylinder', kind: 'crack', severity: 'light' }),
      part: 'servo-cylinder',
      verdict: 'replace',
      says: /unless the book names a repair/,
    },
    {
      name: 'marked, and no rule',
      body: finding({ part: 'thrust-bearing', kind: 'fretting' }),
      part: 'thrust-bearing',
      verdict: 'hold',
      says: /the book has no rule for it/,
    },
  ])('$name', ({ body, part, verdict, says }) => {
    const result = partAfter(part, body)
    expect(result?.verdict).toBe(verdict)
    expect(reasonsOf(demoRecord(foundNow), result?.votes).join('\n')).toMatch(says)
  })
  test('a withdrawn finding has no say', () => {
    expect(
      partAfter('ring-2', finding({ part: 'ring-2', kind: 'chipped' }), {
        kind: 'findingWithdrawn',
        finding: FINDING,
        reason: 'dirt',
      })?.verdict,
    ).toBe('reuse')
  })
  test('a pattern beyond its limits asks at once; one begun and inside so far is open', () => {
    const pattern = (broken: number[]): EntryBody => ({
      kind: 'patternRecorded',
      pattern: 'pt-springs',
      elements: broken.map((element) => ({ element, state: { kind: 'broken' as const } })),
    })
    expect(partAfter('thrust-bearing', pattern([1, 24]))?.verdict).toBe('replace')
    expect(partAfter('thrust-bearing', pattern([1]))).toMatchObject({ verdict: 'hold', mild: 'reuse', strong: 'replace' })
  })
})

test('causes stay open until recorded, and the complaint needs both explanation and proof', () => {
  const noted = (...bodies: EntryBody[]) =>
    foldNotes(
      quillmere,
      bodies.map((body) => entry(body)),
    )
  const found = noted(finding({ station: 'B', clock: 7 }))
  expect(openCauses(found).map((item) => findingTitle(quillmere, item))).toEqual([
    'Scoring, marked: Bearing shell, both halves, middle, 7 o’clock',
  ])
  const explained: EntryBody = { kind: 'complaintExplained', finding: FINDING }
  expect(complaintState('', found)).toBeNull()
  expect(complaintState('Warm', found)?.kind).toBe('unexplained')
  expect(complaintState('Warm', noted(finding(), explained))?.kind).toBe('explained')
  expect(complaintState('Warm', noted(finding(), explained, { kind: 'complaintGone', note: 'cool after an hour' }))?.kind).toBe(
    'gone',
  )
  // A withdrawn finding explains nothing.
  expect(
    complaintState('Warm', noted(finding(), explained, { kind: 'findingWithdrawn', finding: FINDING, reason: 'dirt' }))?.kind,
  ).toBe('unexplained')
  const caused = noted(finding(), { kind: 'causeRecorded', finding: FINDING, cause: { family: 'dirtyLubricant', text: '' } })
  expect(openCauses(caused)).toEqual([])
  expect(standingFindings(caused)[0]?.cause?.by).toBe('Mara Ellwood')
})
