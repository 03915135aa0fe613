import type { LimitBook } from '../../core/book/bookSchema'
import { FULL } from '../../core/kit/composition'
import type { Executor } from '../../db/client'
import { giveJobBook, storeBook } from '../../db/queries/books'
import { announce, lockJob } from '../../db/queries/jobs'
import { say } from '../../labels/refusals'
import { type Family, nextDraft } from '../books/family'
import type { Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { buildJobView } from '../jobs/jobView'
import type { MachineJob } from '../jobs/openJob'

interface NextDraft {
  readonly family: Family | null
  readonly made: LimitBook
  /** The change that made it: sent twice, it makes one draft. */
  readonly changeId: string
  /** Machines whose open jobs are measured against it from now on. */
  readonly machines: readonly { readonly id: string; readonly jobs: readonly MachineJob[] }[]
}

/**
 * Stores the next draft of a family. Jobs that are open on a draft of it are measured against this one from now on; what was
 * measured or decided in them cannot be taken out.
 */
export async function storeNextDraft(
  context: Context,
  db: Executor,
  { family, made, changeId, machines }: NextDraft,
): Promise<LimitBook> {
  const document = { ...made, revision: nextDraft(family), issued: null }
  await storeBook(db, document, context.now(), changeId)
  const issued = new Set(family?.revisions.filter((one) => one.issued !== null).map(({ revision }) => revision))
  const open = machines.flatMap(({ jobs }) => jobs.filter((one) => follows(one, made, issued)))
  for (const { job } of open) await bringAlong(context, db, job, document)
  return document
}

/** A job that is measured against this draft, or without a book yet; one on an issued revision stays with it. */
const follows = ({ job, reportId }: MachineJob, { id }: LimitBook, issued: ReadonlySet<string>): boolean =>
  reportId === null &&
  job.importedFrom === null &&
  (job.bookId === null || (job.bookId === id && !issued.has(job.bookRevision ?? '')))

/** An open job takes the new draft over, unless something recorded in it would name what is there no more. */
async function bringAlong(context: Context, db: Executor, job: MachineJob['job'], book: LimitBook): Promise<void> {
  await lockJob(db, job.id)
  const { record } = await buildJobView(context, db, job.id)
  const measured = new Set(record.job.readings.map(({ characteristic }) => characteristic))
  const typed = new Set(record.book.characteristics.filter((one) => one.typed).map(({ id }) => id))
  const has = new Set(book.characteristics.map(({ id }) => id))
  // A draft that was made of what is typed in this job: the job goes on with what it typed.
  if ([...typed].some((id) => has.has(id))) return
  const lost = record.book.characteristics.find(({ id }) => measured.has(id) && !typed.has(id) && !has.has(id))
  if (lost) throw new Refused('notPossible', say.measuredStays(lost.name, job.title))
  const parts = new Set([...book.parts, ...record.book.parts.filter((part) => part.typed)].map(({ id }) => id))
  const decided = record.decisions.find(({ part }) => !parts.has(part))
  if (decided) throw new Refused('notPossible', say.decidedStays(nameOfPart(record.book, decided.part), job.title))
  await giveJobBook(db, job.id, { bookId: book.id, bookRevision: book.revision, level: job.level ?? FULL })
  try {
    await buildJobView(context, db, job.id)
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    throw new Refused('notPossible', say.jobHoldsIt(job.title))
  }
  await announce(db, job.id)
}

const nameOfPart = ({ parts }: LimitBook, id: string): string => parts.find((part) => part.id === id)?.name ?? id
