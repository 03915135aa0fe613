/** What keeps a job from being signed, and what leaves the shop: the core on the demo record. */

import { expect, test } from 'vitest'
import { evaluate } from '../src/core/evaluate/evaluate'
import type { Step } from '../src/core/job/orderOfWork'
import { isMadeSafe } from '../src/core/job/progress'
import { readiness } from '../src/core/job/ready'
import { hasEnded, jobState, whyClosed } from '../src/core/job/standing'
import { foldNotes } from '../src/core/notes/fold'
import type { InspectionRecord } from '../src/core/record/recordSchema'
import { blockWords, exceptionWords, leftBeyondWords } from '../src/core/words/ready'
import { reasonOf } from '../src/core/words/votes'
import { entry } from './noted'
import { demoRecord, foundNow } from './record'
import { speakerFor } from './said'
import { quillmere, SAFE } from './workContext.fixture'

/** What stands in the way, in the words of the page. */
const ready = (record: InspectionRecord, confirmed: readonly Step[] = []) => {
  const speaker = speakerFor(record)
  const { blocks, exceptions, leftBeyond } = readiness(record, evaluate(record), new Set(confirmed))
  return {
    blocks: blocks.map((block) => blockWords(speaker, block)),
    exceptions: exceptions.map((exception) => exceptionWords(speaker, exception)),
    leftBeyond: leftBeyond.map((left) => leftBeyondWords(speaker, left, left.because ? reasonOf(speaker, left.because) : '')),
  }
}

const decided = (record: InspectionRecord): InspectionRecord => ({
  ...record,
  decisions: evaluate(record).parts.map(({ id, verdict }, index) => ({
    id: `01990000-0000-7000-8000-${String(index).padStart(12, '0')}`,
    part: id,
    recommended: verdict,
    decided: verdict === 'hold' ? 'replace' : verdict,
    reason: 'as it is',
    by: 'Mara Ellwood',
    at: '2026-11-25T10:00:00.000Z',
    readings: record.job.readings.length,
  })) as unknown as InspectionRecord['decisions'],
})

test('a job with nothing in it is not ready, whatever its parts say', () => {
  const empty = ready(demoRecord({}))
  expect(empty.blocks[0]).toBe('Nothing is measured, inspected or found in this job: there is nothing to report.')
  const taken = demoRecord({ journal: ['219.941'] })
  const [only] = taken.job.readings
  if (!only) throw new Error('one reading')
  const withdrawn = { ...only, kind: 'withdrawn' as const, value: null, low: null, high: null, supersedes: only.id }
  expect(ready({ ...taken, job: { ...taken.job, readings: [withdrawn] } }).blocks[0]).toMatch(/^Nothing is measured/)
  expect(ready(taken).blocks[0]).toMatch(/^Decide first on: /)
})

test('what is required and not done is named, and falls away as it is done', () => {
  const found = demoRecord(foundNow)
  const record = { ...found, job: { ...found.job, level: 'bearing-check' } }
  const open = ready(record).exceptions
  expect(open).toContain('Not confirmed: Rebuild')
  expect(open).toContain('Not confirmed: Prove')
  const notDone = (of: InspectionRecord): string[] => ready(of).exceptions.filter((text) => text.startsWith('Not done: '))
  expect(notDone(record).length).toBeGreaterThan(3)
  const made = { ...record, job: { ...record.job, entries: SAFE.map((body) => entry(body)) } }
  expect(notDone(made)).toHaveLength(notDone(record).length - SAFE.filter(({ kind }) => kind === 'stepDone').length)
  const confirmed = ready(record, ['order', 'rebuild', 'prove']).exceptions
  expect(confirmed.filter((text) => text.startsWith('Not confirmed'))).toEqual([])
})

test.each([
  ['kept beside a journal that is ground', 'recondition', 'grind-journal', 'reuse', true],
  ['renewed with it', 'recondition', 'grind-journal', 'replace', false],
  ['lined anew with it', 'recondition', 'grind-journal', 'recondition', false],
  ['kept beside a journal that stays', 'reuse', null, 'reuse', false],
  ['kept beside a new shaft', 'replace', null, 'reuse', false],
] as const)('a shell %s: named %s', (_, shaft, route, shell, isNamed) => {
  const record = decided(demoRecord(foundNow))
  const decisions = record.decisions.map((one) =>
    one.part === 'shaft' ? { ...one, decided: shaft, route } : one.part === 'shell' ? { ...one, decided: shell } : one,
  )
  const said = ready({ ...record, decisions } as InspectionRecord).exceptions.filter((text) => text.includes('made to suit'))
  expect(said).toHaveLength(isNamed ? 1 : 0)
  if (isNamed) expect(said[0]).toMatch(/ is kept, and .* is worked by “.*”, whose mate is made to suit$/)
})

