/** Use cases on a real database, without a browser: what is stored, what is refused with which sentence, and what comes twice. */

import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { firstPages } from '../../demo/laidOut.fixture'
import { contextOf, type TestDatabase, testDatabase, testDay } from '../../scripts/lib/testDatabase'
import type { OpenJobBody, ReadingBody } from '../contract/bodies'
import { daysBetween } from '../core/base/day'
import { evaluate } from '../core/evaluate/evaluate'
import { jobState } from '../core/job/standing'
import { migrationCases } from '../db/migrations.fixture'
import { readingsOf } from '../db/queries/readings'
import { bookCases } from './books/books.fixture'
import { draftCases } from './drafts/drafts.fixture'
import { journeyCases } from './drafts/journeys.fixture'
import type { Context } from './edge/context'
import { newId, refusal } from './edge/refused.fixture'
import { confirmStep } from './jobs/confirmStep'
import { decidePart } from './jobs/decidePart'
import { buildJobView } from './jobs/jobView'
import { openJob, openJobView } from './jobs/openJob'
import { shopFloor } from './jobs/shopFloor'
import { addMachine } from './machines/addMachine'
import { historyCases, recordHistoryCases } from './machines/history/history.fixture'
import { addEntries } from './notes/addEntries'
import { note, noteCases } from './notes/notes.fixture'
import { olderCases } from './older.fixture'
import { peopleCases } from './people/people.fixture'
import { acceptReading } from './readings/acceptReading'
import { recordHash } from './reports/canonical'
import { review, type Signing } from './reports/review'
import { verifyReport } from './reports/verifyReport'

let database: TestDatabase
beforeAll(async () => {
  database = await testDatabase()
}, 180_000)
afterAll(() => database.end())

describe('people', () => peopleCases(() => database))
describe('a machine', () => draftCases(() => database))
describe('a limit book', () => bookCases(() => database))
describe('a migration', () => migrationCases(() => database))
describe('the release before', () => olderCases(() => database))
describe('an assembly of the kit', () => journeyCases(() => database))
describe('a table of earlier readings', () => historyCases(() => database))
describe('a note', () => noteCases(() => database))
describe('the record of a job', () => recordHistoryCases(() => database))

test('a demo laid out on any day shows the same: jobs due, one late, one machine and one gauge past theirs', async () => {
  const lastMinute = new Date('2026-12-31T23:59:30Z')
  const other = await database.laidOutAt(lastMinute, 'inspector', firstPages)
  await database.as('inspector', async (context) => {
    const here = await firstPages({ ...context, now: () => database.at })
    expect(other.pages).toEqual(here.pages)
    const { today, jobs, machines, gauges } = here.floor
    const dueIn = jobs.flatMap(({ returnBy }) => (returnBy === null ? [] : daysBetween(today, returnBy)))
    expect(dueIn.filter((days) => days < 0)).toHaveLength(1)
    expect(dueIn.filter((days) => days > 0 && days <= 8).length).toBeGreaterThan(1)
    expect(gauges.filter(({ days }) => days < 0)).toHaveLength(1)
    expect(machines.filter(({ interval, jobs: of }) => (interval?.used ?? 0) > 1 && of.every(isSigned))).toHaveLength(1)
  })
}, 240_000)
const isSigned = ({ reportId }: { readonly reportId: string | null }): boolean => reportId !== null

const JOB = 'quillmere-u1-2026'
const reading = (text: string, over: Partial<ReadingBody> = {}): ReadingBody => ({
  id: newId(),
  characteristic: 'journal',
  station: 'A',
  direction: '1',
  repeat: 1,
  stage: 'asFound',
  kind: 'read',
  text,
  conditions: null,
  gauge: 'om-12',
  takenAt: `${testDay}T11:59:00Z`,
  supersedes: null,
  reason: null,
  ...over,
})
const textsOf = async ({ db }: Context): Promise<string[]> => (await readingsOf(db, JOB)).map((row) => row.reading.text)

