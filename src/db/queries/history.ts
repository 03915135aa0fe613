/** Readings taken over in bulk. */
import { eq, like, sql } from 'drizzle-orm'
import type { ImportedReading } from '../../core/record/historyTable'
import type { Executor } from '../client'
import { job, reading } from '../schema'

export interface StoredImport extends ImportedReading {
  readonly id: string
  readonly jobId: string
  readonly takenBy: string
  readonly byName: string
  readonly takenAt: string
}

/** What an import has stored before. */
export async function findJobsImported(db: Executor, importId: string): Promise<{ jobs: number; readings: number }> {
  const [found] = await db
    .select({ jobs: sql<number>`count(DISTINCT ${job.id})::int`, readings: sql<number>`count(${reading.id})::int` })
    .from(job)
    .leftJoin(reading, eq(reading.jobId, job.id))
    .where(like(job.id, `${importId}:%`))
  return found ?? { jobs: 0, readings: 0 }
}

/** Hash of the file that an import took over; null where that was not kept. */
export async function importedFile(db: Executor, machineId: string, importId: string): Promise<string | null> {
  const { rows } = await db.execute<{ file: string | null }>(
    sql`SELECT detail->>'file' AS file FROM event_log WHERE chain = ${machineId} AND verb = 'history.imported' AND detail->>'import' = ${importId}`,
  )
  return rows[0]?.file ?? null
}

/** Rows of one statement: enough that it costs little, few enough that nobody waits while its text is made. */
const AT_ONCE = 1_000

/** Stores readings column by column, so that a hundred thousand take few statements; each is made ready when its turn comes. */
export async function storeReadings<T>(db: Executor, readings: readonly T[], ready: (reading: T) => StoredImport): Promise<void> {
  for (let from = 0; from < readings.length; from += AT_ONCE) {
    const some = readings.slice(from, from + AT_ONCE).map(ready)
    const column = (pick: (item: StoredImport) => string | number | null) => sql.param(some.map(pick))
    await db.execute(sql`
      INSERT INTO reading (id, job_id, characteristic, station, direction, repeat, stage, text, default_unit, master_mm, kind, value, low, high, gauge_id, taken_by, by_name, taken_at)
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
        ${column(({ takenAt }) => takenAt)}::timestamptz[]
      )`)
  }
}
