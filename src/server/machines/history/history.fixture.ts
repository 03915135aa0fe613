/** Earlier readings taken over from a table, on a real database: whole or not at all, and once. */
import { join } from 'node:path'
import { expect, test } from 'vitest'
import type { TestDatabase } from '../../../../scripts/lib/testDatabase'
import type { Progress } from '../../../contract/longWork'
import type { Reading } from '../../../core/record/recordSchema'
import { standingReadings } from '../../../core/record/standing'
import { giveBook } from '../../../db/queries/books'
import { allGauges } from '../../../db/queries/gauges'
import { readingsOf } from '../../../db/queries/readings'
import type { Context } from '../../edge/context'
import type { Refused } from '../../edge/refused'
import { newId, refusal } from '../../edge/refused.fixture'
import { opening } from '../../jobs/bodies.fixture'
import { buildJobView } from '../../jobs/jobView'
import { openJob } from '../../jobs/openJob'
import { addMachine } from '../addMachine'
import { importedBy, importHistory } from './importHistory'

/** Told of the database that all use cases share. */
export function historyCases(database: () => TestDatabase): void {
  const HEAD = 'overhaul;date;running_hours;characteristic;station;direction;stage;reading;gauge'
  const rows = ['219,985', '219,984', '219,986', '219,984', '219,985', '219,986'].map(
    (size, at) => `First overhaul;2009-05-11;4 100;Shaft journal Ø;${'ABC'[at >> 1]};${(at % 2) + 1};as found;${size};`,
  )
  const table = (...more: string[]) => new TextEncoder().encode(`${[HEAD, ...rows, ...more].join('\n')}\n`)
  const fields = () => ({ id: newId(), source: 'Record sheets, folder 3' })
  test('is taken over whole, and once', async () => {
    await database().as('planner', async (context) => {
      const about = fields()
      const taken = { overhauls: 1, readings: 6 }
      expect(await importHistory(context, 'quillmere-unit-1', about, table())).toMatchObject({ ...taken, stored: true })
      expect(await importHistory(context, 'quillmere-unit-1', about, table())).toMatchObject({ ...taken, stored: false })
      const other = table('First overhaul;2009-05-11;4 100;End float of the shaft;;;as found;0.30;')
      expect(await refusal(importHistory(context, 'quillmere-unit-1', about, other))).toMatch(/^conflict/)
      expect(
        (await readingsOf(context.db, `${about.id}:1`)).length + (await readingsOf(context.db, `${about.id}:0`)).length,
      ).toBe(6)
    })
  })
  test('of which one row cannot be read stores nothing, and says which', async () => {
    await database().as('planner', async (context) => {
      const about = fields()
      const done = importHistory(context, 'quillmere-unit-1', about, table('First overhaul;2009-05-11;4 100;Piston;A;1;;60;'))
      const error = await done.then(
        () => null,
        (refused: Refused) => refused,
      )
      expect(error?.issues.map(({ message }) => message).join()).toMatch(/no characteristic “Piston”/)
      expect(await importHistory(context, 'quillmere-unit-1', about, table())).toMatchObject({ stored: true })
    })
  })
  test('that is cancelled while it is stored leaves nothing, and says so to whoever asks what became of it', async () => {
    await database().as('planner', async (context) => {
      const about = fields()
      const cancelled = new AbortController()
      const said: string[] = []
      const say = ({ stage, done, of }: Progress): void => {
        said.push(`${stage} ${done}/${of}`)
        if (stage === 'storing') cancelled.abort()
      }
      const long = { say, signal: cancelled.signal }
      // Each overhaul is a place to stop at; of a single one it is stored and rolled back.
      expect(await refusal(importHistory(context, 'quillmere-unit-1', about, table(), long))).toMatch(/^notPossible: Cancelled/)
      expect(said).toEqual(['reading 0/1', 'storing 0/6'])
      expect(await importedBy(context, 'quillmere-unit-1', about.id)).toBeNull()
      expect(await readingsOf(context.db, `${about.id}:1`)).toEqual([])
      const done = await importHistory(context, 'quillmere-unit-1', about, table())
      expect(await importedBy(context, 'quillmere-unit-1', about.id)).toEqual({ ...done, stored: false })
    })
  })
  test('is the planner’s', async () => {
    await database().as('visitor', async (context) => {
      expect(await refusal(importHistory(context, 'quillmere-unit-1', fields(), table()))).toMatch(/^notAllowed/)
    })
  })
}

