import type { DraftView } from '../../contract/answers'
import type { DraftChange, DraftChangeBody } from '../../contract/bodies'
import { err, type Result } from '../../core/base/result'
import { bookSchema, type LimitBook } from '../../core/book/bookSchema'
import { faultsOf } from '../../core/book/faults'
import { changed } from '../../core/kit/change'
import { emptyComposition } from '../../core/kit/composition'
import { type RowFault, type SheetPlace, withCheck, withRow, withWant } from '../../core/kit/limitSheet'
import { withRoute } from '../../core/kit/withRoute'
import { withSetting } from '../../core/kit/withSetting'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { additionFaultWords } from '../../core/words/additions'
import { typedBookTitle } from '../../core/words/books'
import { issueWords } from '../../core/words/issues'
import { bookFaultWords } from '../../core/words/recordFaults'
import type { Executor } from '../../db/client'
import { draftOfChange, giveBook, lockBook } from '../../db/queries/books'
import { appendLog, namesOn } from '../../db/queries/log'
import { lockMachine, pagesOf } from '../../db/queries/machines'
import { composeFaultWords } from '../../labels/compose'
import { rowFaultWords } from '../../labels/limitSheet'
import { say } from '../../labels/refusals'
import { familyOf } from '../books/family'
import { bookOf } from '../books/issuedBook'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { machineInRecord } from '../jobs/machineInRecord'
import { isOpen, machineOf } from '../jobs/openJob'
import { sees } from '../people/roles'
import { storeNextDraft } from './nextDraft'

/** The draft of a machine's book as it stands, to be composed further. */
export async function draftView(context: Context, machineId: string): Promise<DraftView> {
  authorise(context, 'read')
  const { db } = context
  const { machine, book, jobs } = await machineOf(db, machineId)
  if (!sees(context.user, machine.station)) throw new Refused('notFound', say.thereNoMachine(machineId))
  const open = jobs.find(isOpen)
  const family = book && (await familyOf(db, book.id))
  const now = family?.draft ? await bookOf(db, family.id, family.draft) : book
  return {
    machine: machineInRecord(machine),
    book: now ?? emptyComposition(machine.id, typedBookTitle(machine.name)),
    revision: now?.revision ?? null,
    issued: now !== null && now.issued !== null,
    earlier: family?.revisions.map(({ revision }) => revision) ?? [],
    pages: await pagesOf(db, machine.id),
    openJob: open ? { id: open.job.id, title: open.job.title } : null,
  }
}

/**
 * Makes the next draft of a machine's book by one change. Jobs that are open on the draft before it are measured against
 * this one from now on; what was measured in them cannot be taken out. Sent twice, it is made once.
 */
export async function changeDraft(context: Context, machineId: string, body: DraftChangeBody): Promise<DraftView> {
  authorise(context, body.change.kind === 'check' ? 'check' : 'plan')
  await context.db.transaction(async (db) => {
    await lockMachine(db, machineId)
    if (await draftOfChange(db, body.id)) return
    const { machine, book, jobs } = await machineOf(db, machineId)
    const id = book?.id ?? emptyComposition(machine.id, '').id
    await lockBook(db, id)
    const family = await familyOf(db, id)
    const now = family?.draft ? await bookOf(db, id, family.draft) : book
    if (now !== null && now.issued !== null && body.change.kind !== 'begin')
      throw new Refused('notPossible', say.bookIssued(now.title, now.revision))
    if ((now?.revision ?? null) !== body.base) throw new Refused('conflict', say.draftChangedMeanwhile(now?.revision ?? ''))
    const before = now ?? emptyComposition(machine.id, typedBookTitle(machine.name))
    const made = checked(await applied(context, db, before, body.change, machine), machine.units)
    const { revision } = await storeNextDraft(context, db, {
      family,
      made,
      changeId: body.id,
      machines: [{ id: machine.id, jobs }],
    })
    await giveBook(db, machine.id, made.id)
    await appendLog(db, context, {
      verb: 'book.changed',
      subject: machineId,
      detail: { book: made.id, revision, change: body.change.kind },
    })
  })
  return draftView(context, machineId)
}

type Machine = Pick<DraftView['machine'], 'id' | 'units'>

async function applied(
  context: Context,
  db: Executor,
  book: LimitBook,
  change: DraftChange,
  machine: Machine,
): Promise<LimitBook> {
  const who = { by: context.user.name, at: context.now().toISOString() }
  switch (change.kind) {
    case 'begin':
      return book
    case 'back':
      return bookOf(db, book.id, change.revision)
    case 'limits':
      return eachRow(book, change.rows, (made, row) => withRow(made, row, machine.units, who), rowFaultWords)
    case 'want': {
      const made = withWant(book, change)
      if (!made.ok) throw new Refused('notPossible', rowFaultWords(made.fault))
      return made.value
    }
    case 'setting': {
      const made = withSetting(book, change, who)
      if (!made.ok) throw new Refused('notPossible', rowFaultWords(made.fault))
      return made.value
    }
    case 'route': {
      const made = withRoute(book, change, machine.units)
      if (!made.ok) throw new Refused('notPossible', made.fault.map(additionFaultWords).join(' '))
      return made.value
    }
    case 'check': {
      const names = await namesOn(db, machine.id, context.user.id)
      return eachRow(
        book,
        change.rows,
        (made, row) => {
          const done = withCheck(made, row, { ...who, names })
          return done.ok ? done : err([done.fault])
        },
        rowFaultWords,
      )
    }
    default: {
      const made = changed(book, change, machine.units)
      if (!made.ok) throw new Refused('notPossible', composeFaultWords(made.fault))
      return made.value
    }
  }
}

/** All rows or none; what is wrong with any of them is told at once. */
function eachRow<R extends SheetPlace>(
  book: LimitBook,
  rows: readonly R[],
  make: (book: LimitBook, row: R) => Result<LimitBook, readonly RowFault[]>,
  words: (fault: RowFault) => string,
): LimitBook {
  const issues: { path: string; message: string }[] = []
  let made = book
  rows.forEach((row, at) => {
    const next = make(made, row)
    if (next.ok) made = next.value
    else for (const fault of next.fault) issues.push({ path: `change.rows.${at}`, message: words(fault) })
  })
  const [first] = issues
  if (first) throw new Refused('notPossible', first.message, issues)
  return made
}

/** A draft may still want its limits; what it names must be in it. */
function checked(book: LimitBook, units: UnitSystem): LimitBook {
  const read = bookSchema.safeParse(book)
  const [fault] = read.success ? faultsOf(read.data) : []
  const [issue] = read.error?.issues ?? []
  if (!read.success) throw new Refused('notPossible', say.draftNotKept(issue ? issueWords(issue) : ''))
  if (fault) throw new Refused('notPossible', say.bookCanNever(bookFaultWords(fault.fault, units)))
  return read.data
}
