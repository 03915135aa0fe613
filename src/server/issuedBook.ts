import { bookSchema, type LimitBook } from '../core/record/bookSchema'
import { upgradeBook } from '../core/record/upgrade'
import type { Executor } from '../db/client'
import { bookDocument } from '../db/queries/jobs'

const books = new Map<string, LimitBook>()
/** Enough for the machines that one server shows; the oldest goes first. */
const BOOKS_KEPT = 50

/** A book revision never changes once it is issued, so it is checked once by each server. */
export function issuedBook(document: unknown, revision: string): LimitBook {
  const known = books.get(revision)
  if (known) return known
  const book = bookSchema.parse(upgradeBook(document))
  if (books.size >= BOOKS_KEPT) books.delete(books.keys().next().value ?? '')
  books.set(revision, book)
  return book
}

/** The book revision of a job, from the database when this server has not met it yet. */
export async function bookOf(db: Executor, id: string, revision: string): Promise<LimitBook> {
  const key = `${id} ${revision}`
  return books.get(key) ?? issuedBook(await bookDocument(db, id, revision), key)
}
