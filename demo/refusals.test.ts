/** What may not be noted as things stand, each with its sentence: the core on the demo book. */

import { expect, test } from 'vitest'
import { refuseEntry } from '../src/core/notes/checkEntry'
import type { EntryBody } from '../src/core/notes/entrySchema'
import { noteFaultWords } from '../src/core/words/noteFaults'
import { FINDING, finding } from './noted'
import quillmereJson from './quillmere/book.json' with { type: 'json' }
import { CHECK, contextOf, done, quillmere, SAFE, safe, tag } from './workContext.fixture'

const refused = (...of: Parameters<typeof refuseEntry>): string | null => {
  const fault = refuseEntry(...of)
  return fault && noteFaultWords(fault)
}

const refusals: {
  name: string
  before?: readonly EntryBody[]
  body: EntryBody
  says: RegExp | null
  levels?: ReadonlySet<string>
}[] = [
  {
    name: 'a plan line of another level',
    body: { kind: 'planTicked', item: 'ov-fan', state: 'there' },
    says: /no line “ov-fan”/,
  },
  { name: 'a plan line of this level', body: { kind: 'planTicked', item: 'bc-dial', state: 'there' }, says: null },
  { name: 'a step of another level', body: done('st-servo'), says: /no step “st-servo”/ },
  { name: 'a step behind a gate', body: done('af-float'), says: /stays closed until “Open the generator breaker/ },
  { name: 'a licensed step without a licence', body: done('ms-breaker'), says: /licensed person \(Electrical work\)/ },
  { name: 'a gate skipped', body: { kind: 'stepSkipped', step: 'ms-intake', reason: 'in a hurry' }, says: /cannot be skipped/ },
  {
    name: 'a gate that does not apply, with a reason',
    body: { kind: 'stepNotApplicable', step: 'ms-breaker', reason: 'No generator on this test stand' },
    says: null,
  },
  {
    name: 'a step that may be skipped is not “not applicable”',
    before: SAFE,
    body: { kind: 'stepNotApplicable', step: 'af-breakaway', reason: 'Wrench away' },
    says: /may be skipped/,
  },
  {
    name: 'agreed where nobody said so',
    body: { kind: 'stepNotApplicableAgreed', step: 'ms-breaker' },
    says: /Nobody says that/,
  },
  {
    name: 'agreed by a second person',
    before: [{ kind: 'stepNotApplicable', step: 'ms-breaker', reason: 'No generator on this test stand' }],
    body: { kind: 'stepNotApplicableAgreed', step: 'ms-breaker' },
    says: null,
  },
  {
    name: 'taken out before the machine is safe',
    body: { kind: 'laidOut', position: 'gb-cap', tray: 'A', after: null },
    says: /Nothing is taken out before/,
  },
  { name: 'a wait not begun', before: SAFE.slice(0, 2), body: done('ms-governor'), says: /Start the clock first/ },
  {
    name: 'a wait begun behind a gate',
    body: { kind: 'waitStarted', step: 'ms-governor' },
    says: /stays closed until/,
  },
  {
    name: 'a clock on a step that waits for nothing',
    before: SAFE.slice(0, 2),
    body: { kind: 'waitStarted', step: 'ms-breaker' },
    says: /has no waiting time/,
  },
  { name: 'opened again what is open', body: { kind: 'stepReopened', step: 'ms-breaker', reason: 'x' }, says: /is open already/ },
  {
    name: 'a step past a gate',
    before: SAFE,
    body: { kind: 'stepMoved', step: 'af-oil', after: 'ms-breaker' },
    says: /cannot pass a hold point or leave its part/,
  },
  {
    name: 'a step of the job with the id of another',
    body: { kind: 'stepAdded', step: 'af-oil', phase: 'asFound', after: null, name: 'Smell it', text: '' },
    says: /with this id is there already/,
  },
  {
    name: 'a step after one that is none',
    body: { kind: 'stepAdded', step: 'own-1', phase: 'asFound', after: 'af-none', name: 'Smell it', text: '' },
    says: /no step “af-none” to put it after/,
  },
  {
    name: 'a position there already',
    body: { kind: 'positionAdded', position: 'gb-cap', name: 'Cap', parent: null, count: 1 },
    says: /with this id is there already/,
  },
  {
    name: 'a position in one that is none',
    body: { kind: 'positionAdded', position: 'own-1', name: 'Plug', parent: 'nose', count: 1 },
    says: /no position “nose”/,
  },
  {
    name: 'a mark on a joint that is none',
    body: { kind: 'jointMarked', joint: 'j-none', mark: 'x' },
    says: /no joint “j-none”/,
  },
  {
    name: 'a bearing of no size',
    before: SAFE,
    body: { kind: 'identified', position: 'gb-cap', sizes: { kind: 'bearing', bore: '40', outside: '-80', width: '18' } },
    says: /“-80” is not a size/,
  },
  {
    name: 'a seal without a size',
    before: SAFE,
    body: { kind: 'identified', position: 'gb-cap', sizes: { kind: 'seal', shaft: 'big', outside: '80', width: '10' } },
    says: /big/,
  },
  { name: 'a part looked at that is none', body: { kind: 'inspected', part: 'nose', note: '' }, says: /no part “nose”/ },
  {
    name: 'measured because of no finding',
    body: { kind: 'measurementPlanned', characteristic: 'journal', finding: FINDING },
    says: /That finding is not on record/,
  },
  {
    name: 'measured what is not in the book',
    before: [finding()],
    body: { kind: 'measurementPlanned', characteristic: 'nose', finding: FINDING },
    says: /no characteristic “nose”/,
  },
  {
    name: 'a pattern that is none',
    body: { kind: 'patternRecorded', pattern: 'pt-none', elements: [] },
    says: /no pattern “pt-none”/,
  },
  {
    name: 'a reading of another job',
    body: { kind: 'readingNoted', reading: FINDING, note: 'burr' },
    says: /That reading is not in this job/,
  },
  {
    name: 'dropped what the book has',
    body: { kind: 'characteristicDropped', characteristic: 'journal', reason: 'x' },
    says: /not one that was typed/,
  },
  {
    name: 'a finding withdrawn twice',
    before: [finding(), { kind: 'findingWithdrawn', finding: FINDING, reason: 'dirt' }],
    body: { kind: 'findingWithdrawn', finding: FINDING, reason: 'dirt' },
    says: /was withdrawn/,
  },
  ...(['step', 'position', 'part', 'finding'] as const).map((kind) => ({
    name: `a picture of a ${kind} that is none`,
    body: {
      kind: 'pictureAdded',
      picture: FINDING,
      subject: { kind, id: 'none' },
      caption: '',
      sha256: 'a'.repeat(64),
    } as unknown as EntryBody,
    says: /no step “none”|no position “none”|no part “none”|not on record/,
  })),
  {
    name: 'drawn on no picture',
    body: { kind: 'pictureRemoved', picture: FINDING, reason: 'blurred' },
    says: /That picture is not in this job/,
  },
  {
    name: 'a part of another machine',
    before: SAFE,
    body: { kind: 'tagWritten', position: 'cy-l-cover', tag },
    says: /no position “cy-l-cover”.*another job/,
  },
  {
    name: 'a mate that is none',
    before: SAFE,
    body: { kind: 'tagWritten', position: 'gb-cap', tag: { ...tag, keptWith: ['nose'] } },
    says: /no position “nose”/,
  },
  {
    name: 'taken out before it is safe',
    body: { kind: 'laidOut', position: 'gb-guard', tray: 'T', after: null },
    says: /Nothing is taken out before/,
  },
  {
    name: 'taken out when it is safe',
    before: SAFE,
    body: { kind: 'laidOut', position: 'gb-guard', tray: 'T', after: null },
    says: null,
  },
  {
    name: 'a part inside itself',
    before: SAFE,
    body: { kind: 'positionMoved', position: 'gb', parent: 'gb-cap' },
    says: /A part cannot sit inside itself: Cap in Guide bearing|Guide bearing in Cap/,
  },
  {
    name: 'a thickness of words',
    before: SAFE,
    body: { kind: 'thicknessTaken', position: 'gb-guard-gasket', text: 'thick' },
    says: /thick/,
  },
  {
    name: 'a thickness of nothing',
    before: SAFE,
    body: { kind: 'thicknessTaken', position: 'gb-guard-gasket', text: '0' },
    says: /more than zero/,
  },
  {
    name: 'a pitch that is none',
    before: SAFE,
    body: {
      kind: 'identified',
      position: 'gb-cap-bolts',
      sizes: { kind: 'thread', diameter: '23.8', pitch: 'fine', flank: null },
    },
    says: /is not a pitch/,
  },
  {
    name: 'more out than in',
    before: [{ kind: 'putIn', temporary: 'tmp-strips', name: 'Plastic strip', where: '', count: 1 }],
    body: { kind: 'takenOut', temporary: 'tmp-strips', count: 2 },
    says: /Only 1 of “Plastic strip” went in/,
  },
  { name: 'out what never went in', body: { kind: 'takenOut', temporary: 'tmp-strips', count: 1 }, says: /never counted in/ },
  { name: 'a finding on no part', body: finding({ part: 'nose' }), says: /no part “nose”/ },
  { name: 'a finding on a piece that is none', body: finding({ piece: 900 }), says: /There is no piece 900/ },
  { name: 'a finding at no station', body: finding({ station: 'Z' }), says: /no station “Z”/ },
  { name: 'a cause of no finding', body: { kind: 'causeRecorded', finding: FINDING, cause: null }, says: /not on record/ },
  {
    name: 'a 25th spring of 24',
    body: { kind: 'patternRecorded', pattern: 'pt-springs', elements: [{ element: 25, state: { kind: 'broken' } }] },
    says: /has 24 elements/,
  },
  {
    name: 'an element named twice',
    body: {
      kind: 'patternRecorded',
      pattern: 'pt-springs',
      elements: [
        { element: 1, state: { kind: 'sound' } },
        { element: 1, state: { kind: 'broken' } },
      ],
    },
    says: /named twice/,
  },
  {
    name: 'gone before it is explained',
    body: { kind: 'complaintGone', note: 'quiet now' },
    says: /explains the complaint first/,
  },
]
test.each(refusals)('$name', ({ before = [], body, says, levels = CHECK }) => {
  const sentence = refused(body, contextOf(before, quillmere, levels))
  if (says === null) expect(sentence).toBeNull()
  else expect(sentence).toMatch(says)
})

