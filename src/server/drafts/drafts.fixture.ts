/** A machine composed, changed and measured on a real database: whole or not at all, once, and nothing measured is lost. */

import sharp from 'sharp'
import { expect, test } from 'vitest'
import { contextOf, type TestDatabase, testDay } from '../../../scripts/lib/testDatabase'
import { dayOf } from '../../clock/clock'
import type { DraftChange } from '../../contract/bodies'
import { daysBetween } from '../../core/base/day'
import { assemblies } from '../../core/kit/assemblies'
import { NO_PLACE } from '../../core/method/layout'
import type { TypedCharacteristic } from '../../core/notes/typedSchema'
import { DAY_ZERO } from '../../core/quantity/meter'
import { makeDraftBook } from '../books/makeDraftBook'
import type { Context } from '../edge/context'
import { newId, refusal } from '../edge/refused.fixture'
import { opening, reading } from '../jobs/bodies.fixture'
import { buildJobView } from '../jobs/jobView'
import { openJob, openJobView } from '../jobs/openJob'
import { addMachine } from '../machines/addMachine'
import { addDocumentPage, documentPageOf } from '../machines/documentPages'
import { machineView } from '../machines/machineView'
import { addEntries } from '../notes/addEntries'
import { acceptReading } from '../readings/acceptReading'
import { changeDraft, draftView } from './changeDraft'

const add = (assembly: string, names: string[], into: string | null = null): DraftChange => ({
  kind: 'add',
  assembly,
  names,
  into,
  answers: {},
})
const SLEEVE: TypedCharacteristic = {
  name: 'Sleeve Ø',
  part: { id: 'sleeve', name: 'Sleeve', assembly: 'Winch', position: 'middle' },
  method: {
    kind: 'outsideDiameter',
    stations: [{ id: 'A', label: 'drive side' }],
    directions: [{ id: '1', label: 'level' }],
    walk: 'stationFirst',
  },
  gaugeKind: 'outsideMicrometer',
  readTo: '0.01',
  how: '',
  document: { id: 'FP-7', title: 'Manual', revision: '' },
  new: null,
  limits: [{ judges: 'minimum', side: 'lower', wear: '59.90', plan: null, whenPassed: 'replace', instruction: '', page: '3' }],
  safety: false,
}

