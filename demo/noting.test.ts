/** What is noted around a job is carried into its results without measuring anything again, and gives the same to the byte. */
import { describe, expect, test } from 'vitest'
import { carryEvaluation, evaluate, startEvaluation } from '../src/core/evaluate/evaluate'
import type { EntryBody } from '../src/core/notes/entrySchema'
import type { InspectionRecord } from '../src/core/record/recordSchema'
import { entry, FINDING, finding } from './noted'
import { demoRecord, foundNow } from './record'

const noted: [what: string, body: EntryBody][] = [
  ['a tag', { kind: 'laidOut', position: 'gb-guard', tray: 'Tray 1', after: null }],
  ['a part found sound', { kind: 'inspected', part: 'shell', note: 'bright all round' }],
  ['a finding', finding({ part: 'shell', severity: 'severe' })],
  ['its cause', { kind: 'causeRecorded', finding: FINDING, cause: { family: 'contamination', text: 'torn filter' } }],
  ['a measurement it asks for', { kind: 'measurementPlanned', characteristic: 'servo-bore', finding: FINDING }],
  ['a damage pattern', { kind: 'patternRecorded', pattern: 'pt-springs', elements: [{ element: 3, state: { kind: 'broken' } }] }],
  ['the finding withdrawn', { kind: 'findingWithdrawn', finding: FINDING, reason: 'was paint' }],
]
const withEntry = (record: InspectionRecord, body: EntryBody): InspectionRecord => ({
  ...record,
  job: { ...record.job, entries: [...record.job.entries, entry(body)] },
})
const afresh = (record: InspectionRecord) => JSON.stringify(evaluate(structuredClone(record)))
const atLevel = (level: string | null): InspectionRecord => {
  const record = demoRecord(foundNow)
  return { ...record, job: { ...record.job, level } }
}

describe.each([null, 'full', 'bearing-check'])('level %s', (level) => {
  test.each([
    ['one after the other', 1],
    ['all at once', noted.length],
  ])('%s', (_how, atOnce) => {
    let before = atLevel(level)
    evaluate(before)
    for (let at = 0; at < noted.length; at += atOnce) {
      const bodies = noted.slice(at, at + atOnce)
      const after = bodies.reduce((record, [, body]) => withEntry(record, body), before)
      carryEvaluation(before, after, new Set())
      expect(JSON.stringify(evaluate(after)), bodies.map(([what]) => what).join()).toBe(afresh(after))
      // And goes on from there.
      const [reading] = after.job.readings
      const own = after.job.readings.filter(({ characteristic }) => characteristic === reading?.characteristic)
      const without = { ...after, job: { ...after.job, readings: after.job.readings.filter((other) => other !== reading) } }
      const carried = startEvaluation(after).with(
        reading?.characteristic ?? '',
        own.filter((other) => other !== reading),
        'asFound',
      )
      expect(JSON.stringify(carried.results)).toBe(afresh(without))
      before = after
    }
  })
})

test('a note touches no characteristic and no fit; a finding speaks for its part alone', () => {
  const before = atLevel('full')
  const known = evaluate(before)
  const after = withEntry(before, finding({ part: 'shell', severity: 'severe' }))
  carryEvaluation(before, after, new Set())
  const results = evaluate(after)
  results.characteristics.forEach((result, at) => expect(result).toBe(known.characteristics[at]))
  results.fits.forEach((fit, at) => expect(fit).toBe(known.fits[at]))
  const changed = results.parts.filter((part, at) => JSON.stringify(part) !== JSON.stringify(known.parts[at]))
  expect(changed.map(({ id }) => id)).toEqual(['shell'])
})

test('another book is evaluated anew', () => {
  const before = atLevel('full')
  evaluate(before)
  const after = { ...before, book: { ...before.book, fits: [] } }
  carryEvaluation(before, after, new Set())
  expect(evaluate(after).fits).toEqual([])
})
