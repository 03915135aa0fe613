import type { DraftBookAnswer } from '../../contract/answers'
import type { DraftBookBody } from '../../contract/bodies'
import { bookSchema } from '../../core/book/bookSchema'
import { faultsOf } from '../../core/book/faults'
import { withBeginning } from '../../core/kit/composition'
import { draftBook } from '../../core/notes/draftBook'
import { foldNotes } from '../../core/notes/fold'
import { isAddedHere } from '../../core/notes/steps'
import { additionsIn, typedIn } from '../../core/notes/typedBook'
import { draftFaultWords } from '../../core/words/noteFaults'
import { bookFaultWords } from '../../core/words/recordFaults'
import { booksOf, giveBook, lockBook, storeBook } from '../../db/queries/books'
import { lockJob } from '../../db/queries/jobs'
import { appendLog } from '../../db/queries/log'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { buildJobView } from '../jobs/jobView'
import { canonicalJson } from '../reports/canonical'

/**
 * Makes a draft limit book of what was typed and checked in a job. It adds nothing to the job, so a signed one can be drawn
 * on too. The same content again is the draft there is.
 */
export function makeDraftBook(context: Context, jobId: string, body: DraftBookBody): Promise<DraftBookAnswer> {
  authorise(context, 'note')
  return context.db.transaction(async (db) => {
    if (!(await lockJob(db, jobId))) throw new Refused('notFound', say.thereNoJob(jobId))
    const { record } = await buildJobView(context, db, jobId)
    const { book, job } = record
    // A machine without a book gets one of its own; a book that exists gets a draft of its next revision.
    const id = book.issued === null && book.revision === 'none' ? `book-${record.machine.id}`.slice(0, 80) : book.id
    await lockBook(db, id)
    const before = await booksOf(db, id)
    const drafts = before.filter(({ revision }) => /draft \d+$/.test(revision))
    const base = book.issued === null ? '' : `${book.revision.slice(0, 10).trim()} `
    const noted = foldNotes(book, job.entries)
    // Steps belong to a level: a machine that had no book gets the one that every composed machine has.
    const based = book.levels.length === 0 && noted.steps.some(isAddedHere) ? withBeginning(book) : book
    const make = (revision: string) =>
      draftBook(based, typedIn(job.entries), additionsIn(job.entries), noted, { id, title: body.title, revision })
    for (const { revision, document } of drafts) {
      const again = make(revision)
      if (again.ok && canonicalJson(bookSchema.parse(again.value)) === canonicalJson(bookSchema.parse(document)))
        return { id, revision, stored: false }
    }
    const revision = `${base}draft ${drafts.length + 1}`
    const made = make(revision)
    if (!made.ok) throw new Refused('notPossible', draftFaultWords(made.fault))
    const document = bookSchema.parse(made.value)
    const [fault] = faultsOf(document)
    if (fault) throw new Refused('notPossible', say.bookCanNever(bookFaultWords(fault.fault)))
    await storeBook(db, document, context.now())
    await giveBook(db, record.machine.id, id)
    await appendLog(db, context, { verb: 'book.drafted', subject: jobId, detail: { book: id, revision } })
    return { id, revision, stored: true }
  })
}
