import { dayOf } from '../../clock/clock'
import type { IssueBody } from '../../contract/bodies'
import { bookSchema, type LimitBook } from '../../core/book/bookSchema'
import { checkBook } from '../../core/book/checkBook'
import { withoutMarks } from '../../core/book/plainBook'
import { bookFaultLines } from '../../core/words/bookFile'
import { bookPlaceWords } from '../../core/words/bookPlaces'
import type { Executor } from '../../db/client'
import { draftersOf, draftOfChange, lockBook, storeBook } from '../../db/queries/books'
import { appendLog } from '../../db/queries/log'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { bookIn, familyOf, unitsOf } from './family'

/**
 * Issues the latest draft of a family under a revision. Whoever worked on the draft does not issue it, every limit that was
 * typed has been agreed by a second person, and nothing in it is wrong. Sent twice, it is issued once.
 */
export function issueBook(context: Context, id: string, draft: string, body: IssueBody): Promise<{ revision: string }> {
  authorise(context, 'check')
  return context.db.transaction(async (db) => {
    await lockBook(db, id)
    if (await draftOfChange(db, body.id)) return { revision: body.revision }
    const family = await familyOf(db, id)
    if (!family) throw new Refused('notFound', say.thereNoLimit(id, draft))
    const book = await bookIn(db, family, draft)
    if (book.issued !== null) throw new Refused('conflict', say.notADraft(book.title, book.revision))
    if (family.draft !== draft) throw new Refused('conflict', say.notLatestDraft(family.draft ?? ''))
    if (family.revisions.some(({ revision }) => revision.toLowerCase() === body.revision.toLowerCase())) {
      const message = say.revisionThere(body.revision)
      throw new Refused('conflict', message, [{ path: 'revision', message }])
    }
    const { open, hasWorked } = await openPoints(db, book)
    if (hasWorked(context.user)) throw new Refused('notAllowed', say.ownDraft)
    if (open.length > 0) throw new Refused('notPossible', say.limitsNotAgreed(open.length, open.slice(0, 5).join(', ')))
    const issued = dayOf(context.now())
    const document = { ...withoutMarks(book), revision: body.revision, issued }
    const faults = bookFaultLines(checkBook(document), unitsOf(family))
    if (faults.length > 0)
      throw new Refused(
        'notPossible',
        say.bookHasFaults(`${bookPlaceWords(document, faults[0]?.path ?? [])}: ${faults[0]?.says ?? ''}`),
        faults.map(({ path, says }) => ({ path: bookPlaceWords(document, path), message: says })),
      )
    await storeBook(db, bookSchema.parse(document), context.now(), body.id)
    await appendLog(db, context, {
      verb: 'book.issued',
      subject: `book ${id}`,
      detail: { book: id, revision: body.revision, from: book.revision },
    })
    return { revision: body.revision }
  })
}

/** Who worked on a draft since the family was last issued, and the names of limits that nobody has agreed to. */
export async function openPoints(db: Executor, book: LimitBook) {
  const limited = [...book.characteristics, ...book.fits].flatMap(({ name, limits, limitsBy = [] }) =>
    [...limits, ...limitsBy].flatMap(({ typed }) => (typed ? [{ name, typed }] : [])),
  )
  const logged = await draftersOf(db, book.id)
  const typists = new Set(limited.map(({ typed }) => typed.by))
  return {
    drafters: [...new Set([...logged.map(({ name }) => name), ...typists])],
    // A name may have changed since: whoever it was is told by their id, and where only a name is left, by that.
    hasWorked: ({ id, name }: Context['user']): boolean => logged.some((one) => one.id === id) || typists.has(name),
    open: [...new Set(limited.filter(({ typed }) => typed.check?.agrees !== true).map(({ name }) => name))],
  }
}
