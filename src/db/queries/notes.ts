/** What is noted around jobs, and their pictures. */
import { and, asc, eq, gt, inArray } from 'drizzle-orm'
import { type Entry, entrySchema } from '../../core/notes/entrySchema'
import { noteNow } from '../../core/record/fromVersion2'
import type { Executor } from '../client'
import { jobEntry, picture, user } from '../schema'
import { instantOf } from './instant'
import { nameOf } from './person'

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
    const read = entrySchema.safeParse({ id: entry.id, by, at: instantOf(entry.notedAt), body: noteNow(entry.body) })
    if (read.success) entries.push({ seq: entry.seq, entry: read.data })
    else unreadable.push(`A note of ${by} on ${entry.subject} cannot be read and is left out (${entry.id}).`)
  }
  return { entries, unreadable }
}

/** A picture of a job in one of its two sizes. */
export async function findPicture(db: Executor, jobId: string, id: string, size: 'whole' | 'small') {
  const rows = await db
    .select({ type: picture.type, bytes: size === 'whole' ? picture.bytes : picture.small })
    .from(picture)
    .where(and(eq(picture.jobId, jobId), eq(picture.id, id)))
  return rows[0]
}

/** Those of these entries that a job has. */
export async function knownEntries(db: Executor, jobId: string, ids: readonly string[]): Promise<ReadonlySet<string>> {
  const rows = await db
    .select({ id: jobEntry.id })
    .from(jobEntry)
    .where(and(eq(jobEntry.jobId, jobId), inArray(jobEntry.id, [...ids])))
  return new Set(rows.map(({ id }) => id))
}

/** Whether any job has an entry with this id. */
export const isEntry = async (db: Executor, id: string): Promise<boolean> =>
  (await db.select({ id: jobEntry.id }).from(jobEntry).where(eq(jobEntry.id, id))).length > 0

export const storeEntry = (db: Executor, row: typeof jobEntry.$inferInsert) => db.insert(jobEntry).values(row)

/** Job and hash of a picture; undefined when there is none with this id. */
export async function pictureById(db: Executor, id: string) {
  const rows = await db.select({ jobId: picture.jobId, sha256: picture.sha256 }).from(picture).where(eq(picture.id, id))
  return rows[0]
}
export const storePicture = (db: Executor, row: typeof picture.$inferInsert) => db.insert(picture).values(row)
