/** The core before the gauge, on both demo books: steps and gates, refusals, the strip map, the plan. */
import { describe, expect, test } from 'vitest'
import { bookSchema, type LimitBook } from '../src/core/record/bookSchema'
import { refuseEntry } from '../src/core/work/checkEntry'
import type { EntryBody } from '../src/core/work/entrySchema'
import { foldWork } from '../src/core/work/fold'
import { levelOf } from '../src/core/work/need'
import { planLines } from '../src/core/work/plan'
import { jobSteps, placesFor, stageCounts, waitLeftMs } from '../src/core/work/steps'
import { stillInside, stripFaults } from '../src/core/work/stripFaults'
import { addsUp, standingOn, subjectOf } from '../src/core/work/subject'
import larkhollowJson from './larkhollow/book.json' with { type: 'json' }
import { madeSafe } from './madeSafe'
import { entry, FINDING, finding } from './noted'
import quillmereJson from './quillmere/book.json' with { type: 'json' }
import { gauges } from './quillmere/station'

const quillmere = bookSchema.parse(quillmereJson)
const larkhollow = bookSchema.parse(larkhollowJson)
const CHECK = new Set(['bearing-check'])
const NOON = '2026-11-24T12:00:00.000Z'

const safe = (book: unknown, level: string): EntryBody[] =>
  madeSafe(book, level, { name: 'Rufus Dane', licence: 'QPS-E 14' }).flatMap(({ what }) =>
    what.kind === 'drawnPicture' ? [] : [what],
  )

const contextOf = (
  bodies: readonly EntryBody[],
  book: LimitBook = quillmere,
  levels: ReadonlySet<string> = CHECK,
  at = '2026-11-24T08:00:00.000Z',
) => {
  const work = foldWork(
    book,
    bodies.map((body) => entry(body, at)),
  )
  return {
    book,
    work,
    steps: jobSteps(book, work, levels),
    planItems: new Set(['bc-dial']),
    system: 'metric' as const,
    author: 'Ida Marsh',
    typed: [],
    readings: new Map<string, string>(),
    nowMs: Date.parse(NOON),
  }
}
const done = (step: string, licensed: { name: string; licence: string } | null = null): EntryBody => ({
  kind: 'stepDone',
  step,
  note: '',
  licensed,
})
const tag = { number: '1', face: '', clock: null, matchMark: '', keptWith: [], count: 1, note: '' }

describe('steps and gates', () => {
  test('everything behind the first gate that is not done is closed, by its name', () => {
    const { steps } = contextOf([done('ms-breaker', { name: 'Rufus Dane', licence: 'E 14' })])
    expect(steps.map(({ id, closedBy }) => [id, closedBy]).slice(0, 3)).toEqual([
      ['ms-breaker', null],
      ['ms-intake', null],
      ['ms-governor', 'Close the intake gate, open the drain'],
    ])
    expect(steps.at(-1)?.closedBy).toBe('Close the intake gate, open the drain')
  })

  test('stages are counted for the level; a skipped step counts, a reopened gate closes again', () => {
    const all = safe(quillmereJson, 'bearing-check')
    const skipped: EntryBody = { kind: 'stepSkipped', step: 'af-breakaway', reason: 'Wrench away' }
    expect(stageCounts(contextOf([...all, skipped]).steps)).toMatchObject({
      makeSafe: { done: 6, of: 6 },
      asFound: { done: 1, of: 4 },
    })
    const { steps } = contextOf([...all, { kind: 'stepReopened', step: 'ms-try', reason: 'Desk was used' }])
    expect(steps.find(({ id }) => id === 'af-float')?.closedBy).toBe('Try to start from the desk: nothing moves')
  })

  test('a step moves within its stage, never past a gate', () => {
    const { steps } = contextOf([])
    expect(placesFor(steps, 'af-position')).toEqual([null, 'af-float', 'af-breakaway', 'af-oil'])
    expect(placesFor(steps, 'ms-intake')).toEqual([])
    const moved = contextOf([{ kind: 'stepMoved', step: 'af-oil', after: null }])
    expect(moved.steps.filter(({ stage }) => stage === 'asFound').map(({ id }) => id)).toEqual([
      'af-oil',
      'af-float',
      'af-position',
      'af-breakaway',
    ])
  })

  test('a clock that began is counted from its moment', () => {
    const { work } = contextOf([{ kind: 'waitStarted', step: 'ms-governor' }])
    const step = work.steps.find(({ id }) => id === 'ms-governor')
    if (!step) throw new Error('the book has this step')
    const began = Date.parse('2026-11-24T08:00:00.000Z')
    expect(waitLeftMs(step, began + 60_000)).toBe(14 * 60_000)
    expect(waitLeftMs(step, began + 60 * 60_000)).toBe(0)
  })
})