test('left beyond a limit keeps it back; where the policy keeps what is in doubt, the reviewer has a reason to give', () => {
  const beyond = demoRecord(foundNow, { asLeft: { 'end-float': ['0.55', '0.55', '0.55'] } })
  const part = evaluate(beyond).parts.find(({ id }) => id === 'thrust-bearing')
  expect(part?.stages.map(({ stage, verdict }) => `${stage} ${verdict}`)).toEqual(['asFound reuse', 'asLeft hold'])
  expect(part?.verdict).toBe('hold')
  expect(ready(decided(beyond)).blocks.join(' ')).toMatch(
    /Thrust bearing, as left: Mean 0\.550 is beyond the wear limit 0\.500 mm/,
  )
  const { policy } = beyond.job
  const keeps = {
    ...beyond,
    job: { ...beyond.job, policy: { ...policy, schools: { ...policy.schools, inDoubt: 'keep' } } },
  } as InspectionRecord
  expect(ready(keeps).leftBeyond[0]).toMatch(/^Thrust bearing, as left: /)
  const inside = demoRecord(foundNow, { asLeft: { 'end-float': ['0.31', '0.31', '0.31'] } })
  expect(ready(inside).blocks.join(' ')).not.toMatch(/as left/)
})

test('a step of making safe that does not apply opens the way when a second person has agreed, and nobody is his own', () => {
  const [first] = quillmere.procedure.filter(({ phase, levels }) => phase === 'makeSafe' && levels.includes('bearing-check'))
  if (!first) throw new Error('the check makes safe')
  const others = SAFE.filter((body) => !('step' in body && body.step === first.id))
  const said = entry({ kind: 'stepNotApplicable', step: first.id, reason: 'No generator here' })
  const rest = others.map((body) => entry(body))
  const agreedBy = (by: string) => entry({ kind: 'stepNotApplicableAgreed', step: first.id }, '2026-11-24T12:05:00.000Z', by)
  const standingAfter = (...entries: ReturnType<typeof entry>[]) =>
    foldNotes(quillmere, entries).steps.find(({ id }) => id === first.id)?.standing
  expect(standingAfter(said)).toMatchObject({ kind: 'notApplicable', agreed: null })
  expect(standingAfter(said, agreedBy('Mara Ellwood'))).toMatchObject({ agreed: null })
  expect(standingAfter(said, agreedBy('Ida Marsh'))).toMatchObject({ agreed: { by: 'Ida Marsh' } })
  const safe = (...entries: ReturnType<typeof entry>[]): boolean => {
    const record = demoRecord({})
    return isMadeSafe({ ...record, job: { ...record.job, level: 'bearing-check', entries } }, [])
  }
  expect(safe(...rest)).toBe(false)
  expect(safe(said, ...rest)).toBe(false)
  expect(safe(said, agreedBy('Mara Ellwood'), ...rest)).toBe(false)
  expect(safe(said, agreedBy('Ida Marsh'), ...rest)).toBe(true)
  const stillOpen = (...entries: ReturnType<typeof entry>[]): boolean => {
    const record = demoRecord(foundNow)
    const { exceptions } = ready({ ...record, job: { ...record.job, level: 'bearing-check', entries } })
    return exceptions.includes(`Not done: ${first.name}`)
  }
  expect(stillOpen(said, ...rest)).toBe(true)
  expect(stillOpen(said, agreedBy('Ida Marsh'), ...rest)).toBe(false)
  expect(safe(entry({ kind: 'stepSkipped', step: first.id, reason: 'in a hurry' }), ...rest)).toBe(false)
})

test.each([
  ['imported', { importedFrom: 'a table', reportId: null, review: [] }, true, true],
  ['signed', { importedFrom: null, reportId: 'r', review: [{ kind: 'signed' }] }, true, true],
  ['withReviewer', { importedFrom: null, reportId: null, review: [{ kind: 'sent' }] }, true, false],
  ['returned', { importedFrom: null, reportId: null, review: [{ kind: 'sent' }, { kind: 'returned' }] }, false, false],
  ['open', { importedFrom: null, reportId: null, review: [] }, false, false],
] as const)('a job that is %s says so, and whether it may be written', (standing, of, closed, ended) => {
  expect(jobState(of)).toBe(standing)
  expect(whyClosed(standing) !== null).toBe(closed)
  expect(hasEnded(standing)).toBe(ended)
})
