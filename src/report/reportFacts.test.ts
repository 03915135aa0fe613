import { expect, test } from 'vitest'
import { entry, FINDING, finding } from '../../demo/noted'
import { demoRecord, foundNow } from '../../demo/record'
import { evaluate } from '../core/evaluate/evaluate'
import type { EntryBody } from '../core/notes/entrySchema'
import { type InspectionRecord, recordSchema } from '../core/record/recordSchema'
import { measurementSheets, partLines, type ReportDraft } from './reportFacts'
import { reportWords } from './reportWords'

const draftOf = (record: InspectionRecord): ReportDraft => ({
  title: 'Overhaul',
  reason: 'Hours due',
  openedBy: 'Ines Calder',
  confirmations: [],
  review: [],
  record,
  results: evaluate(record),
})

const noted = (texts: Record<string, readonly string[]>, level: string, complaint: string, bodies: readonly EntryBody[]) => {
  const record = demoRecord(texts)
  return draftOf(
    recordSchema.parse({ ...record, job: { ...record.job, level, complaint, entries: bodies.map((body) => entry(body)) } }),
  )
}

const factsOf = (draft: ReportDraft) => reportWords(draft).notes

test('a report tells what was found before the gauge, and what is not as it should be', () => {
  const facts = factsOf(
    noted(foundNow, 'full', 'Runs warm', [
      finding({ station: 'B', clock: 7, extent: '40 mm' }),
      { kind: 'complaintExplained', finding: FINDING },
      { kind: 'stepSkipped', step: 'af-breakaway', reason: 'Wrench away' },
      { kind: 'putIn', temporary: 'tmp-caps', name: 'Pipe cap', where: 'servomotor ports', count: 2 },
      { kind: 'laidOut', position: 'gb-cap', tray: 'Tray 1', after: null },
      { kind: 'handTested', test: 'ht-turn', finding: null, note: '' },
      { kind: 'inspected', part: 'ring-2', note: '' },
    ]),
  )
  expect(facts.scope).toEqual(['Level: Overhaul'])
  expect(facts.complaint).toEqual({
    text: 'Runs warm',
    standing: 'explained by “Scoring, marked: Bearing shell, both halves, middle, 7 o’clock”, not yet proved gone',
  })
  expect(facts.findings).toMatchObject([
    {
      title: 'Scoring, marked: Bearing shell, both halves, middle, 7 o’clock',
      detail: '40 mm; usually: Polish light scores; machine or renew deep ones.',
      cause: null,
    },
  ])
  expect(facts.openCauses).toHaveLength(1)
  expect(facts.looked).toEqual(['Turn the rotor by hand: sound', 'Piston ring 2: inspected, nothing found'])
  expect(facts.exceptions).toContain('Skipped: Breakaway torque of the cap bolts (Wrench away, Mara Ellwood)')
  expect(facts.exceptions).toContain('Not done: Look at the drained oil')
  expect(facts.exceptions).toContain('Cap: no tag')
  expect(facts.exceptions).toContain('Still inside: 2 × Pipe cap, servomotor ports')
  // Trays are in the record, not in the log of who did what.
  expect(facts.log.map(({ what }) => what)).toEqual([
    'Scoring, marked, on Bearing shell, both halves: 40 mm',
    'Complaint explained by Scoring on Bearing shell, both halves',
    'Skipped: Breakaway torque of the cap bolts (Wrench away)',
    'Turn the rotor by hand: sound',
  ])
})

test('a gate that held leaves the rest out, with the reason, and without empty sheets', () => {
  const draft = noted({ 'end-float': ['0.31', '0.315', '0.312'], 'bearing-strip': ['3.0', '3.2'] }, 'bearing-check', '', [])
  expect(factsOf(draft).scope).toEqual([
    'Level: Bearing check',
    'Not required: the gate held (Clearance by strip, End float of the shaft inside their limits)',
  ])
  expect(measurementSheets(draft).map(({ characteristic }) => characteristic.id)).toEqual(['bearing-strip', 'end-float'])
  expect(
    partLines(draft)
      .filter(({ leftOut }) => leftOut)
      .map(({ part }) => part.id),
  ).toEqual(['shaft', 'servo-cylinder', 'ring-1', 'ring-2', 'rod-seals'])
})

test('a gate that failed names the reading', () => {
  const [, gate] = factsOf(noted({ 'bearing-strip': ['2.1', '2.2'] }, 'bearing-check', '', [])).scope
  expect(gate).toMatch(
    /^Gate failed: Clearance by strip: Largest 0\.498 is past the plan limit .*\(reading “2\.1” at A drive side end\)\. Extended to Overhaul$/,
  )
})

test('a report signed before any of this was noted still has its facts', () => {
  const draft = draftOf(demoRecord(foundNow))
  // As core 1.0.0 stored it: no entries, no level, no scope, no needs, and a book without a procedure.
  const old = JSON.parse(JSON.stringify(draft), (key, value: unknown) =>
    [
      'entries',
      'level',
      'complaint',
      'returnBy',
      'scope',
      'need',
      'levels',
      'cautions',
      'procedure',
      'positions',
      'joints',
      'temporaries',
      'findingRules',
      'patterns',
      'handTests',
    ].includes(key)
      ? undefined
      : key === 'version'
        ? 1
        : value,
  ) as ReportDraft
  expect(factsOf(old)).toEqual({
    scope: [],
    complaint: null,
    findings: [],
    looked: [],
    lay: [],
    openCauses: [],
    exceptions: [],
    log: [],
  })
  expect(measurementSheets(old)).toHaveLength(7)
  expect(partLines(old).every(({ leftOut }) => !leftOut)).toBe(true)
})