const SAFE = safe(quillmereJson, 'bearing-check')
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
    says: /does not pass a gate or leave its stage/,
  },
  {
    name: 'a step of the job with the id of another',
    body: { kind: 'stepAdded', step: 'af-oil', stage: 'asFound', after: null, name: 'Smell it', text: '' },
    says: /with this id is there already/,
  },
  {
    name: 'a step after one that is none',
    body: { kind: 'stepAdded', step: 'own-1', stage: 'asFound', after: 'af-none', name: 'Smell it', text: '' },
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
    says: /“-80” is no size/,
  },
  {
    name: 'a seal without a size',
    before: SAFE,
    body: { kind: 'identified', position: 'gb-cap', sizes: { kind: 'seal', shaft: 'big', outside: '80', width: '10' } },
    says: /big/,
  },
  { name: 'a part looked at that is none', body: { kind: 'lookedAt', part: 'nose', note: '' }, says: /no part “nose”/ },
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
    says: /more than nothing/,
  },
  {
    name: 'a pitch that is none',
    before: SAFE,
    body: {
      kind: 'identified',
      position: 'gb-cap-bolts',
      sizes: { kind: 'thread', diameter: '23.8', pitch: 'fine', flank: null },
    },
    says: /is no pitch/,
  },
  {
    name: 'more out than in',
    before: [{ kind: 'putIn', temporary: 'tmp-strips', name: 'Plastic strip', where: '', count: 1 }],
    body: { kind: 'takenOut', temporary: 'tmp-strips', count: 2 },
    says: /Only 1 of “Plastic strip” went in/,
  },
  { name: 'out what never went in', body: { kind: 'takenOut', temporary: 'tmp-strips', count: 1 }, says: /never counted in/ },
  { name: 'a finding on no part', body: finding({ part: 'nose' }), says: /no part “nose”/ },
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
  const sentence = refuseEntry(body, contextOf(before, quillmere, levels))
  if (says === null) expect(sentence).toBeNull()
  else expect(sentence).toMatch(says)
})

test('a wait holds until its clock has run out', () => {
  const before: EntryBody[] = [...SAFE.slice(0, 2), { kind: 'waitStarted', step: 'ms-governor' }]
  const began = (at: string) => refuseEntry(done('ms-governor'), contextOf(before, quillmere, CHECK, at))
  expect(began('2026-11-24T11:50:00.000Z')).toMatch(/5:00 still to wait/)
  expect(began('2026-11-24T11:45:00.000Z')).toBeNull()
})

test('what is cut to get it off needs its evidence first', () => {
  const full = new Set(['full'])
  const before = safe(quillmereJson, 'full')
  const cut = done('st-rod-seals')
  expect(refuseEntry(cut, contextOf(before, quillmere, full))).toMatch(/destroys Rod seal set. Save its evidence first/)
  const sizes: EntryBody = {
    kind: 'identified',
    position: 'sv-rod-seals',
    sizes: { kind: 'seal', shaft: '60', outside: '80', width: '10' },
  }
  expect(refuseEntry(cut, contextOf([...before, sizes], quillmere, full))).toBeNull()
})

describe('the strip map', () => {
  const out = (position: string, tray = 'Tray 1', after: string | null = null): EntryBody => ({
    kind: 'laidOut',
    position,
    tray,
    after,
  })
  const faultsAfter = (...bodies: EntryBody[]) => {
    const { work, steps } = contextOf([...SAFE, ...bodies])
    return stripFaults(quillmere, work, steps).map(({ position, code }) => `${position} ${code}`)
  }

  test('nothing out, nothing missing', () => {
    expect(faultsAfter()).toEqual([])
  })
  test('a part out without tag, facing, and its joint without a mark', () => {
    expect(faultsAfter(out('gb-cap'))).toEqual(['gb-cap noTag', 'gb-cap noFace', 'gb-cap noMatchMark'])
    expect(
      faultsAfter({ kind: 'jointMarked', joint: 'j-cap', mark: 'two punch marks' }, out('gb-cap'), {
        kind: 'tagWritten',
        position: 'gb-cap',
        tag: { ...tag, face: 'scribed edge to drive side' },
      }),
    ).toEqual([])
  })
  test('a count that differs, a thread not identified, a gasket not measured', () => {
    expect(faultsAfter(out('gb-cap-bolts'), { kind: 'tagWritten', position: 'gb-cap-bolts', tag: { ...tag, count: 7 } })).toEqual(
      ['gb-cap-bolts countDiffers', 'gb-cap-bolts notIdentified'],
    )
    expect(faultsAfter(out('gb-guard-gasket'), { kind: 'tagWritten', position: 'gb-guard-gasket', tag })).toEqual([
      'gb-guard-gasket noThickness',
    ])
  })
  test('a step that took parts out leaves those without a place', () => {
    expect(
      faultsAfter(done('st-guard'), out('gb-guard'), {
        kind: 'tagWritten',
        position: 'gb-guard',
        tag: { ...tag, face: 'oil groove inward' },
      }),
    ).toEqual(['gb-guard-gasket noPlace'])
  })
  test('mates in two trays are named once', () => {
    const apart = faultsAfter(
      out('gb-dowels'),
      { kind: 'tagWritten', position: 'gb-dowels', tag: { ...tag, count: 2 } },
      { kind: 'jointMarked', joint: 'j-cap', mark: 'x' },
      out('gb-cap', 'Tray 2'),
    )
    // Only the dowels name the cap: it is said all the same.
    expect(apart.filter((fault) => fault.endsWith('matesApart'))).toEqual(['gb-dowels matesApart'])
    const shells = faultsAfter(out('gb-shell-lower'), out('gb-shell-upper', 'Tray 2'))
    expect(shells.filter((fault) => fault.endsWith('matesApart'))).toEqual(['gb-shell-lower matesApart'])
  })
  test('order in a tray is kept, a part lies in one tray only, an emptied tray goes', () => {
    const { work } = contextOf([
      ...SAFE,
      out('gb-guard'),
      out('gb-cap', 'Tray 1', 'gb-guard'),
      out('gb-dowels', 'Tray 1', 'gb-guard'),
      out('gb-guard', 'Tray 2'),
    ])
    expect(work.trays).toEqual([
      { name: 'Tray 1', positions: ['gb-dowels', 'gb-cap'] },
      { name: 'Tray 2', positions: ['gb-guard'] },
    ])
  })
  test('temporary things add up', () => {
    const put = (count: number): EntryBody => ({ kind: 'putIn', temporary: 'tmp-caps', name: 'Pipe cap', where: '', count })
    const { work } = contextOf([put(2), put(3), { kind: 'takenOut', temporary: 'tmp-caps', count: 4 }])
    expect(stillInside(work)).toMatchObject([{ name: 'Pipe cap', inside: 1 }])
    expect(addsUp(put(1))).toBe(true)
  })
})