describe('a reading', () => {
  const cases: readonly [what: string, first: ReadingBody | null, body: ReadingBody, says: RegExp, stored: string[]][] = [
    ['is stored as typed', null, reading('219,941'), /^$/, ['219,941']],
    ['that says no figure is refused', null, reading('about right'), /about right/, []],
    ['at a place the method does not have is refused', null, reading('219.9', { station: 'Z' }), /no reading/, []],
    ['of a characteristic of another machine is refused', null, reading('1', { characteristic: 'vane-gap' }), /notFound/, []],
    [
      'with a gauge that is not in the store is refused',
      null,
      reading('219.9', { gauge: 'none' }),
      /There is no gauge “none”/,
      [],
    ],
  ]
  test.each(cases)('%s', async (_what, _first, body, says, stored) => {
    await database.as('inspector', async (context) => {
      expect(await refusal(acceptReading(context, JOB, body))).toMatch(says)
      expect(await textsOf(context)).toEqual(stored)
    })
  })
  test('sent twice it is stored once; another one with its id is refused', async () => {
    await database.as('inspector', async (context) => {
      const body = reading('219.941')
      await acceptReading(context, JOB, body)
      await acceptReading(context, JOB, body)
      expect(await refusal(acceptReading(context, JOB, { ...body, text: '219.942' }))).toMatch(/^conflict/)
      expect(await textsOf(context)).toEqual(['219.941'])
    })
  })
  test('at a place that is read it must say which one it corrects', async () => {
    await database.as('inspector', async (context) => {
      const first = reading('219.941')
      await acceptReading(context, JOB, first)
      expect(await refusal(acceptReading(context, JOB, reading('219.939')))).toMatch(/conflict: .*already read “219.941”/)
      const over = { supersedes: first.id, reason: 'Misread' }
      expect(await refusal(acceptReading(context, JOB, reading('219.939', over)))).toBe('')
      expect(await refusal(acceptReading(context, JOB, reading('219.938', over)))).toMatch(/^conflict/)
      expect(await textsOf(context)).toEqual(['219.941', '219.939'])
    })
  })
  test.each(['reviewer', 'visitor', 'planner'] as const)('is not a %s’s to enter', async (role) => {
    await database.as(role, async (context) => {
      expect(await refusal(acceptReading(context, JOB, reading('219.941')))).toMatch(/^notAllowed/)
    })
  })
})

const opening = (over: Partial<OpenJobBody> = {}): OpenJobBody => ({
  id: newId(),
  level: 'full',
  runningHours: 28_240,
  readOn: testDay,
  reason: 'Hours due',
  complaint: '',
  returnBy: null,
  mustRunHours: 8_000,
  starts: null,
  practice: false,
  policy: { acceptance: { kind: 'simple' }, mustLastTheInterval: true, clearanceBy: 'measuredParts' },
  hoursNote: null,
  ...over,
})

const signing: Signing = {
  checkPassword: async (typed) => typed === 'right',
  takeCode: async () => 'none',
  key: () => database.key(),
}

