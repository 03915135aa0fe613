/** The core before the gauge, on both demo books: steps and gates, the strip map, the plan. */

import { describe, expect, test } from 'vitest'
import { bookSchema } from '../src/core/book/bookSchema'
import { refuseEntry } from '../src/core/notes/checkEntry'
import type { EntryBody } from '../src/core/notes/entrySchema'
import { foldNotes } from '../src/core/notes/fold'
import { planLines } from '../src/core/notes/plan'
import { jobSteps, phaseCounts, placesFor, waitLeftMs } from '../src/core/notes/steps'
import { stillInside, stripFaults } from '../src/core/notes/stripFaults'
import { addsUp, standingOn, subjectOf } from '../src/core/notes/subject'
import { levelOf } from '../src/core/scope/need'
import { issueWords } from '../src/core/words/issues'
import { planFaultWords } from '../src/core/words/plan'
import { entry } from './noted'
import quillmereJson from './quillmere/book.json' with { type: 'json' }
import { gauges } from './quillmere/station'
import { contextOf, done, larkhollow, NOON, quillmere, SAFE, safe, tag } from './workContext.fixture'

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
    expect(phaseCounts(contextOf([...all, skipped]).steps)).toMatchObject({
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
    expect(moved.steps.filter(({ phase }) => phase === 'asFound').map(({ id }) => id)).toEqual([
      'af-oil',
      'af-float',
      'af-position',
      'af-breakaway',
    ])
  })

  test('a gate of making safe that opens again takes with it what was confirmed behind it, clocks too', () => {
    const again = [
      ...SAFE,
      { kind: 'stepReopened', step: 'ms-intake', reason: 'Gate was lifted for a test' } as const,
      done('ms-intake'),
    ]
    const { steps } = contextOf(again)
    const standing = steps.filter(({ phase }) => phase === 'makeSafe').map(({ id, standing: { kind } }) => `${id} ${kind}`)
    expect(standing).toEqual([
      'ms-breaker done',
      'ms-intake done',
      'ms-governor open',
      'ms-servo open',
      'ms-cool open',
      'ms-try open',
    ])
    const governor = steps.find(({ id }) => id === 'ms-governor')
    expect(governor?.waitFrom).toBeNull()
    expect(governor?.standing).toMatchObject({
      reopened: { by: 'Mara Ellwood', reason: 'Gate was lifted for a test', with: expect.stringMatching(/gate/) },
    })
    expect(refuseEntry(done('ms-governor'), contextOf(again))).toMatchObject({ code: 'waitNotStarted' })
  })

  test('a clock that began is counted from its moment', () => {
    const { noted } = contextOf([{ kind: 'waitStarted', step: 'ms-governor' }])
    const step = noted.steps.find(({ id }) => id === 'ms-governor')
    if (!step) throw new Error('the book has this step')
    const began = Date.parse('2026-11-24T08:00:00.000Z')
    expect(waitLeftMs(step, began + 60_000)).toBe(14 * 60_000)
    expect(waitLeftMs(step, began + 60 * 60_000)).toBe(0)
  })
})

describe('the strip map', () => {
  const out = (position: string, tray = 'Tray 1', after: string | null = null): EntryBody => ({
    kind: 'laidOut',
    position,
    tray,
    after,
  })
  const faultsAfter = (...bodies: EntryBody[]) => {
    const { noted, steps } = contextOf([...SAFE, ...bodies])
    return stripFaults(quillmere, noted, steps).map(({ position, code }) => `${position} ${code}`)
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
  test('one number on two parts is named on both, however it is written, until one of them is back in the machine', () => {
    const numbered = (position: string, number: string): EntryBody => ({
      kind: 'tagWritten',
      position,
      tag: { ...tag, number, count: 2 },
    })
    const both = [out('gb-dowels'), out('gb-cap'), numbered('gb-dowels', '4a'), numbered('gb-cap', ' 4A')]
    const same = (faults: readonly string[]): string[] => faults.filter((fault) => fault.endsWith('sameNumber'))
    expect(same(faultsAfter(...both))).toEqual(['gb-cap sameNumber', 'gb-dowels sameNumber'])
    expect(same(faultsAfter(...both, { kind: 'putBack', position: 'gb-cap' }))).toEqual([])
    expect(same(faultsAfter(...both, numbered('gb-cap', '5')))).toEqual([])
    expect(same(faultsAfter(...both.slice(0, 2)))).toEqual([])
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
    const { noted } = contextOf([
      ...SAFE,
      out('gb-guard'),
      out('gb-cap', 'Tray 1', 'gb-guard'),
      out('gb-dowels', 'Tray 1', 'gb-guard'),
      out('gb-guard', 'Tray 2'),
    ])
    expect(noted.trays).toEqual([
      { name: 'Tray 1', positions: ['gb-dowels', 'gb-cap'] },
      { name: 'Tray 2', positions: ['gb-guard'] },
    ])
  })
  test('temporary things add up', () => {
    const put = (count: number): EntryBody => ({ kind: 'putIn', temporary: 'tmp-caps', name: 'Pipe cap', where: '', count })
    const { noted } = contextOf([put(2), put(3), { kind: 'takenOut', temporary: 'tmp-caps', count: 4 }])
    expect(stillInside(noted)).toMatchObject([{ name: 'Pipe cap', inside: 1 }])
    expect(addsUp(put(1))).toBe(true)
  })
})

describe('the plan', () => {
  const level = levelOf(quillmere, 'full')
  if (!level) throw new Error('the book has this level')
  const states = (date: string, store = gauges.map((gauge) => ({ ...gauge }))) =>
    Object.fromEntries(
      planLines(level, store, date, new Map()).map(({ id, state, fault }) => [
        id,
        fault ? planFaultWords(fault, 'metric') : state,
      ]),
    )
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
      planLines(level, [], '2026-11-24', ticks(state)).find(({ id }) => id === 'ov-micrometer')
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
        const noted = foldNotes(book, [])
        const steps = jobSteps(book, noted, new Set([level.id]))
        expect(steps.filter(({ holdPoint }) => holdPoint).every(({ phase }) => phase === 'makeSafe')).toBe(true)
        expect(phaseCounts(steps).makeSafe?.of).toBeGreaterThan(0)
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
    expect(parsed.error?.issues.map(issueWords).join()).toMatch(/sits inside itself: (gb in gb-cap|gb-cap in gb)/)
  })
})
