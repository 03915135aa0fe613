import type { MachineBookBody } from '../../contract/bodies'
import { underBook } from '../../core/job/underBook'
import { levelOf } from '../../core/scope/need'
import { giveJobBook, lockBook, setMachineBook } from '../../db/queries/books'
import { announce, jobsOf, lockJob } from '../../db/queries/jobs'
import { appendLog } from '../../db/queries/log'
import { findMachine, lockMachine } from '../../db/queries/machines'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { buildJobView } from '../jobs/jobView'
import { isOpen } from '../jobs/openJob'
import { bookIn, familyOf } from './family'

/** Measures a machine against a book from now on; where it is asked for, the job that is open on it too, at this revision. */
export function takeIntoUse(context: Context, machineId: string, { book: id, revision, job: withJob }: MachineBookBody) {
  authorise(context, 'plan')
  return context.db.transaction(async (db) => {
    await lockMachine(db, machineId)
    const machine = await findMachine(db, machineId)
    if (!machine) throw new Refused('notFound', say.thereNoMachine(machineId))
    await lockBook(db, id)
    const family = await familyOf(db, id)
    if (!family) throw new Refused('notFound', say.thereNoLimit(id, revision))
    const book = await bookIn(db, family, revision)
    await setMachineBook(db, machineId, id)
    const open = (await jobsOf(db, machineId)).find(isOpen)
    if (withJob) {
      if (!open) throw new Refused('notPossible', say.noOpenJob(machine.name))
      await lockJob(db, open.job.id)
      const { record } = await buildJobView(context, db, open.job.id)
      const { lost } = underBook(record, book)
      const parts = new Set(book.parts.map((part) => part.id))
      const decided = record.decisions.filter(({ part }) => !parts.has(part)).map(({ part }) => nameIn(record.book.parts, part))
      if (lost.length + decided.length > 0)
        throw new Refused('notPossible', say.jobCannotTake(open.job.title, [...lost, ...decided].slice(0, 5).join(', ')))
      const level = (levelOf(book, open.job.level) ?? book.levels[0])?.id ?? null
      await giveJobBook(db, open.job.id, { bookId: id, bookRevision: revision, level })
      try {
        await buildJobView(context, db, open.job.id)
      } catch (error) {
        if (!(error instanceof Refused)) throw error
        throw new Refused('notPossible', say.jobHoldsIt(open.job.title))
      }
      await announce(db, open.job.id)
    }
    await appendLog(db, context, {
      verb: 'book.taken',
      subject: machineId,
      detail: { book: id, revision, job: withJob ? (open?.job.id ?? null) : null },
    })
    return { book: id, revision }
  })
}

const nameIn = (parts: readonly { readonly id: string; readonly name: string }[], id: string): string =>
  parts.find((part) => part.id === id)?.name ?? id