/** The record of a job of another installation, as its page exports it. */
export function recordHistoryCases(database: () => TestDatabase): void {
  process.env.MEDIDA_HISTORY_WORKER = join(process.cwd(), 'scripts', 'historyWorker.mjs')
  const bytesOf = (value: unknown): Uint8Array => new TextEncoder().encode(JSON.stringify(value))
  const fields = () => ({ id: newId(), source: 'Record of unit 1, exported' })
  type Made = Awaited<ReturnType<typeof elsewhere>>
  /** Another machine of the same book, and the record of a job of the first. */
  async function elsewhere(context: Context) {
    const { record } = await buildJobView(context, context.db, 'quillmere-u1-2026')
    const machine = newId()
    await addMachine(context, { id: machine, station: 'Elsewhere', name: 'Unit 9', units: 'metric', meter: 'hours' })
    await giveBook(context.db, machine, record.book.id)
    return { machine, record }
  }
  const told = async ({ machine }: Made, context: Context, record: object): Promise<string> => {
    const [issue] = await importHistory(context, machine, fields(), bytesOf(record)).then(
      () => [],
      (refused: Refused) => refused.issues,
    )
    return `${issue?.path}: ${issue?.message}`
  }

  test('joins another machine of its book, each reading with its gauge, conditions and who took it, and once', () =>
    database().as('planner', async (context) => {
      const made = await elsewhere(context)
      const { machine, record } = made
      const inUse = record.history.flatMap(({ readings }) => readings.map(({ gauge }) => gauge))
      const worn = record.gauges.find(({ id }) => inUse.includes(id))
      const others = record.gauges.filter((gauge) => gauge !== worn)
      if (!worn) throw new Error('The record has no gauge.')
      // Calibrated otherwise there: its readings keep that, and nobody reads with it here.
      const theirs = { ...record, gauges: [{ ...worn, corrections: [{ at: 0, error: 0.004 }] }, ...others] }
      const about = fields()
      const answer = await importHistory(context, machine, about, bytesOf(theirs))
      const standing = [...record.history, record.job]
        .map(({ readings }) => standingReadings(readings).filter(({ kind }) => kind !== 'cannot' && kind !== 'withdrawn'))
        .filter((readings) => readings.length > 0)
      expect(answer).toMatchObject({ overhauls: standing.length, readings: standing.flat().length, stored: true })
      expect(await importHistory(context, machine, about, bytesOf(theirs))).toMatchObject({ stored: false })
      const rows = (await allGauges(context.db)).filter(({ code }) => code === worn.code)
      expect(rows.filter(({ replaced }) => !replaced)).toHaveLength(1)
      expect(rows.map(({ corrections }) => corrections)).toContainEqual([{ at: 0, error: 0.004 }])
      const job = newId()
      await openJob(context, machine, { ...opening('full'), id: job, runningHours: record.job.runningHours + 10 })
      const { history } = (await buildJobView(context, context.db, job)).record
      const plain = ({ id: _, gauge, supersedes: __, reason: ___, ...reading }: Reading) => ({
        ...reading,
        isRead: gauge !== null,
      })
      const sorted = (readings: readonly Reading[]) => readings.map((one) => JSON.stringify(plain(one))).sort()
      expect(history.map(({ readings }) => sorted(readings))).toEqual(standing.map(sorted))
      expect(await told(made, context, record)).toMatch(/on record here already/)
    }))

  test('of another book, in other units, or no record at all stores nothing, and says why', () =>
    database().as('planner', async (context) => {
      const made = await elsewhere(context)
      const { record } = made
      expect(await told(made, context, { ...record, book: { ...record.book, id: 'another' } })).toMatch(/limit book “another”/)
      expect(await told(made, context, { ...record, machine: { ...record.machine, units: 'inch' } })).toMatch(/read wrongly here/)
      expect(await told(made, context, { ...record, gauges: [] })).toMatch(/^history › 0 › readings › 0 › gauge: no gauge/)
      expect(await refusal(importHistory(context, made.machine, fields(), bytesOf(record).slice(0, 900)))).toMatch(
        /no record of a job/,
      )
    }))
}
