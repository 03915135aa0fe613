import { expect, test } from 'vitest'
import bookJson from '../../../demo/quillmere/book.json' with { type: 'json' }
import { bookSchema } from '../book/bookSchema'
import { type Entry, type EntryBody, entryBodySchema } from '../notes/entrySchema'
import { foldNotes } from '../notes/fold'
import { noteKinds } from '../notes/kinds'
import { subjectOf } from '../notes/subject'
import { entryWords } from './notes'

const book = bookSchema.parse(bookJson)
const FINDING = '01990000-0000-7000-8000-0000000000f1'
const PICTURE = '01990000-0000-7000-8000-0000000000c1'
const tag = { number: '7', face: 'oil groove inward', clock: 5, matchMark: '', keptWith: ['gb-shell-lower'], count: 2, note: '' }

/** One of each kind, as noted in one job: what it is about, and what it says. */
const cases: readonly { body: EntryBody; subject: string; says: string }[] = [
  {
    body: { kind: 'planTicked', item: 'ov-fan', state: 'missing' },
    subject: 'plan:ov-fan',
    says: 'Plan: Fan for the cleaning bay missing',
  },
  {
    body: { kind: 'stepDone', step: 'ms-breaker', note: 'Earthed', licensed: { name: 'Rufus Dane', licence: 'E 14' } },
    subject: 'step:ms-breaker',
    says: 'Done: Open the generator breaker, earth, lock and tag, licensed: Rufus Dane, E 14 (Earthed)',
  },
  {
    body: { kind: 'stepNotApplicable', step: 'af-oil', reason: 'Grease only' },
    subject: 'step:af-oil',
    says: 'Does not apply: Look at the drained oil (Grease only)',
  },
  {
    body: { kind: 'stepNotApplicableAgreed', step: 'af-oil' },
    subject: 'step:af-oil',
    says: 'Agreed that it does not apply: Look at the drained oil',
  },
  {
    body: { kind: 'stepSkipped', step: 'af-oil', reason: 'Oil gone' },
    subject: 'step:af-oil',
    says: 'Skipped: Look at the drained oil (Oil gone)',
  },
  {
    body: { kind: 'stepReopened', step: 'af-oil', reason: 'Sample found' },
    subject: 'step:af-oil',
    says: 'Reopened: Look at the drained oil (Sample found)',
  },
  {
    body: { kind: 'stepAdded', step: 's-1', phase: 'strip', name: 'Take off the rail', text: '', after: null },
    subject: 'step:s-1',
    says: 'Step added: Take off the rail',
  },
  {
    body: { kind: 'stepMoved', step: 'af-oil', after: 'af-float' },
    subject: 'order:af-oil',
    says: 'Step moved: Look at the drained oil after End float: push and pull the whole rotor',
  },
  {
    body: { kind: 'waitStarted', step: 'ms-cool' },
    subject: 'wait:ms-cool',
    says: 'Clock started: Let the bearing cool below 40 °C',
  },
  {
    body: { kind: 'tagWritten', position: 'gb-cap', tag },
    subject: 'tag:gb-cap',
    says: 'Tag of Cap: No. 7; oil groove inward; 5 o’clock; with Lower shell; 2 pc.',
  },
  {
    body: { kind: 'laidOut', position: 'gb-cap', tray: 'Tray 1', after: null },
    subject: 'place:gb-cap',
    says: 'Cap laid out in Tray 1',
  },
  { body: { kind: 'putBack', position: 'gb-cap' }, subject: 'place:gb-cap', says: 'Cap back in the machine' },
  {
    body: { kind: 'positionAdded', position: 'p-1', name: 'Rail', parent: 'gb', count: 1 },
    subject: 'position:p-1',
    says: 'Position added: Rail',
  },
  { body: { kind: 'positionMoved', position: 'gb-cap', parent: null }, subject: 'position:gb-cap', says: 'Cap moved to the top' },
  {
    body: { kind: 'jointMarked', joint: 'j-cap', mark: 'two dots' },
    subject: 'joint:j-cap',
    says: 'Match mark at Cap to pedestal: two dots',
  },
  {
    body: { kind: 'thicknessTaken', position: 'gb-guard-gasket', text: '0.8' },
    subject: 'thickness:gb-guard-gasket',
    says: 'Thickness of Oil guard gasket: 0.8',
  },
  {
    body: { kind: 'identified', position: 'ge-bearing', sizes: { kind: 'bearing', bore: '100', outside: '180', width: '46' } },
    subject: 'identity:ge-bearing',
    says: 'Generator end bearing measured: bore 100, outside 180, width 46',
  },
  {
    body: { kind: 'putIn', temporary: 'tmp-caps', name: 'Pipe cap', where: 'ports', count: 3 },
    subject: 'temporary:tmp-caps',
    says: 'In: 3 × Pipe cap, ports',
  },
  { body: { kind: 'takenOut', temporary: 'tmp-caps', count: 2 }, subject: 'temporary:tmp-caps', says: 'Out: 2 × Pipe cap' },
  {
    body: { kind: 'inspected', part: 'ring-1', note: '' },
    subject: 'looked:ring-1',
    says: 'Inspected, nothing found: Piston ring 1',
  },
  {
    body: {
      kind: 'findingRecorded',
      finding: FINDING,
      value: {
        part: 'shell',
        kind: 'scoring',
        severity: 'severe',
        since: 'service',
        station: null,
        clock: null,
        piece: 2,
        extent: '30 mm',
        note: '',
      },
    },
    subject: `finding:${FINDING}`,
    says: 'Scoring, severe, on Bearing shell, both halves, piece 2: 30 mm',
  },
  {
    body: { kind: 'causeRecorded', finding: FINDING, cause: { family: 'moisture', text: 'stood wet' } },
    subject: `cause:${FINDING}`,
    says: 'Cause of Scoring on Bearing shell, both halves: Moisture, stood wet',
  },
  {
    body: { kind: 'measurementPlanned', characteristic: 'journal', finding: FINDING },
    subject: 'measurement:journal',
    says: 'Measurement added: Shaft journal Ø',
  },
  {
    body: {
      kind: 'patternRecorded',
      pattern: 'pt-springs',
      elements: [
        { element: 1, state: { kind: 'broken' } },
        { element: 2, state: { kind: 'sound' } },
      ],
    },
    subject: 'pattern:pt-springs',
    says: 'Pad springs: 1 broken, 0 worn, 1 sound',
  },
  {
    body: { kind: 'handTested', test: 'ht-turn', finding: null, note: '' },
    subject: 'handTest:ht-turn',
    says: 'Turn the rotor by hand: sound',
  },
  {
    body: {
      kind: 'pictureAdded',
      picture: PICTURE,
      subject: { kind: 'part', id: 'shell' },
      caption: 'wiped',
      sha256: 'a'.repeat(64),
      width: 4,
      height: 3,
    },
    subject: `picture:${PICTURE}`,
    says: 'Picture: wiped',
  },
  {
    body: { kind: 'pictureMarked', picture: PICTURE, marks: [{ kind: 'ring', at: [0.5, 0.5], radius: [0.1, 0.1] }] },
    subject: `marks:${PICTURE}`,
    says: 'Picture marked up: 1 mark',
  },
  {
    body: { kind: 'complaintExplained', finding: FINDING },
    subject: 'complaint',
    says: 'Complaint explained by Scoring on Bearing shell, both halves',
  },
  { body: { kind: 'complaintGone', note: 'quiet' }, subject: 'complaint', says: 'Complaint proved gone: quiet' },
  {
    body: { kind: 'findingWithdrawn', finding: FINDING, reason: 'dirt' },
    subject: `finding:${FINDING}`,
    says: 'Withdrawn: Scoring on Bearing shell, both halves (dirt)',
  },
  {
    body: {
      kind: 'thingAdded',
      id: 'a-1',
      what: {
        of: 'rule',
        part: 'shell',
        rule: { kind: 'everyNth', nth: 3 },
        source: { document: { id: 'FP-7', title: 'Pump handbook', revision: '' }, page: '12' },
      },
    },
    subject: 'added:a-1',
    says: 'Bearing shell, both halves: renewed at every 3rd overhaul (FP-7, 12)',
  },
  {
    body: { kind: 'thingAdded', id: 'a-2', what: { of: 'need', group: 'consumables', name: 'Lapping paste', quantity: '1 tin' } },
    subject: 'added:a-2',
    says: 'To lay out: 1 tin Lapping paste',
  },
  {
    body: { kind: 'thingDropped', id: 'a-2', name: 'Lapping paste', reason: 'not needed' },
    subject: 'added:a-2',
    says: 'Taken out again: Lapping paste (not needed)',
  },
  {
    body: {
      kind: 'characteristicTyped',
      characteristic: 't-1',
      value: {
        name: 'Sleeve Ø',
        part: { id: 'shaft', name: 'Shaft', assembly: 'Rotor', position: 'Drive side' },
        method: { kind: 'endFloat', repeatsAtLeast: 3, repeatabilityLimit: 0.02 },
        gaugeKind: 'dial',
        readTo: '0.01',
        how: '',
        document: { id: 'FP-7', title: 'Pump handbook', revision: '' },
        new: null,
        limits: [],
        safety: false,
      },
    },
    subject: 'characteristic:t-1',
    says: 'Sleeve Ø typed from FP-7, Pump handbook',
  },
  {
    body: { kind: 'characteristicDropped', characteristic: 'journal', reason: 'not fitted' },
    subject: 'characteristic:journal',
    says: 'Shaft journal Ø removed (not fitted)',
  },
  {
    body: { kind: 'limitsChecked', characteristic: 'journal', of: PICTURE, agrees: false, note: '0.55 on page 33' },
    subject: 'check:journal',
    says: 'Limits of Shaft journal Ø do not agree with the document (0.55 on page 33)',
  },
  { body: { kind: 'variantSaid', variant: 'seal', option: 'faces' }, subject: 'variant:seal', says: 'seal: faces' },
  {
    body: { kind: 'sidesSaid', part: 'shell', used: 1 },
    subject: 'sides:shell',
    says: 'Bearing shell, both halves: 1 side used up',
  },
  {
    body: { kind: 'readingNoted', reading: PICTURE, note: 'Burr dressed' },
    subject: `note:${PICTURE}`,
    says: 'Note at a reading: Burr dressed',
  },
  {
    body: { kind: 'pictureRemoved', picture: PICTURE, reason: 'blurred' },
    subject: `picture:${PICTURE}`,
    says: 'Picture removed (blurred)',
  },
]

