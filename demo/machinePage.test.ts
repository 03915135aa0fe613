/** What a machine’s page says of its parts, from the demo’s past overhauls. */
import { expect, test } from 'vitest'
import { evaluate } from '../src/core/evaluate/evaluate'
import { partsNow } from '../src/core/job/partsNow'
import type { InspectionRecord } from '../src/core/record/recordSchema'
import { demoRecord, foundNow } from './record'

const record: InspectionRecord = demoRecord(foundNow)
const results = evaluate(record)
const now = (hoursNow: number, ended: boolean, over: Partial<InspectionRecord> = {}) =>
  new Map(partsNow({ ...record, ...over }, results, { hoursNow, ended }).map((one) => [one.part, one]))

test('a part has run since its mark was first found, and further since the job', () => {
  const hours = record.job.runningHours
  for (const { part, mark, hours: run } of now(hours + 500, false).values()) {
    expect(mark).toBe(record.job.installed[part] ?? null)
    if (run !== null) expect(run).toBeGreaterThanOrEqual(500)
  }
})

test('what wears is due when it may reach the limit at the earliest, and never before the job it was measured in', () => {
  const due = [...now(record.job.runningHours, false).values()].flatMap((one) => one.due ?? [])
  expect(due.length).toBeGreaterThan(0)
  for (const one of due) if (one.by !== 'overhaul') expect(one.atHours).toBeGreaterThanOrEqual(record.job.runningHours)
  const first = results.characteristics.flatMap(({ forecast }) => forecast?.earliestHoursToWear ?? forecast?.hoursToWear ?? [])
  const wear = due.flatMap((one) => (one.by === 'wear' ? [one.atHours - record.job.runningHours] : []))
  expect(wear.length).toBeGreaterThan(0)
  for (const hours of wear) expect(first.map((of) => Math.max(0, of))).toContainEqual(expect.closeTo(hours, 6))
})

test('what an ended job replaced begins anew: no mark, no hours before, no forecast', () => {
  const [part] = record.book.parts
  const result = results.parts.find(({ id }) => id === part?.id)
  if (!part || !result) throw new Error('The demo has no part.')
  const decision = {
    part: part.id,
    recommended: result.verdict,
    decided: 'replace',
    reason: 'worn',
    by: 'Mara',
    at: '2026-11-20T10:00:00.000Z',
  } as InspectionRecord['decisions'][number]
  const over = { decisions: [decision] }
  const after = now(record.job.runningHours + 120, true, over).get(part.id)
  expect(after).toMatchObject({ mark: null, hours: 120, last: { decided: 'replace' } })
  expect(after?.due?.by).not.toBe('wear')
  // While the job is open the old one is still in the machine.
  expect(now(record.job.runningHours, false, over).get(part.id)?.mark).toBe(record.job.installed[part.id] ?? null)
})