/** Told of the database that all use cases share. */
export function draftCases(database: () => TestDatabase): void {
  /** A machine nobody has seen, and what changes it from draft to draft. */
  async function yard(context: Context, units: 'metric' | 'inch' = 'metric') {
    const { id } = await addMachine(context, { id: newId(), station: 'Yard', name: `Winch ${newId()}`, units, meter: 'hours' })
    let base: string | null = null
    const change = async (what: DraftChange) => {
      const view = await changeDraft(context, id, { id: newId(), base, change: what })
      base = view.revision
      return view
    }
    return { id, change, base: () => base }
  }

  test('is composed from draft to draft, and a change sent twice is one', async () => {
    await database().as('planner', async (context) => {
      const { id, change, base } = await yard(context)
      await change(add('splitSleeveBearing', ['Bearing 1']))
      const body = { id: newId(), base: base(), change: add('gearPair', ['First pair']) }
      const once = await changeDraft(context, id, body)
      expect(await changeDraft(context, id, body)).toEqual(once)
      expect(once.earlier).toEqual(['draft 1', 'draft 2'])
      expect(await draftView(contextOf(context.db, 'visitor'), id)).toMatchObject({ revision: 'draft 2', issued: false })
      expect((await openJobView(context, id)).book).toMatchObject({ revision: 'draft 2', draft: true })
    })
  })

  test('a way back says what it leaves, and what cannot be is refused with a sentence', async () => {
    await database().as('planner', async (context) => {
      const { change } = await yard(context, 'inch')
      await change(add('splitSleeveBearing', ['Bearing 1']))
      const what = {
        of: 'route' as const,
        part: 'bearing-1-journal',
        name: 'Regrind to step',
        mends: ['bearing-1-journal'],
        effect: 'takesOff' as const,
        leaves: { of: 'bearing-1-journal', least: '3.1', greatest: '3.12', cleanUp: '0.002' },
        suits: ['bearing-1-clearance'],
        cost: null,
        days: null,
        source: { document: { id: 'RB-3', title: 'Repair book', revision: '' }, page: '12' },
      }
      const view = await change({ kind: 'route', replaces: 'regrind-to-step', what })
      const route = view.book.parts
        .find((part) => part.id === 'bearing-1-journal')
        ?.routes.find(({ id: own }) => own === 'regrind-to-step')
      expect(route).toMatchObject({ sizeAfter: { leastMm: 78.74, greatestMm: 79.248 }, suits: ['bearing-1-clearance'] })
      const wrong = { ...what, leaves: { ...what.leaves, least: 'first step' } }
      expect(await refusal(change({ kind: 'route', replaces: 'regrind-to-step', what: wrong }))).toMatch(
        /Size after, least.*first step/,
      )
    })
  })

  test('of two who change the same draft the second is told, and nothing of theirs is stored', async () => {
    await database().as('planner', async (context) => {
      const { id, change } = await yard(context)
      await change(add('lift', ['Lift']))
      const late = changeDraft(context, id, { id: newId(), base: null, change: add('impeller', ['Impeller']) })
      expect(await refusal(late)).toMatch(/^conflict: Somebody changed this machine meanwhile \(now draft 1\)/)
      expect((await draftView(context, id)).book.positions.some(({ name }) => name === 'Impeller')).toBe(false)
    })
  })

  test('is not changed by those who may only look, nor where its book is issued', async () => {
    await database().as('visitor', async (visitor) => {
      const asked = { id: newId(), base: null, change: add('lift', ['Lift']) }
      expect(await refusal(changeDraft(visitor, 'quillmere-unit-1', asked))).toMatch(/^notAllowed/)
      const planner = contextOf(visitor.db, 'planner')
      expect(await refusal(changeDraft(planner, 'quillmere-unit-1', asked))).toMatch(/^notPossible: .*is issued/)
      expect(await refusal(changeDraft(planner, 'nowhere', asked))).toMatch(/^notFound/)
    })
  })

  test('an open job goes along, keeps what was read, and what was read stays', async () => {
    await database().as('planner', async (planner) => {
      const { id, change } = await yard(planner)
      await change(add('splitSleeveBearing', ['Bearing 1']))
      const job = await openJob(planner, id, opening('full'))
      const inspector = contextOf(planner.db, 'inspector')
      expect(await refusal(acceptReading(inspector, job.id, reading({})))).toMatch(/Make safe/)
      const done = (step: string) => ({
        entries: [{ id: newId(), seen: null, body: { kind: 'stepDone' as const, step, note: '', licensed: null } }],
      })
      for (const step of ['every-1', 'every-2']) await addEntries(inspector, job.id, done(step))
      await acceptReading(inspector, job.id, reading({}))
      // What is missed while it is measured is added, and can be read at once.
      await change(add('gearPair', ['First pair']))
      await acceptReading(
        inspector,
        job.id,
        reading({ characteristic: 'first-pair-backlash', station: '1', direction: NO_PLACE, text: '0.32', gauge: 'di-07' }),
      )
      const { record } = await buildJobView(inspector, planner.db, job.id)
      expect(record.book.revision).toBe('draft 2')
      expect(record.job.readings.map(({ text }) => text)).toEqual(['79.97', '0.32'])
      const out = (position: string): DraftChange => ({ kind: 'takeOut', position })
      expect(await refusal(change(out('bearing-1')))).toMatch(/^notPossible: “Bearing 1: journal Ø” has readings in Overhaul/)
      expect(await refusal(change({ kind: 'back', revision: 'draft 1' }))).toMatch(/“First pair: backlash” has readings/)
      // Nothing of what was refused was stored.
      expect((await draftView(planner, id)).revision).toBe('draft 2')
      await change({ kind: 'rename', position: 'bearing-1', name: 'Bearing 1, drive side' })
      expect((await buildJobView(inspector, planner.db, job.id)).record.book.parts[0]?.name).toBe(
        'Bearing 1, drive side: upper half',
      )
    })
  })

  test('a job begun without a book takes the machine over once it is composed, beside what was typed in it', async () => {
    await database().as('planner', async (planner) => {
      const { id, change } = await yard(planner)
      const job = await openJob(planner, id, opening(null))
      await change(add('shaftAssembly', ['Second shaft']))
      const { record } = await buildJobView(planner, planner.db, job.id)
      expect(record.job.level).toBe('full')
      expect(record.book.characteristics.map(({ name }) => name)).toContain('Second shaft: runout along')
    })
  })

  test('a draft made of what was typed in a job is composed further, and that job goes on as it was', async () => {
    await database().as('planner', async (planner) => {
      const { id } = await yard(planner)
      const job = await openJob(planner, id, opening(null))
      const inspector = contextOf(planner.db, 'inspector')
      const entry = newId()
      await addEntries(inspector, job.id, {
        entries: [{ id: entry, seen: null, body: { kind: 'characteristicTyped', characteristic: 'sleeve', value: SLEEVE } }],
      })
      await addEntries(contextOf(planner.db, 'reviewer'), job.id, {
        entries: [
          {
            id: newId(),
            seen: entry,
            body: { kind: 'limitsChecked', characteristic: 'sleeve', of: entry, agrees: true, note: '' },
          },
        ],
      })
      const { revision } = await makeDraftBook(inspector, job.id, { title: 'Winch' })
      const view = await changeDraft(planner, id, { id: newId(), base: revision, change: add('gearPair', ['First pair']) })
      expect(view.book.characteristics.map(({ name }) => name)).toEqual(
        expect.arrayContaining(['Sleeve Ø', 'First pair: backlash']),
      )
      const { record } = await buildJobView(inspector, planner.db, job.id)
      expect(record.book.characteristics.map(({ name }) => name)).toEqual(['Sleeve Ø'])
    })
  })

  test('every assembly of the kit is stored, in both unit systems', async () => {
    await database().as('planner', async (context) => {
      for (const units of ['metric', 'inch'] as const) {
        const { change } = await yard(context, units)
        for (const { id, one } of assemblies) await change(add(id, [`${one} of ${id}`]))
      }
    })
  }, 60_000)

  test('a page of its manual is kept once, seen beside its limits, and by nobody of another place', async () => {
    await database().as('inspector', async (context) => {
      const { id } = await yard(contextOf(context.db, 'planner'))
      const picture = await sharp({ create: { width: 60, height: 90, channels: 3, background: '#eee' } })
        .png()
        .toBuffer()
      const fields = { id: newId(), document: 'TE-W4', page: '21' }
      const once = await addDocumentPage(context, id, fields, picture)
      expect(await addDocumentPage(context, id, fields, picture)).toEqual(once)
      expect(once.pages).toMatchObject([{ document: 'TE-W4', page: '21', width: 60, height: 90 }])
      expect(await refusal(addDocumentPage(context, id, { ...fields, page: '22' }, picture))).toMatch(/^conflict/)
      expect(await refusal(addDocumentPage(context, id, { ...fields, id: newId() }, Buffer.from('no picture')))).toMatch(
        /^wrongType/,
      )
      expect((await draftView(context, id)).pages).toEqual(once.pages)
      expect((await machineView(context, id)).pages).toEqual(once.pages)
      expect((await documentPageOf(context, id, fields.id, 'small')).bytes.length).toBeGreaterThan(100)
      const elsewhere = { ...context, user: { ...context.user, station: 'Quillmere Power Station', role: 'visitor' as const } }
      expect(await refusal(documentPageOf(elsewhere, id, fields.id, 'whole'))).toMatch(/^notFound/)
      const visitor = contextOf(context.db, 'visitor')
      expect(await refusal(addDocumentPage(visitor, id, { ...fields, id: newId() }, picture))).toMatch(/^notAllowed/)
    })
  })

  test('one that counts nothing, or days, is opened without a meter, and its jobs still follow each other', async () => {
    await database().as('planner', async (context) => {
      for (const [meter, title, hours] of [
        ['none', `Overhaul of ${dayOf(context.now())}`, 0],
        ['days', `Overhaul of ${dayOf(context.now())}`, daysBetween(DAY_ZERO, testDay)],
        ['starts', 'Overhaul at 41\u00a0200 starts', 41_200],
        ['kilometres', 'Overhaul at 41\u00a0200 km', 41_200],
      ] as const) {
        const { id } = await addMachine(context, {
          id: newId(),
          station: 'Yard',
          name: `Wagon ${newId()}`,
          units: 'metric',
          meter,
        })
        const body = { ...opening(null), runningHours: 41_200, mustRunHours: 900 }
        await openJob(context, id, body)
        // Sent again after a cut network it is the same job.
        expect(await openJob(context, id, body)).toEqual({ id: body.id, stored: false })
        const [job] = (await machineView(context, id)).jobs
        expect({ title: job?.title.replaceAll('\u2009', '\u00a0'), hours: job?.runningHours }).toEqual({ title, hours })
      }
    })
  })
}