describe('the plan', () => {
  const figures = (mm: number): string => `${mm} mm`
  const level = levelOf(quillmere, 'full')
  if (!level) throw new Error('the book has this level')
  const states = (date: string, store = gauges.map((gauge) => ({ ...gauge }))) =>
    Object.fromEntries(planLines(level, store, date, new Map(), figures).map(({ id, state, fault }) => [id, fault ?? state]))
  test('gauges are looked up: in calibration, of the class, reaching every size', () => {
    expect(states('2026-11-24')).toMatchObject({
      'ov-micrometer': 'there',
      'ov-bore': 'there',
      'ov-dial': 'there',
      'ov-puller': 'open',
    })
    expect(states('2027-04-30')['ov-micrometer']).toBe('there')
    expect(states('2027-05-01')['ov-micrometer']).toBe('OM-12 is out of calibration: due 2027-04-30, the job is on 2027-05-01')
    expect(
      states(
        '2026-11-24',
        gauges.filter(({ id }) => id !== 'bg-04'),
      )['ov-bore'],
    ).toBe('BG-02 is not of the class asked for 160 mm: its error is 0.006 mm')
    expect(
      states(
        '2026-11-24',
        gauges.filter(({ kind }) => kind !== 'outsideMicrometer'),
      )['ov-micrometer'],
    ).toBe('none of this kind in the store for 220 mm')
  })
  test('a person’s tick stands over the look-up, and can be taken back', () => {
    const ticks = (state: 'open' | 'there' | 'missing') => new Map([['ov-micrometer', { state, by: 'Ines Calder', at: NOON }]])
    const line = (state: 'open' | 'there' | 'missing') =>
      planLines(level, [], '2026-11-24', ticks(state), figures).find(({ id }) => id === 'ov-micrometer')
    expect(line('there')).toMatchObject({ state: 'there', ticked: { by: 'Ines Calder' } })
    expect(line('open')).toMatchObject({ state: 'missing', ticked: null })
  })
})

test('of two entries on one subject the later stands', () => {
  const first = entry({ kind: 'tagWritten', position: 'gb-cap', tag })
  const second = entry({ kind: 'tagWritten', position: 'gb-cap', tag: { ...tag, number: '2' } })
  expect(standingOn([first, second]).get(subjectOf(first.body))).toBe(second.id)
})

describe('both books', () => {
  test.each([
    { name: 'Quillmere', book: quillmere, levels: 2, positions: 205 },
    { name: 'Larkhollow', book: larkhollow, levels: 2, positions: 59 },
  ])(
    '$name: every part that a step takes out, looks at or destroys has its place, every gate its way out',
    ({ book, levels, positions }) => {
      expect([book.levels.length, book.positions.length]).toEqual([levels, positions])
      for (const level of book.levels) {
        const work = foldWork(book, [])
        const steps = jobSteps(book, work, new Set([level.id]))
        expect(steps.filter(({ gate }) => gate).every(({ stage }) => stage === 'makeSafe')).toBe(true)
        expect(stageCounts(steps).makeSafe?.of).toBeGreaterThan(0)
        expect(level.needs.gauges.length + level.needs.tools.length).toBeGreaterThan(0)
      }
    },
  )
  test('a position that sits inside itself is refused with its path', () => {
    const cyclic = {
      ...quillmereJson,
      positions: quillmereJson.positions.map((position) => (position.id === 'gb' ? { ...position, parent: 'gb-cap' } : position)),
    }
    const parsed = bookSchema.safeParse(cyclic)
    expect(parsed.success).toBe(false)
    expect(parsed.error?.issues.map(({ message }) => message).join()).toMatch(
      /a position sits inside itself: (gb in gb-cap|gb-cap in gb)/,
    )
  })
})
