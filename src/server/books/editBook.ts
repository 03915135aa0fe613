import type { BookEditsBody } from '../../contract/bodies'
import type { BookEditView } from '../../contract/bookAnswers'
import { checkBook } from '../../core/book/checkBook'
import { withEdits } from '../../core/book/edits'
import { bookFields, bookLists } from '../../core/book/fields'
import { asTypedBy, plainBook } from '../../core/book/plainBook'
import { bookFaultLines } from '../../core/words/bookFile'
import { bookPlaceWords } from '../../core/words/bookPlaces'
import { draftOfChange, lockBook } from '../../db/queries/books'
import { appendLog } from '../../db/queries/log'
import { lockMachine } from '../../db/queries/machines'
import { say } from '../../labels/refusals'
import { storeNextDraft } from '../drafts/nextDraft'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { type MachineJob, machineOf } from '../jobs/openJob'
import { bookIn, familyOf, familySeen, unitsOf } from './family'
import { bookOf } from './issuedBook'

const MOST_FAULTS_TOLD = 500

/** What is written on next, in the units it is written in. */
export async function bookEditView(context: Context, id: string): Promise<BookEditView> {
  authorise(context, 'plan')
  const family = await familySeen(context, id, '')
  const revision = family.draft ?? family.latestIssued ?? ''
  return {
    book: await bookIn(context.db, family, revision),
    revision,
    units: unitsOf(family),
    lists: bookLists,
    about: bookFields,
  }
}

/**
 * Makes the next draft of a family by what was written in its latest one, or in what was issued last where nothing is
 * drafted: whole or not at all, with every fault at once.
 * Limits that say something else than before wait for a second person; so do those whose measurement is another one now.
 */
export async function editBook(
  context: Context,
  id: string,
  { id: changeId, base, edits }: BookEditsBody,
): Promise<{ revision: string }> {
  authorise(context, 'plan')
  return context.db.transaction(async (db) => {
    // Machines before their book, as everywhere.
    const { machines } = await familySeen({ ...context, db }, id, base)
    for (const machine of [...machines].sort((a, b) => (a.id < b.id ? -1 : 1))) await lockMachine(db, machine.id)
    await lockBook(db, id)
    const known = await draftOfChange(db, changeId)
    if (known) return { revision: known.revision }
    const family = await familyOf(db, id)
    if (!family) throw new Refused('notFound', say.thereNoLimit(id, base))
    const now = family.draft ?? family.latestIssued ?? ''
    if (now !== base) throw new Refused('conflict', say.draftChangedMeanwhile(now))
    const before = await bookOf(db, id, base)
    const written = withEdits(before, edits)
    const { book, ...found } = checkBook(written)
    if (book === null) {
      const lines = bookFaultLines(found, unitsOf(family)).map(({ path, says }) => ({
        path: bookPlaceWords(written, path),
        message: says,
      }))
      throw new Refused('notPossible', say.bookFileFaults(lines.length), lines.slice(0, MOST_FAULTS_TOLD))
    }
    const made = asTypedBy(plainBook(book), { by: context.user.name, at: context.now().toISOString() }, before)
    const uses: { id: string; jobs: readonly MachineJob[] }[] = []
    for (const machine of machines) uses.push({ id: machine.id, jobs: (await machineOf(db, machine.id)).jobs })
    const { revision } = await storeNextDraft(context, db, { family, made, changeId, machines: uses })
    await appendLog(db, context, { verb: 'book.changed', subject: `book ${id}`, detail: { book: id, revision, change: 'edit' } })
    return { revision }
  })
}
