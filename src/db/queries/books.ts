/** Limit books and their revisions. */
import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm'
import type { Executor } from '../client'
import { job, limitBook, machine } from '../schema'

export async function bookDocument(db: Executor, id: string, revision: string): Promise<unknown> {
  const rows = await db
    .select({ document: limitBook.document })
    .from(limitBook)
    .where(and(eq(limitBook.id, id), eq(limitBook.revision, revision)))
  return rows[0]?.document
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

/** Holds a family of limit books until the transaction ends: of two that make a revision, the second finds the first one's. */
export const lockBook = (db: Executor, id: string) => db.execute(sql`SELECT pg_advisory_xact_lock(hashtext(${id}))`)

export const storeBook = (db: Executor, row: typeof limitBook.$inferInsert) => db.insert(limitBook).values(row)

/** A machine that is in no family of books is measured against this one from now on. */
export const giveBook = (db: Executor, machineId: string, bookId: string) =>
  db
    .update(machine)
    .set({ bookId })
    .where(and(eq(machine.id, machineId), isNull(machine.bookId)))

/** The draft that a change made, by the id of the change; undefined while it was not made. */
export async function draftOfChange(db: Executor, changeId: string) {
  const rows = await db
    .select({ id: limitBook.id, revision: limitBook.revision })
    .from(limitBook)
    .where(eq(limitBook.changeId, changeId))
  return rows[0]
}

/** From now on a job that is not signed is measured against this revision. */
export const giveJobBook = (db: Executor, jobId: string, of: { bookId: string; bookRevision: string; level: string | null }) =>
  db.update(job).set(of).where(eq(job.id, jobId))
