import type { BookLineView, BookPage, BooksView, BookUse, ComparisonView } from '../../contract/bookAnswers'
import type { LimitBook } from '../../core/book/bookSchema'
import { checkBook } from '../../core/book/checkBook'
import { compareBooks } from '../../core/book/compare'
import { underBook } from '../../core/job/underBook'
import { bookFaultLines, bookWarningWords } from '../../core/words/bookFile'
import { bookPlaceWords } from '../../core/words/bookPlaces'
import type { Executor } from '../../db/client'
import { allRevisions, jobsWithBook } from '../../db/queries/books'
import { jobsOf } from '../../db/queries/jobs'
import { allMachines } from '../../db/queries/machines'
import { authorise, type Context } from '../edge/context'
import { buildJobView } from '../jobs/jobView'
import { isOpen } from '../jobs/openJob'
import { may, sees } from '../people/roles'
import { bookIn, type Family, familySeen, unitsOf } from './family'
import { openPoints } from './issueBook'

/** Every family of limit books that somebody sees, with its revisions and where it is used. */
export async function booksView(context: Context): Promise<BooksView> {
  authorise(context, 'read')
  const { db, user } = context
  const machines = (await allMachines(db)).filter(({ station }) => sees(user, station))
  const families = new Map<string, BookLineView['revisions'][number][]>()
  const titles = new Map<string, string>()
  for (const { id, revision, title, issued, storedAt, retired } of await allRevisions(db)) {
    families.set(id, [...(families.get(id) ?? []), { revision, issued, retired, storedAt: storedAt.toISOString() }])
    titles.set(id, title)
  }
  const books = [...families].map(
    ([id, revisions]): BookLineView => ({
      id,
      title: titles.get(id) ?? id,
      revisions,
      machines: machines.filter(({ bookId }) => bookId === id).map(({ id: own, name, station }) => ({ id: own, name, station })),
    }),
  )
  return {
    books: books.filter((book) => user.role !== 'visitor' || book.machines.length > 0),
    mayImport: may(user.role, 'plan'),
    machines: may(user.role, 'plan')
      ? machines.filter(({ bookId }) => bookId === null).map(({ id, name, station }) => ({ id, name, station }))
      : [],
  }
}

/** One revision of a book as it is read: with its family, where it is used, what is open on it, and what may be done. */
export async function bookPage(context: Context, id: string, revision: string | null): Promise<BookPage> {
  authorise(context, 'read')
  const { db, user } = context
  const family = await familySeen(context, id, revision ?? '')
  const shown = revision ?? family.draft ?? family.latestIssued ?? ''
  const book = await bookIn(db, family, shown)
  const checked = checkBook(book)
  const { drafters, open, hasWorked } = await openPoints(db, book)
  const isLatestDraft = shown === family.draft
  return {
    book,
    units: unitsOf(family),
    revisions: family.revisions.map(({ revision: name, issued, retired, storedAt }) => ({
      revision: name,
      issued,
      retired,
      storedAt: storedAt.toISOString(),
    })),
    retired: family.revisions.find((one) => one.revision === shown)?.retired ?? false,
    machines: family.machines.map(({ id: own, name, station }) => ({ id: own, name, station })),
    jobs: (await jobsWithBook(db, id))
      .filter(({ job, reportId }) => isOpen({ job, reportId }))
      .map(({ job }) => ({ id: job.id, title: job.title, machine: job.machineId, revision: job.bookRevision })),
    faults: bookFaultLines(checked, unitsOf(family)).map(({ path, says }) => ({ place: bookPlaceWords(book, path), says })),
    warnings: checked.warnings
      // Until it is checked, every limit of a draft waits: that is said once, with how many.
      .filter(({ warning }) => warning.code !== 'notChecked')
      .map(({ path, warning }) => ({ place: bookPlaceWords(book, path), says: bookWarningWords(warning) })),
    toCheck: open.length,
    drafters,
    isLatestDraft,
    may: {
      issue: isLatestDraft && may(user.role, 'check') && !hasWorked(user),
      change: may(user.role, 'plan'),
    },
  }
}

/** Stands for the book of another family that this one was started from. */
export const ORIGIN = 'origin'

/** Two revisions side by side: what changed, and what the later one would make of jobs that are open and of the last ones. */
export async function comparisonView(context: Context, id: string, from: string, to: string): Promise<ComparisonView> {
  authorise(context, 'read')
  const family = await familySeen(context, id, to)
  const after = await bookIn(context.db, family, to)
  const { startedFrom } = after
  const before =
    from === ORIGIN && startedFrom
      ? await bookIn(context.db, await familySeen(context, startedFrom.id, startedFrom.revision), startedFrom.revision)
      : await bookIn(context.db, family, from)
  return {
    from: before,
    to: after,
    units: unitsOf(family),
    revisions: family.revisions.map(({ revision }) => revision),
    hasOrigin: startedFrom !== undefined,
    changes: compareBooks(before, after),
    uses: await usesOf(context, family, after),
    mayUse: may(context.user.role, 'plan'),
  }
}

/** Open jobs and the last signed one of each machine, as the book would judge them. */
async function usesOf(context: Context, { machines }: Family, book: LimitBook): Promise<readonly BookUse[]> {
  const uses: BookUse[] = []
  for (const machine of machines) {
    const jobs = await jobsOf(context.db, machine.id)
    const open = jobs.find(isOpen)
    const last = jobs.findLast(({ job, reportId }) => !job.practice && reportId !== null)
    for (const [one, isLast] of [[open, false] as const, [last, true] as const])
      if (one) uses.push(await ofJob(context, context.db, { machine, jobId: one.job.id, isLast }, book))
  }
  return uses
}

async function ofJob(
  context: Context,
  db: Executor,
  { machine, jobId, isLast }: { machine: Family['machines'][number]; jobId: string; isLast: boolean },
  book: LimitBook,
): Promise<BookUse> {
  const { record, title } = await buildJobView(context, db, jobId)
  const { verdicts, lost } = underBook(record, book)
  return {
    machine: { id: machine.id, name: machine.name },
    job: { id: jobId, title, revision: record.book.revision },
    isLast,
    verdicts,
    lost,
  }
}