const entries = cases.map(
  ({ body }, index): Entry => ({
    id: `01990000-0000-7000-8000-${String(index).padStart(12, '0')}`,
    by: 'Mara Ellwood',
    at: '2026-11-24T08:00:00.000Z',
    body,
  }),
)
const noted = foldNotes(book, entries)

test.each(cases)('$body.kind: $says', ({ body, subject, says }) => {
  expect(entryBodySchema.parse(body)).toEqual(body)
  expect(subjectOf(body)).toBe(subject)
  expect(entryWords(body, book, noted)).toBe(says)
})

test('every kind of entry is among them', () => {
  expect([...new Set(cases.map(({ body }) => body.kind))].sort()).toEqual(Object.keys(noteKinds).sort())
})

test('what they leave: the last word on each subject', () => {
  const position = (id: string) => noted.positions.find((candidate) => candidate.id === id)
  expect(position('gb-cap')).toMatchObject({ tray: null, parent: null, tag: { number: '7', by: 'Mara Ellwood' } })
  expect(position('p-1')).toMatchObject({ name: 'Rail', parent: 'gb', book: null })
  expect(noted.trays).toEqual([])
  expect(noted.steps.find(({ id }) => id === 'af-oil')?.standing).toMatchObject({
    kind: 'open',
    reopened: { reason: 'Sample found' },
  })
  expect(noted.findings).toMatchObject([{ id: FINDING, withdrawn: { reason: 'dirt' }, cause: { family: 'moisture' } }])
  expect(noted.pictures).toEqual([])
  expect(noted.complaint).toMatchObject({ explained: { finding: FINDING }, gone: { note: 'quiet' } })
})

test('an entry about nothing known changes nothing', () => {
  const before = foldNotes(book, [])
  const strangers: EntryBody[] = [
    { kind: 'stepDone', step: 'nose', note: '', licensed: null },
    { kind: 'tagWritten', position: 'nose', tag },
    { kind: 'laidOut', position: 'nose', tray: 'T', after: null },
    { kind: 'takenOut', temporary: 'nose', count: 1 },
    { kind: 'findingWithdrawn', finding: 'nose', reason: 'gone' },
    { kind: 'stepMoved', step: 'nose', after: null },
  ]
  const after = foldNotes(
    book,
    strangers.map(
      (body, index): Entry => ({
        id: `01990000-0000-7000-8000-${String(index).padStart(12, '0')}`,
        by: 'x',
        at: '2026-11-24T08:00:00.000Z',
        body,
      }),
    ),
  )
  expect(after).toEqual(before)
})
