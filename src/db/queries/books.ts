/** Limit books and their revisions. */
import { and, asc, desc, eq, isNull, not, sql } from 'drizzle-orm'
import type { Executor } from '../client'
import { bookStanding, job, limitBook, machine, report } from '../schema'

export async function bookDocument(db: Executor, id: string, revision: string): Promise<unknown> {
  const rows = await db
    .select({ document: limitBook.document })
    .from(limitBook)
    .where(and(eq(limitBook.id, id), eq(limitBook.revision, revision)))
  return rows[0]?.document
}

/** The last word on whether a revision is retired. */
const isRetired = sql`coalesce((SELECT retired FROM book_standing AS said WHERE said.book_id = limit_book.id AND said.revision = limit_book.revision ORDER BY said.said_at DESC, said.id DESC LIMIT 1), false)`

/** The latest issued revision of a family of limit books that is not retired; while none is issued, its latest draft. */
export async function latestBook(db: Executor, bookId: string) {
  const rows = await db
    .select()
    .from(limitBook)
    .where(and(eq(limitBook.id, bookId), not(isRetired)))
    .orderBy(sql`${limitBook.issued} DESC NULLS LAST`, desc(limitBook.storedAt), desc(limitBook.revision))
    .limit(1)
  return rows[0]
}

/** Every revision of a family of limit books, oldest first. */
export const booksOf = (db: Executor, bookId: string) =>
  db
    .select({
      revision: limitBook.revision,
      title: limitBook.title,
      document: limitBook.document,
    })
    .from(limitBook)
    .where(eq(limitBook.id, bookId))
    .orderBy(asc(limitBook.storedAt), asc(limitBook.revision))

/** Holds a family of limit books until the transaction ends: of two that make a revision, the second finds the first one's. */
export const lockBook = (db: Executor, id: string) => db.execute(sql`SELECT pg_advisory_xact_lock(hashtext(${id}))`)

/** A revision as it is kept: its document, with what it is found by beside it. */
interface StoredBook {
  readonly id: string
  readonly revision: string
  readonly title: string
}

export const rowOfBook = (book: StoredBook, storedAt: Date) => ({
  id: book.id,
  revision: book.revision,
  title: book.title,
  document: book,
  storedAt,
})

/** Revisions of a family follow each other, however many are stored in one moment, or after the clock was put back. */
export const storeBook = (db: Executor, book: StoredBook, at: Date, changeId: string | null = null) =>
  db.insert(limitBook).values({
    ...rowOfBook(book, at),
    changeId,
    storedAt: sql`(SELECT greatest(${at.toISOString()}::timestamptz, max(stored_at) + interval '1 microsecond') FROM limit_book WHERE id = ${book.id})`,
  })

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

/** A machine is measured against another family of books from now on; jobs that are open keep theirs. */
export const setMachineBook = (db: Executor, machineId: string, bookId: string) =>
  db.update(machine).set({ bookId }).where(eq(machine.id, machineId))

/** What a list shows of a revision: its document is not read. */
const revisionColumns = {
  id: limitBook.id,
  revision: limitBook.revision,
  title: limitBook.title,
  issued: limitBook.issued,
  storedAt: limitBook.storedAt,
  retired: sql<boolean>`${isRetired}`,
}

/** Every revision of every family. */
export const allRevisions = (db: Executor) =>
  db
    .select(revisionColumns)
    .from(limitBook)
    .orderBy(asc(limitBook.title), asc(limitBook.id), asc(limitBook.storedAt), asc(limitBook.revision))

/** Those of one family, oldest first. */
export const revisionsOf = (db: Executor, bookId: string) =>
  db
    .select(revisionColumns)
    .from(limitBook)
    .where(eq(limitBook.id, bookId))
    .orderBy(asc(limitBook.storedAt), asc(limitBook.revision))

/** Jobs that are measured against a book, with what became of them. */
export const jobsWithBook = (db: Executor, bookId: string) =>
  db
    .select({ job, reportId: report.id })
    .from(job)
    .leftJoin(report, eq(report.jobId, job.id))
    .where(eq(job.bookId, bookId))
    .orderBy(asc(job.openedOn))

/** Everybody who worked on drafts of a family since it was last issued; whoever checked only is none of them. */
export async function draftersOf(
  db: Executor,
  bookId: string,
): Promise<readonly { readonly id: string; readonly name: string }[]> {
  const { rows } = await db.execute<{ id: string; name: string }>(
    sql`SELECT DISTINCT user_id AS id, coalesce(by_name, '') AS name FROM event_log
      WHERE verb IN ('book.changed', 'book.drafted', 'book.imported') AND detail->>'book' = ${bookId}
        AND coalesce(detail->>'change', '') <> 'check'
        AND event_log.id > coalesce((SELECT max(issued.id) FROM event_log AS issued WHERE verb = 'book.issued' AND detail->>'book' = ${bookId}), 0)`,
  )
  return rows
}

export const storeStanding = (db: Executor, row: typeof bookStanding.$inferInsert) => db.insert(bookStanding).values(row)

export async function standingById(db: Executor, id: string) {
  const rows = await db.select({ id: bookStanding.id }).from(bookStanding).where(eq(bookStanding.id, id))
  return rows[0]
}