describe('a job', () => {
  const cases: readonly [what: string, machine: string, over: Partial<OpenJobBody>, says: RegExp][] = [
    ['is opened', 'quillmere-unit-2', {}, /^$/],
    ['is not opened beside an open one', 'quillmere-unit-1', {}, /has an open job/],
    ['needs a level of the book', 'quillmere-unit-2', { level: 'polish' }, /no inspection level/],
    ['needs hours that do not fall', 'quillmere-unit-2', { runningHours: 100 }, /cannot fall/],
    ['needs a meter read by now', 'quillmere-unit-2', { readOn: '2199-01-01' }, /cannot have been read/],
    ['needs a return date to come', 'quillmere-unit-2', { returnBy: '2001-01-01' }, /is past/],
    ['needs a machine', 'nose', {}, /no machine “nose”/],
  ]
  test.each(cases)('%s', async (_what, machine, over, says) => {
    await database.as('planner', async (context) => {
      expect(await refusal(openJob(context, machine, opening(over)))).toMatch(says)
    })
  })
  test('opened twice is one; it takes no reading before it is safe', async () => {
    await database.as('planner', async (context) => {
      const body = opening()
      expect(await openJob(context, 'quillmere-unit-2', body)).toEqual({ id: body.id, stored: true })
      expect(await openJob(context, 'quillmere-unit-2', body)).toEqual({ id: body.id, stored: false })
      const inspector = contextOf(context.db, 'inspector')
      expect(await refusal(acceptReading(inspector, body.id, reading('219.9')))).toMatch(/Make safe/)
    })
  })
  test('a practice job: a trainee works in it, it goes no further, and nothing of it counts', async () => {
    await database.as('planner', async (planner) => {
      const floorBefore = await shopFloor(planner)
      const before = await openJobView(planner, 'quillmere-unit-1')
      // Beside an open job, and with hours that the log would refuse.
      const { id } = await openJob(planner, 'quillmere-unit-1', opening({ practice: true, runningHours: 100 }))
      const trainee = contextOf(planner.db, 'trainee')
      const looked = note({ kind: 'inspected', part: 'shell', note: '' })
      expect(await refusal(acceptReading(trainee, JOB, reading('219.941')))).toMatch(/^notAllowed: .*practice jobs only/)
      expect(await refusal(addEntries(trainee, JOB, looked))).toMatch(/^notAllowed: .*practice jobs only/)
      expect(await refusal(addEntries(trainee, id, looked))).toBe('')
      // Allowed, and held by making safe like anybody.
      expect(await refusal(acceptReading(trainee, id, reading('219.9')))).toMatch(/^conflict: .*Make safe/)
      expect((await buildJobView(trainee, planner.db, id)).may).toMatchObject({ measure: true, send: false, review: false })
      expect((await buildJobView(trainee, planner.db, JOB)).may).toMatchObject({ measure: false, note: false })
      const inspector = contextOf(planner.db, 'inspector')
      const sent = review(inspector, id, { kind: 'send', id: newId(), note: '' }, signing)
      expect(await refusal(sent)).toMatch(/^notPossible: This is a practice job/)
      const after = await openJobView(planner, 'quillmere-unit-1')
      expect({ hours: after.hoursLog, open: after.openJob }).toEqual({ hours: before.hoursLog, open: before.openJob })
      const floor = await shopFloor(planner)
      expect(floor.machines).toEqual(floorBefore.machines)
      expect(floor.jobs.filter(({ practice }) => practice).map((job) => job.id)).toEqual([id])
      // It is ended by whoever works in it, once; then it is read only, and gone from the shop floor.
      const end = { kind: 'end', id: newId(), note: 'Gap of the rings' } as const
      expect(await refusal(review(trainee, JOB, end, signing))).toMatch(/^notAllowed/)
      expect(await refusal(review(inspector, JOB, end, signing))).toMatch(/^notPossible: Only a practice job/)
      expect(await review(trainee, id, end, signing)).toMatchObject({ stored: true })
      expect(await review(trainee, id, end, signing)).toMatchObject({ stored: false })
      expect(await refusal(addEntries(trainee, id, note({ kind: 'inspected', part: 'shaft', note: '' })))).toMatch(/has ended/)
      expect(await refusal(acceptReading(trainee, id, reading('219.9')))).toMatch(/has ended/)
      expect((await shopFloor(planner)).jobs).toEqual(floorBefore.jobs)
      expect(jobState(await buildJobView(trainee, planner.db, id))).toBe('ended')
    })
  })
  test('a machine has a name of its own at its station', async () => {
    await database.as('planner', async (context) => {
      const machine = {
        id: newId(),
        station: 'Quillmere Power Station',
        name: 'unit 1',
        meter: 'hours' as const,
        units: 'metric' as const,
      }
      expect(await refusal(addMachine(context, machine))).toMatch(/has a machine named/)
      expect(await addMachine(context, { ...machine, name: 'Feed pump' })).toMatchObject({ stored: true })
    })
  })
})

