/** Limit books on a real database: taken from files, checked, issued by a second person, compared, taken into use, retired. */
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { contextOf, type TestDatabase, testDay } from '../../../scripts/lib/testDatabase'
import { bookEditsBody, type DraftChange } from '../../contract/bodies'
import type { LimitBook } from '../../core/book/bookSchema'
import { type BookEdits, editsBetween } from '../../core/book/edits'
import { changeDraft, draftView } from '../drafts/changeDraft'
import type { Context } from '../edge/context'
import { newId, refusal } from '../edge/refused.fixture'
import { opening, reading } from '../jobs/bodies.fixture'
import { buildJobView } from '../jobs/jobView'
import { measuredAsCsv, measuredAsXlsx } from '../jobs/measuredResults'
import { openJob, openJobView } from '../jobs/openJob'
import { addMachine } from '../machines/addMachine'
import { addEntries } from '../notes/addEntries'
import { acceptReading } from '../readings/acceptReading'
import { setStanding } from './bookStanding'
import { bookPage, booksView, comparisonView, ORIGIN } from './booksView'
import { copyBook } from './copyBook'
import { bookEditView, editBook } from './editBook'
import { bookAsXlsx, limitsAsCsv } from './exportBook'
import { importBook } from './importBook'
import { issueBook } from './issueBook'
import { takeIntoUse } from './takeIntoUse'

const bytesOf = (value: unknown): Uint8Array => new TextEncoder().encode(JSON.stringify(value))
const STRIP = { of: 'bearing-journal', judges: 'minimum', side: 'lower' } as const
const limitRow = (wear: string, document = 'TE-W4') => ({
  ...STRIP,
  new: '80 h6',
  plan: '',
  wear,
  whenPassed: 'mend' as const,
  instruction: '',
  document,
  page: '8',
})

