import type { LimitBook } from '../book/bookSchema'
import { type EntryBody, noteKindOf } from './kinds'
import { namesOf } from './names'
import type { WorkState } from './state'

export { tagWords } from './kinds/strip'

/** What was noted, in one line: for the job's log, the report, and when two people noted the same thing. */
export const entryWords = (body: EntryBody, book: LimitBook, work: WorkState): string =>
  noteKindOf(body).words(body, namesOf(book, work))
