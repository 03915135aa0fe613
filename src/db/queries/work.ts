/** Queries around the job: entries, pictures, hours of a machine, and word of a change to whoever listens. */
import { and, asc, desc, eq, gt, sql } from 'drizzle-orm'
import { type Entry, entrySchema } from '../../core/notes/entrySchema'
import type { Executor } from '../client'
import { job, jobEntry, limitBook, machine, machineHours, picture, report, user } from '../schema'
import { instantOf } from './instant'
import { nameOf } from './person'

/** Channel on which every server of this database hears that something was added to a job. */
export const JOB_CHANNEL = 'medida_job'

/** Says that something was added to a job; of a reading, which. */
export const announce = (db: Executor, jobId: string, readingId?: string) =>
  db.execute(sql`SELECT pg_notify(${JOB_CHANNEL}, ${readingId === undefined ? jobId : `${jobId} ${readingId}`})`)

/** Entries of a job that came after a place in its list, in order; those that can be read. */
export const entriesAfter = async (db: Executor, jobId: string, after: number): Promise<{ seq: number; entry: Entry }[]> =>
  (await entriesOf(db, jobId, after)).entries

/** The same, with a sentence for each that cannot be read. */
export async function entriesOf(
  db: Executor,
  jobId: string,
  after: number,
): Promise<{ entries: { seq: number; entry: Entry }[]; unreadable: string[] }> {
  const rows = await db
    .select({ entry: jobEntry, by: nameOf(jobEntry.byName) })
    .from(jobEntry)
    .innerJoin(user, eq(user.id, jobEntry.notedBy))
    .where(and(eq(jobEntry.jobId, jobId), gt(jobEntry.seq, after)))
    .orderBy(asc(jobEntry.seq))
  const entries: { seq: number; entry: Entry }[] = []
  const unreadable: string[] = []
  for (const { entry, by } of rows) {
    const read = entrySchema.safeParse({ id: entry.id, by, at: instantOf(entry.notedAt), body: entry.body })
    if (read.success) entries.push({ seq: entry.seq, entry: read.data })
    else unreadable.push(`A note of ${by} on ${entry.subject} cannot be read and is left out (${entry.id}).`)
  }
  return { entries, unreadable }
}

export async function findMachine(db: Executor, id: string) {
  const rows = await db.select().from(machine).where(eq(machine.id, id))
  return rows[0]
}

/** The latest issued revision of a family of limit books; while none is issued, its latest draft. */
export async function latestBook(db: Executor, bookId: string) {
  const rows = await db
    .select()
    .from(limitBook)
    .where(eq(limitBook.id, bookId))
    .orderBy(sql`${limitBook.document}->>'issued' DESC NULLS LAST`, desc(limitBook.storedAt), desc(limitBook.revision))
    .limit(1)
  return rows[0]
}

/** Every revision of a family of limit books, oldest first. */
export const booksOf = (db: Executor, bookId: string) =>
  db
    .select({ revision: limitBook.revision, title: limitBook.title, document: limitBook.document })
    .from(limitBook)
    .where(eq(limitBook.id, bookId))
    .orderBy(asc(limitBook.storedAt), asc(limitBook.revision))

/** Jobs of a machine, oldest first, with the report of those that are signed. */
export const jobsOf = (db: Executor, machineId: string) =>
  db
    .select({ job, reportId: report.id })
    .from(job)
    .leftJoin(report, eq(report.jobId, job.id))
    .where(eq(job.machineId, machineId))
    .orderBy(asc(job.openedOn), asc(job.runningHours))

export const hoursOf = (db: Executor, machineId: string) =>
  db.select().from(machineHours).where(eq(machineHours.machineId, machineId)).orderBy(asc(machineHours.readOn))

/** Holds a machine while a job is opened on it: of two people opening one, the second finds the first one's. */
export const lockMachine = (db: Executor, id: string) =>
  db.select({ id: machine.id }).from(machine).where(eq(machine.id, id)).for('update')

/** A picture of a job in one of its two sizes. */
export async function findPicture(db: Executor, jobId: string, id: string, size: 'whole' | 'small') {
  const rows = await db
    .select({ type: picture.type, bytes: size === 'whole' ? picture.bytes : picture.small })
    .from(picture)
    .where(and(eq(picture.jobId, jobId), eq(picture.id, id)))
  return rows[0]
}
