/** Readings of jobs. */
import { and, asc, eq, gt, inArray, sql } from 'drizzle-orm'
import type { ImportedReading } from '../../core/record/historyTable'
import type { Executor } from '../client'
import { reading, user } from '../schema'
import { nameOf } from './person'

/** Readings of a job in the order they were received, with the name of who took them. */
export function readingsOf(db: Executor, jobId: string) {
  return db
    .select({ reading, by: nameOf(reading.byName) })
    .from(reading)
    .innerJoin(user, eq(user.id, reading.takenBy))
    .where(eq(reading.jobId, jobId))
    .orderBy(asc(reading.receivedAt), asc(reading.id))
}

/** Ids of all readings of a job, in the same order. */
export async function readingIdsOf(db: Executor, jobId: string): Promise<string[]> {
  const rows = await db
    .select({ id: reading.id })
    .from(reading)
    .where(eq(reading.jobId, jobId))
    .orderBy(asc(reading.receivedAt), asc(reading.id))
  return rows.map(({ id }) => id)
}

/** Readings of a job that a server received after an instant, in the same order, with the name of who took them. */
export const readingsReceivedAfter = (db: Executor, jobId: string, after: Date) =>
  db
    .select({ reading, by: nameOf(reading.byName) })
    .from(reading)
    .innerJoin(user, eq(user.id, reading.takenBy))
    .where(and(eq(reading.jobId, jobId), gt(reading.receivedAt, after)))
    .orderBy(asc(reading.receivedAt), asc(reading.id))

/** These readings, with the name of who took them. */
export const readingsById = (db: Executor, ids: readonly string[]) =>
  db
    .select({ reading, by: nameOf(reading.byName) })
    .from(reading)
    .innerJoin(user, eq(user.id, reading.takenBy))
    .where(inArray(reading.id, [...ids]))

export interface ReadingPlace {
  readonly characteristic: string
  readonly stage: 'asFound' | 'afterWork' | 'asLeft'
  readonly station: string
  readonly direction: string
  readonly repeat: number
}

/** Everything ever read at one place of a job, with who read it. */
export function readingsAt(db: Executor, jobId: string, place: ReadingPlace) {
  return db
    .select({ reading, by: nameOf(reading.byName) })
    .from(reading)
    .innerJoin(user, eq(user.id, reading.takenBy))
    .where(
      and(
        eq(reading.jobId, jobId),
        eq(reading.characteristic, place.characteristic),
        eq(reading.stage, place.stage),
        eq(reading.station, place.station),
        eq(reading.direction, place.direction),
        eq(reading.repeat, place.repeat),
      ),
    )
}

export interface StoredImport extends ImportedReading {
  readonly id: string
  readonly jobId: string
  readonly takenBy: string
  readonly byName: string
  readonly takenAt: string
  readonly receivedAt: string
  /** Zero check and temperatures, where they were noted. */
  readonly conditions: object | null
}

/** Rows of one statement: enough that it costs little, few enough that nobody waits while its text is made. */
const AT_ONCE = 1_000

/** Stores readings column by column, so that a hundred thousand take few statements; each is made ready when its turn comes. */
export async function storeReadings<T>(db: Executor, readings: readonly T[], ready: (reading: T) => StoredImport): Promise<void> {
  for (let from = 0; from < readings.length; from += AT_ONCE) {
    const some = readings.slice(from, from + AT_ONCE).map(ready)
    const column = (pick: (item: StoredImport) => string | number | null) => sql.param(some.map(pick))
    await db.execute(sql`
      INSERT INTO reading (id, job_id, characteristic, station, direction, repeat, stage, text, default_unit, master_mm, kind, value, low, high, gauge_id, taken_by, by_name, taken_at, received_at, conditions)
      SELECT * FROM unnest(
        ${column(({ id }) => id)}::uuid[],
        ${column(({ jobId }) => jobId)}::text[],
        ${column(({ characteristic }) => characteristic)}::text[],
        ${column(({ station }) => station)}::text[],
        ${column(({ direction }) => direction)}::text[],
        ${column(({ repeat }) => repeat)}::int[],
        ${column(({ stage }) => stage)}::text[],
        ${column(({ text }) => text)}::text[],
        ${column(({ fields }) => fields.defaultUnit)}::text[],
        ${column(({ fields }) => (fields.masterMm === null ? null : String(fields.masterMm)))}::numeric[],
        ${column(({ fields }) => fields.kind)}::text[],
        ${column(({ exact }) => exact.value)}::numeric[],
        ${column(({ exact }) => exact.low)}::numeric[],
        ${column(({ exact }) => exact.high)}::numeric[],
        ${column(({ gauge }) => gauge)}::text[],
        ${column(({ takenBy }) => takenBy)}::text[],
        ${column(({ byName }) => byName)}::text[],
        ${column(({ takenAt }) => takenAt)}::timestamptz[],
        ${column(({ receivedAt }) => receivedAt)}::timestamptz[],
        ${column(({ conditions }) => (conditions === null ? null : JSON.stringify(conditions)))}::jsonb[]
      )`)
  }
}

/** Stores a reading; false when one with its id is there. */
export async function storeReading(db: Executor, row: typeof reading.$inferInsert): Promise<boolean> {
  const stored = await db.insert(reading).values(row).onConflictDoNothing({ target: reading.id }).returning({ id: reading.id })
  return stored.length > 0
}