describe('a review', () => {
  test('waits for everything that is undecided', async () => {
    await database.as('inspector', async (context) => {
      await acceptReading(context, JOB, reading('219.941'))
      const sent = review(context, JOB, { kind: 'send', id: newId(), note: '' }, signing)
      expect(await refusal(sent)).toMatch(/notPossible: .*Decide first on/)
    })
  })
  test('a report that was signed verifies, and its job takes nothing more', async () => {
    await database.as('inspector', async (context) => {
      const signed = 'quillmere-u1-2021'
      expect(await refusal(acceptReading(context, signed, reading('219.9')))).toMatch(/signed/)
      expect(await refusal(addEntries(context, signed, note({ kind: 'inspected', part: 'shell', note: '' })))).toMatch(/signed/)
      const { reportId } = await buildJobView(context, context.db, signed)
      const said = await verifyReport(context.db, reportId ?? '', database.key().publicKey)
      expect(said?.findings.map(({ holds }) => holds)).toEqual([true, true, true, true, true, true])
    })
  })
  test('is not the inspector’s to sign, and nobody’s before it was sent', async () => {
    await database.as('inspector', async (inspector) => {
      const { record } = await buildJobView(inspector, inspector.db, JOB)
      const sign = () =>
        ({ kind: 'sign', id: newId(), password: 'right', code: '', recordSha256: recordHash(record), reason: '' }) as const
      expect(await refusal(review(inspector, JOB, sign(), signing))).toMatch(/^notAllowed/)
      const reviewer = contextOf(inspector.db, 'reviewer')
      expect(await refusal(review(reviewer, JOB, sign(), signing))).toMatch(/^conflict|^notPossible/)
    })
  })
  test('a verdict that has changed meanwhile is not decided by what was seen before', async () => {
    await database.as('inspector', async (context) => {
      const { record } = await buildJobView(context, context.db, JOB)
      const [part] = evaluate(record).parts
      expect(part?.verdict).toBe('hold')
      const decided = {
        id: newId(),
        part: part?.id ?? '',
        recommended: 'reuse',
        decided: 'reuse',
        reason: null,
        route: null,
      } as const
      expect(await refusal(decidePart(context, JOB, decided))).toMatch(/^conflict/)
    })
  })
  test('a verdict names a route of its part, says why it departs, and is kept with it', async () => {
    await database.as('inspector', async (context) => {
      const by = (over: object) =>
        decidePart(context, JOB, {
          id: newId(),
          part: 'shell',
          recommended: 'hold',
          decided: 'recondition',
          reason: 'scored, and the shop is free',
          route: 're-metal',
          ...over,
        })
      expect(await refusal(by({ route: 'grind-journal' }))).toMatch(/^malformed/)
      expect(await refusal(by({ decided: 'replace' }))).toMatch(/^malformed/)
      // One that was added in this job serves as well, and stays as long as a verdict names it.
      const route = 'a-hone'
      const source = { document: { id: 'QM-G4', title: 'Guide bearing and shaft: limits of wear', revision: 'C' }, page: '9' }
      const [mends] = (await buildJobView(context, context.db, JOB)).record.book.characteristics.filter(
        (one) => one.part === 'shell',
      )
      const what = {
        of: 'route',
        part: 'shell',
        name: 'Scrape by hand',
        mends: [mends?.id ?? ''],
        cost: null,
        days: 1,
        source,
      } as const
      const adding = note({ kind: 'thingAdded', id: route, what })
      await addEntries(context, JOB, adding)
      const drop = note({ kind: 'thingDropped', id: route, name: 'Scrape by hand', reason: 'not used' }, adding.entries[0]?.id)
      expect(await by({ route })).toEqual({ stored: true })
      expect(await refusal(addEntries(context, JOB, drop))).toMatch(/A verdict was made by it/)
      expect((await buildJobView(context, context.db, JOB)).unreadable).toEqual([])
      expect(await refusal(by({ reason: null }))).toMatch(/^malformed/)
      const id = newId()
      expect(await by({ id })).toEqual({ stored: true })
      expect(await by({ id })).toEqual({ stored: false })
      expect(await refusal(by({ id, route: '-' }))).toMatch(/^conflict/)
      expect(await by({ route: '-' })).toEqual({ stored: true })
      const { record } = await buildJobView(context, context.db, JOB)
      expect(record.decisions.filter(({ part }) => part === 'shell').map((one) => one.route)).toEqual([route, 're-metal', '-'])
    })
  })
  test('a step of the order of work waits until the machine is safe, and is confirmed once', async () => {
    await database.as('planner', async (planner) => {
      const { id } = await openJob(planner, 'quillmere-unit-2', opening())
      const inspector = contextOf(planner.db, 'inspector')
      const body = { id: newId(), step: 'order', note: '' } as const
      expect(await refusal(confirmStep(inspector, id, body))).toMatch(/stays closed until “Make safe”/)
    })
  })
})
