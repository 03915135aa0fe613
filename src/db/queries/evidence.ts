/** What reports rest on, read as it is stored. */
import { and, asc, eq, sql } from 'drizzle-orm'
import type { Executor } from '../client'
import { job, jobEntry, limitBook, picture, user } from '../schema'
import { nameOf } from './person'

/** The issued book of a job as it is stored; null where it has none. */
export async function bookOfJob(db: Executor, jobId: string) {
  const rows = await db
    .select({ id: limitBook.id, revision: limitBook.revision, document: limitBook.document })
    .from(job)
    .innerJoin(limitBook, and(eq(limitBook.id, job.bookId), eq(limitBook.revision, job.bookRevision)))
    .where(eq(job.id, jobId))
  return rows[0] ?? null
}

/** Hash of the bytes of each picture of a job, by id, computed where they lie. */
export const pictureHashes = (db: Executor, jobId: string) =>
  db
    .select({ id: picture.id, sha256: sql<string>`encode(sha256(${picture.bytes}), 'hex')` })
    .from(picture)
    .where(eq(picture.jobId, jobId))
    .orderBy(asc(picture.id))

/** Ids of those who measured, decided or noted in a job. Ticking the plan is no work on the machine, and checking is reviewing. */
export async function authorsOf(db: Executor, jobId: string): Promise<string[]> {
  const { rows } = await db.execute<{ id: string }>(sql`
    SELECT taken_by AS id FROM reading WHERE job_id = ${jobId}
    UNION SELECT decided_by FROM decision WHERE job_id = ${jobId}
    UNION SELECT noted_by FROM job_entry
      WHERE job_id = ${jobId} AND body->>'kind' NOT IN ('planTicked', 'limitsChecked')`)
  return rows.map(({ id }) => id)
}

/** Every name under which a person has noted anything in a job. */
export async function namesIn(db: Executor, jobId: string, userId: string): Promise<string[]> {
  const rows = await db
    .selectDistinct({ name: nameOf(jobEntry.byName) })
    .from(jobEntry)
    .innerJoin(user, eq(user.id, jobEntry.notedBy))
    .where(and(eq(jobEntry.jobId, jobId), eq(jobEntry.notedBy, userId)))
  return rows.map(({ name }) => name)
}