test('a wait holds until its clock has run out', () => {
  const before: EntryBody[] = [...SAFE.slice(0, 2), { kind: 'waitStarted', step: 'ms-governor' }]
  const began = (at: string) => refused(done('ms-governor'), contextOf(before, quillmere, CHECK, at))
  expect(began('2026-11-24T11:50:00.000Z')).toMatch(/5:00 still to wait/)
  expect(began('2026-11-24T11:45:00.000Z')).toBeNull()
})

test('nothing is proved while something temporary is inside', () => {
  const before: EntryBody[] = [
    ...safe(quillmereJson, 'full'),
    { kind: 'stepAdded', step: 'turned', phase: 'prove', name: 'Turned by hand', text: '', after: null },
    { kind: 'putIn', temporary: 'wire', name: 'Soft wire', where: 'guide bearing', count: 2 },
  ]
  const turned = (more: readonly EntryBody[]) =>
    refused(done('turned'), contextOf([...before, ...more], quillmere, new Set(['full'])))
  expect(turned([])).toMatch(/still inside: Soft wire\. Count everything out/)
  expect(turned([{ kind: 'takenOut', temporary: 'wire', count: 1 }])).toMatch(/still inside/)
  expect(turned([{ kind: 'takenOut', temporary: 'wire', count: 2 }])).toBeNull()
})

test('what is cut to get it off needs its evidence first', () => {
  const full = new Set(['full'])
  const before = safe(quillmereJson, 'full')
  const cut = done('st-rod-seals')
  expect(refused(cut, contextOf(before, quillmere, full))).toMatch(/destroys Rod seal set. Save its evidence first/)
  const sizes: EntryBody = {
    kind: 'identified',
    position: 'sv-rod-seals',
    sizes: { kind: 'seal', shaft: '60', outside: '80', width: '10' },
  }
  expect(refused(cut, contextOf([...before, sizes], quillmere, full))).toBeNull()
})
