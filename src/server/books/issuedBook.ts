import { bookSchema, type LimitBook } from '../../core/book/bookSchema'
import { upgradeBook } from '../../core/record/upgrade'
import { issueWords } from '../../core/words/issues'
import type { Executor } from '../../db/client'
import { bookDocument } from '../../db/queries/books'
import { say } from '../../labels/refusals'
import { Refused } from '../edge/refused'

const books = new Map<string, LimitBook>()
/** Enough for the machines that one server shows; the oldest goes first. */
const BOOKS_KEPT = 50

/** A book revision never changes once it is issued, so it is checked once by each server. */
export function issuedBook(document: unknown, revision: string): LimitBook {
  const known = books.get(revision)
  if (known) return known
  const parsed = bookSchema.safeParse(readable(document))
  if (!parsed.success) {
    const [issue] = parsed.error.issues
    throw new Refused('unreadable', say.limitBookCannot(revision, issue?.path.join('.') ?? '', issue ? issueWords(issue) : ''))
  }
  const book = parsed.data
  if (books.size >= BOOKS_KEPT) books.delete(books.keys().next().value ?? '')
  books.set(revision, book)
  return book
}

function readable(document: unknown): unknown {
  try {
    return upgradeBook(document)
  } catch {
    return null // what is no book at all is refused like one that is half
  }
}

/** The book revision of a job, from the database when this server has not met it yet. */
export async function bookOf(db: Executor, id: string, revision: string): Promise<LimitBook> {
  const key = `${id} ${revision}`
  return books.get(key) ?? issuedBook(await bookDocument(db, id, revision), key)
}
