import type { BookFileFields } from '../../contract/bodies'
import type { ImportedBook } from '../../contract/bookAnswers'
import { bookSchema } from '../../core/book/bookSchema'
import { asTypedBy, plainBook } from '../../core/book/plainBook'
import { draftOfChange, giveBook, lockBook, storeBook } from '../../db/queries/books'
import { appendLog } from '../../db/queries/log'
import { findMachine, lockMachine } from '../../db/queries/machines'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { familyOf, nextDraft } from './family'
import { readBook } from './file/inWorker'
import { bookOf } from './issuedBook'

/** A book of five thousand characteristics takes four of them. */
export const MOST_BOOK_BYTES = 24 * 1024 * 1024
const MOST_FAULTS_TOLD = 500

/**
 * Takes a limit book from a file, JSON or spreadsheet, as the next draft of its family, or as the first of a new one: whole
 * or not at all. Its limits wait for a second person, except those that stand in the family with the same figures and page.
 */
export async function importBook(context: Context, fields: BookFileFields, file: Uint8Array): Promise<ImportedBook> {
  authorise(context, 'plan')
  const { book, faults, warnings } = await readBook(file)
  if (book === null)
    throw new Refused(
      'notPossible',
      say.bookFileFaults(faults.length),
      faults.slice(0, MOST_FAULTS_TOLD).map(({ place, says }) => ({ path: place, message: says })),
    )
  return context.db.transaction(async (db) => {
    if (fields.machine !== null) {
      await lockMachine(db, fields.machine)
      if (!(await findMachine(db, fields.machine))) throw new Refused('notFound', say.thereNoMachine(fields.machine))
    }
    await lockBook(db, book.id)
    const made = await draftOfChange(db, fields.id)
    if (made) return { ...made, stored: false, warnings }
    const family = await familyOf(db, book.id)
    const revision = nextDraft(family)
    const who = { by: context.user.name, at: context.now().toISOString() }
    const before = family?.draft ?? family?.latestIssued ?? null
    const known = before === null ? null : await bookOf(db, book.id, before)
    const document = bookSchema.parse({ ...asTypedBy(plainBook(book), who, known), revision, issued: null })
    await storeBook(db, document, context.now(), fields.id)
    if (fields.machine !== null) await giveBook(db, fields.machine, book.id)
    await appendLog(db, context, { verb: 'book.imported', subject: `book ${book.id}`, detail: { book: book.id, revision } })
    return { id: book.id, revision, stored: true, warnings }
  })
}
