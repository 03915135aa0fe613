import type { CopyBody } from '../../contract/bodies'
import { bookSchema } from '../../core/book/bookSchema'
import { asTypedBy, plainBook } from '../../core/book/plainBook'
import { draftOfChange, lockBook, storeBook } from '../../db/queries/books'
import { appendLog } from '../../db/queries/log'
import { authorise, type Context } from '../edge/context'
import { bookIn, familySeen, nextDraft } from './family'

/**
 * Begins the book of another family of machines as a copy of a revision. It says what it was started from, so that what was
 * changed stays visible; its limits are held against the manual of the other machine by a second person.
 */
export function copyBook(
  context: Context,
  id: string,
  revision: string,
  body: CopyBody,
): Promise<{ id: string; revision: string }> {
  authorise(context, 'plan')
  const own = `book-${body.id}`
  return context.db.transaction(async (db) => {
    await lockBook(db, own)
    const made = await draftOfChange(db, body.id)
    if (made) return made
    const book = await bookIn(db, await familySeen(context, id, revision), revision)
    const who = { by: context.user.name, at: context.now().toISOString() }
    const draft = nextDraft(null)
    const document = bookSchema.parse({
      ...asTypedBy(plainBook(book), who, null),
      id: own,
      title: body.title,
      revision: draft,
      issued: null,
      startedFrom: { id, revision },
    })
    await storeBook(db, document, context.now(), body.id)
    await appendLog(db, context, {
      verb: 'book.imported',
      subject: `book ${own}`,
      detail: { book: own, revision: draft, copyOf: `${id} ${revision}` },
    })
    return { id: own, revision: draft }
  })
}