/** Told of the database that all use cases share. */
export function bookCases(database: () => TestDatabase): void {
  process.env.MEDIDA_BOOK_WORKER = join(process.cwd(), 'scripts', 'bookWorker.mjs')

  async function machineOn(context: Context): Promise<string> {
    const id = newId()
    await addMachine(context, { id, station: 'Books', name: `Winch ${id}`, units: 'metric', meter: 'none' })
    return id
  }
  /** A composed bearing with one limit that was typed, and agreed by nobody. */
  async function composed(context: Context): Promise<{ machine: string; book: LimitBook }> {
    const machine = await machineOn(context)
    const addition: DraftChange = { kind: 'add', assembly: 'splitSleeveBearing', names: ['Bearing'], into: null, answers: {} }
    const { revision } = await changeDraft(context, machine, { id: newId(), base: null, change: addition })
    const change: DraftChange = { kind: 'limits', rows: [limitRow('79.90')] }
    const { book } = await changeDraft(context, machine, { id: newId(), base: revision, change })
    return { machine, book }
  }
  const limitOf = ({ characteristics }: LimitBook) => characteristics.find(({ id }) => id === STRIP.of)?.limits[0]

  test('a draft is written in: whole or not at all, once, and what its limits rest on is held again', () =>
    database().as('inspector', async (inspector) => {
      const { machine, book } = await composed(inspector)
      const reviewer = contextOf(inspector.db, 'reviewer')
      const checks: DraftChange = { kind: 'check', rows: [{ ...STRIP, agrees: true, note: '' }] }
      const { revision } = await changeDraft(reviewer, machine, { id: newId(), base: book.revision, change: checks })
      const job = newId()
      await openJob(inspector, machine, { ...opening('full'), id: job })
      const { book: before } = await bookEditView(inspector, book.id)
      const editsOf = (now: object) => editsBetween(before as never, now as never)
      const own = before.characteristics.find(({ id }) => id === STRIP.of)
      const others = before.characteristics.filter(({ id }) => id !== STRIP.of)
      const send = (edits: BookEdits, base = revision ?? '', id = newId(), context: Context = inspector) =>
        editBook(context, book.id, bookEditsBody.parse({ id, base, edits }))

      // What is wrong is told all at once, and nothing of it stands.
      const wrong = editsOf({
        ...before,
        title: 'Winch bearing',
        characteristics: [...others, { ...own, part: 'attic', showTo: 'abc' }],
      })
      await expect(send(wrong)).rejects.toMatchObject({
        issues: [
          { path: expect.stringMatching(/Bearing: journal Ø › Read to/) },
          { path: expect.stringMatching(/Bearing: journal Ø › Part/), message: expect.stringContaining('attic') },
        ],
      })
      expect((await bookEditView(inspector, book.id)).revision).toBe(revision)

      // A text leaves the agreement as it was; sent twice it is one draft, and the open job goes with it.
      const text = editsOf({ ...before, characteristics: [{ ...own, how: 'Three stations' }, ...others] })
      const id = newId()
      const next = await send(text, revision ?? '', id)
      expect(await send(text, revision ?? '', id)).toEqual(next)
      const agreed = (await bookEditView(inspector, book.id)).book
      expect(limitOf(agreed)?.typed?.check).toMatchObject({ agrees: true })
      expect((await buildJobView(inspector, inspector.db, job)).record.book.revision).toBe(next.revision)
      // Whoever wrote on the draft before is told that there is a later one.
      expect(await refusal(send(text))).toMatch(new RegExp(next.revision))
      // Another way to measure is another thing to limit: the limit waits again.
      const coarser = agreed.characteristics.map((one) => (one.id === STRIP.of ? { ...one, gaugeKind: 'caliper' as const } : one))
      await send(editsBetween(agreed as never, { ...agreed, characteristics: coarser } as never), next.revision)
      expect(limitOf((await bookEditView(inspector, book.id)).book)?.typed).toMatchObject({
        by: inspector.user.name,
        check: null,
      })
      expect((await bookPage(reviewer, book.id, null)).drafters).toContain(inspector.user.name)
      expect(await refusal(send(text, next.revision, newId(), contextOf(inspector.db, 'visitor')))).not.toBe('')
    }))

  test('a book goes out and comes in, is corrected, checked, issued by a second person, and measured against', () =>
    database().as('inspector', async (inspector) => {
      const reviewer = contextOf(inspector.db, 'reviewer')
      const { book } = await composed(inspector)
      const xlsx = await bookAsXlsx(inspector, book.id, book.revision)
      expect(await limitsAsCsv(inspector, book.id, book.revision)).toContain(
        'Bearing: journal Ø,Smallest,at least,79.981,80.00,,79.90,mm,mend,,TE-W4,8',
      )
      // As on an empty installation: another family, whatever the file says of who agreed.
      const elsewhere = `winch-${newId()}`
      const agreed = {
        by: 'Mara Ellwood',
        at: '2026-11-20T08:00:00Z',
        check: { by: 'Nobody Here', at: '2026-11-20T09:00:00Z', agrees: true, note: '' },
      }
      const file = {
        ...book,
        id: elsewhere,
        characteristics: book.characteristics.map((one) => ({
          ...one,
          limits: one.limits.map((limit) => ({ ...limit, typed: agreed })),
        })),
      }
      const importId = newId()
      const machine = await machineOn(inspector)
      const first = await importBook(inspector, { id: importId, machine }, bytesOf(file))
      expect(first).toMatchObject({ id: elsewhere, revision: 'draft 1', stored: true })
      expect(await importBook(inspector, { id: importId, machine }, bytesOf(file))).toMatchObject({
        revision: 'draft 1',
        stored: false,
      })
      const { book: taken, revision } = await draftView(inspector, machine)
      expect(limitOf(taken)?.typed).toMatchObject({ by: inspector.user.name, check: null })
      // The spreadsheet is the next draft of its own family: what stands there with the same page keeps its mark.
      expect(await importBook(inspector, { id: newId(), machine: null }, xlsx)).toMatchObject({
        id: book.id,
        revision: 'draft 3',
      })

      const issue = (context: Context, name: string, of = 'draft 1') =>
        issueBook(context, elsewhere, of, { id: newId(), revision: name })
      expect(await refusal(issue(inspector, 'A'))).toMatch(/a second person issues it/)
      expect(await refusal(issue(reviewer, 'A'))).toMatch(/1 limit is not checked by a second person.*Bearing: journal Ø/)
      const checks: DraftChange = { kind: 'check', rows: [{ ...STRIP, agrees: true, note: '' }] }
      await changeDraft(reviewer, machine, { id: newId(), base: revision, change: checks })
      expect(await refusal(issue(reviewer, 'A'))).toMatch(/a later draft, draft 2/)
      expect((await bookPage(reviewer, elsewhere, null)).may.issue).toBe(true)
      const issueId = newId()
      const body = { id: issueId, revision: 'A' }
      expect(await issueBook(reviewer, elsewhere, 'draft 2', body)).toEqual({ revision: 'A' })
      expect(await issueBook(reviewer, elsewhere, 'draft 2', body)).toEqual({ revision: 'A' })
      expect((await bookPage(reviewer, elsewhere, 'A')).revisions).toHaveLength(3)
      expect(limitOf((await bookPage(reviewer, elsewhere, 'A')).book)?.typed).toBeUndefined()
      expect(await refusal(issue(reviewer, 'B', 'A'))).toMatch(/is issued already/)

      // A job is measured against it; the next revision is begun beside it, and does not touch the job.
      const job = newId()
      await openJob(inspector, machine, { ...opening('full'), id: job })
      const begun = await changeDraft(inspector, machine, { id: newId(), base: 'A', change: { kind: 'begin' } })
      expect(begun).toMatchObject({ issued: false, revision: 'A draft 3' })
      const stricter: DraftChange = { kind: 'limits', rows: [limitRow('79.95')] }
      const { revision: next } = await changeDraft(inspector, machine, { id: newId(), base: begun.revision, change: stricter })
      expect((await buildJobView(inspector, inspector.db, job)).record.book.revision).toBe('A')
      const compared = await comparisonView(inspector, elsewhere, 'A', next ?? '')
      expect(compared.changes).toMatchObject([
        { list: 'limits', kind: 'changed', fields: [{ path: ['wear'], from: 79.9, to: 79.95 }] },
      ])
      expect(compared.uses).toMatchObject([{ job: { id: job, revision: 'A' }, isLast: false, lost: [] }])
      await changeDraft(reviewer, machine, { id: newId(), base: next, change: checks })
      const latest = (await bookPage(reviewer, elsewhere, null)).book.revision
      await issue(reviewer, 'B', latest)
      expect((await openJobView(inspector, machine)).book?.revision).toBe('B')
      expect((await buildJobView(inspector, inspector.db, job)).record.book.revision).toBe('A')
      await takeIntoUse(inspector, machine, { book: elsewhere, revision: 'B', job: true })
      expect(limitOf((await buildJobView(inspector, inspector.db, job)).record.book)?.wear).toBe(79.95)
      // Retired, it is offered no more; the job goes on.
      await setStanding(inspector, elsewhere, 'B', { id: newId(), retired: true, reason: 'Printed wrong' })
      expect((await openJobView(inspector, machine)).book?.revision).toBe('A')
      expect((await buildJobView(inspector, inspector.db, job)).record.book.revision).toBe('B')
      await setStanding(inspector, elsewhere, 'B', { id: newId(), retired: false, reason: 'Printed right' })
      expect((await openJobView(inspector, machine)).book?.revision).toBe('B')
    }))

  test('a copy is a book of its own, waits to be checked, and shows what was changed in it', () =>
    database().as('inspector', async (inspector) => {
      const id = newId()
      const copied = await copyBook(inspector, 'quillmere-francis', 'C', { id, title: 'Smaller unit' })
      expect(await copyBook(inspector, 'quillmere-francis', 'C', { id, title: 'Smaller unit' })).toEqual(copied)
      const { toCheck, may } = await bookPage(inspector, copied.id, null)
      expect(toCheck).toBeGreaterThan(5)
      expect(may.issue).toBe(false)
      expect((await comparisonView(inspector, copied.id, ORIGIN, copied.revision)).changes).toEqual([])
      const machine = await machineOn(inspector)
      await takeIntoUse(inspector, machine, { book: copied.id, revision: copied.revision, job: false })
      const limits: DraftChange = { kind: 'limits', rows: [{ ...limitRow('219.80', 'QM-G4'), of: 'journal', new: '' }] }
      const { revision } = await changeDraft(inspector, machine, { id: newId(), base: copied.revision, change: limits })
      const { changes } = await comparisonView(inspector, copied.id, ORIGIN, revision ?? '')
      expect(changes.map(({ list, of }) => [list, of])).toContainEqual(['limits', 'journal'])
    }))

  test('a file with faults stores nothing, and tells all of them', () =>
    database().as('inspector', async (inspector) => {
      const { book } = await composed(inspector)
      const before = await booksView(inspector)
      const [part, ...parts] = book.parts
      const broken = { ...book, parts: [{ ...part, name: '' }, ...parts.map((one) => ({ ...one, within: 'attic' }))] }
      const refused = await importBook(inspector, { id: newId(), machine: null }, bytesOf(broken)).catch(
        (error: unknown) => error,
      )
      expect(refused).toMatchObject({ code: 'notPossible' })
      expect((refused as { issues: unknown[] }).issues).toHaveLength(1 + parts.length)
      expect(await booksView(inspector)).toEqual(before)
      const visitor = contextOf(inspector.db, 'visitor')
      expect(await refusal(importBook(visitor, { id: newId(), machine: null }, bytesOf(book)))).toMatch(/./)
    }))

  test('a job that has measured what another book does not have stays with its own', () =>
    database().as('inspector', async (inspector) => {
      const { machine, book } = await composed(inspector)
      const job = newId()
      await openJob(inspector, machine, { ...opening('full'), id: job })
      for (const step of ['every-1', 'every-2'])
        await addEntries(inspector, job, {
          entries: [{ id: newId(), seen: null, body: { kind: 'stepDone', step, note: '', licensed: null } }],
        })
      await acceptReading(inspector, job, reading({ characteristic: STRIP.of, text: '79.97' }))
      // What was measured goes out as it was typed and as it is taken, with who and by what.
      const { text } = await measuredAsCsv(inspector, job, 'readings')
      expect(text).toContain(`,As found,79.97,79.97,mm,OM-12,${inspector.user.name},${testDay}T11:59:00`)
      expect((await measuredAsCsv(inspector, job, 'results')).text).toContain('Bearing: journal Ø,Smallest,79.97,')
      expect(Buffer.from((await measuredAsXlsx(inspector, job)).bytes.subarray(0, 2)).toString()).toBe('PK')
      const other = `bare-${newId()}`
      const bare = {
        ...book,
        id: other,
        characteristics: book.characteristics.filter(({ id }) => id !== STRIP.of),
        fits: [],
        parts: book.parts.map((part) => ({ ...part, routes: [] })),
        findingRules: [],
      }
      const { revision } = await importBook(inspector, { id: newId(), machine: null }, bytesOf(bare))
      expect(await refusal(takeIntoUse(inspector, machine, { book: other, revision, job: true }))).toMatch(
        /has measured what this book does not have: Bearing: journal Ø/,
      )
      expect((await buildJobView(inspector, inspector.db, job)).record.book.id).toBe(book.id)
    }))
}
