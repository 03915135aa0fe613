import { and, eq, inArray, isNotNull, lt, or, sql } from 'drizzle-orm'
import { alias } from 'drizzle-orm/pg-core'
import type { Executor } from '../client'
import { decision, gauge, job, jobEntry, machine, reading, report, reviewEvent, stepConfirmation, user } from '../schema'

/** What a job shows is another as soon as one of these is. */
export interface JobStamp {
  /** Everything but readings and entries, as one line. */
  readonly rest: string
  readonly readings: number
  readonly lastSeq: number
}

/**
 * The versions (`xmin`) of the rows a job shows that can be changed, and the numbers of those that can only be added (see
 * the triggers in drizzle/0001 and 0003), by job: all that are asked for in one question, without those that are not there.
 */
export async function jobStamps(db: Executor, ids: readonly string[]): Promise<ReadonlyMap<string, JobStamp>> {
  if (ids.length === 0) return new Map()
  const past = alias(job, 'past')
  const counted = (table: typeof reading | typeof decision | typeof stepConfirmation | typeof reviewEvent | typeof report) =>
    sql`(SELECT count(*) FROM ${table} WHERE ${table.jobId} = ${job.id})`
  const earlier = db
    .select({ all: sql`string_agg(${past.id} || ' ' || ${past}.xmin, ',' ORDER BY ${past.id})` })
    .from(past)
    .leftJoin(report, eq(report.jobId, past.id))
    .where(
      and(
        eq(past.machineId, job.machineId),
        lt(past.runningHours, job.runningHours),
        or(isNotNull(report.id), isNotNull(past.importedFrom)),
      ),
    )
  const rows = await db
    .select({
      id: job.id,
      readings: counted(reading).mapWith(Number),
      lastSeq: sql`(SELECT coalesce(max(${jobEntry.seq}), 0) FROM ${jobEntry} WHERE ${jobEntry.jobId} = ${job.id})`.mapWith(
        Number,
      ),
      rest: sql<string>`concat_ws('/', ${job}.xmin, ${machine}.xmin,
        ${counted(decision)}, ${counted(stepConfirmation)}, ${counted(reviewEvent)}, ${counted(report)},
        (SELECT md5(string_agg(${gauge}.xmin::text, ',' ORDER BY ${gauge.id})) FROM ${gauge}),
        (SELECT md5(string_agg(${user}.xmin::text, ',' ORDER BY ${user.id})) FROM ${user}),
        (${earlier}))`,
    })
    .from(job)
    .innerJoin(machine, eq(machine.id, job.machineId))
    .where(inArray(job.id, [...ids]))
  return new Map(rows.map(({ id, ...stamp }) => [id, stamp]))
}
