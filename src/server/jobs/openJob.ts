import { dayOf } from '../../clock/clock'
import type { OpenJobView } from '../../contract/answers'
import type { OpenJobBody } from '../../contract/bodies'
import { daysBetween } from '../../core/base/day'
import type { LimitBook } from '../../core/book/bookSchema'
import { checkHours, type HoursEntry } from '../../core/notes/runningHours'
import { policySchema } from '../../core/policy/policySchema'
import { DAY_ZERO, isRead, type Meter } from '../../core/quantity/meter'
import { levelOf } from '../../core/scope/need'
import { hoursFaultWords, hoursQuestion } from '../../core/words/hours'
import { ranAtWords } from '../../core/words/meter'
import type { Executor } from '../../db/client'
import { latestBook } from '../../db/queries/books'
import { decisionsOf, isJob, jobsOf, storeJob } from '../../db/queries/jobs'
import { appendLog } from '../../db/queries/log'
import { findMachine, hoursOf, lockMachine, storeHours } from '../../db/queries/machines'
import { say } from '../../labels/refusals'
import { issuedBook } from '../books/issuedBook'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { sees } from '../people/roles'
import { canonicalJson } from '../reports/canonical'
import { machineInRecord } from './machineInRecord'

/** What the page for opening a job on a machine shows. */
export async function openJobView(context: Context, machineId: string): Promise<OpenJobView> {
  authorise(context, 'read')
  const { db } = context
  const { machine, book, jobs } = await machineOf(db, machineId)
  if (!sees(context.user, machine.station)) throw new Refused('notFound', say.thereNoMachine(machineId))
  const last = jobs.filter(({ job }) => !job.practice).at(-1)
  const open = jobs.find(isOpen)
  return {
    machine: machineInRecord(machine),
    book: book && { id: book.id, title: book.title, revision: book.revision, draft: book.issued === null },
    levels: (book?.levels ?? []).map(({ id, name, about, gate, measures }) => ({
      id,
      name,
      about,
      gate: gate !== null,
      measures: measures === 'all' ? (book?.characteristics.length ?? 0) : measures.length,
    })),
    hoursLog: await hoursLog(db, machineId),
    lastPolicy: policySchema.safeParse(last?.job.policy).data ?? null,
    lastMustRunHours: last?.job.mustRunHours ?? null,
    openJob: open ? { id: open.job.id, title: open.job.title } : null,
    today: dayOf(context.now()),
  }
}

/** Opens a job: level, hours checked against the log, reason, complaint, dates and policy. */
export async function openJob(context: Context, machineId: string, body: OpenJobBody): Promise<{ id: string; stored: boolean }> {
  authorise(context, 'plan')
  return context.db.transaction(async (db) => {
    await lockMachine(db, machineId)
    const { machine, book, jobs } = await machineOf(db, machineId)
    const known = jobs.find(({ job: candidate }) => candidate.id === body.id)
    if (known) {
      refuseAnotherJob(known.job, { ...body, ...counted(body, machine.meter) })
      return { id: body.id, stored: false }
    }
    if (await isJob(db, body.id)) throw new Refused('conflict', say.anotherMachineHas)
    const open = body.practice ? undefined : jobs.find(isOpen)
    if (open) throw new Refused('conflict', say.hasOpenJob(machine.name, open.job.title))
    const level = book && levelOf(book, body.level)
    if (!level && (body.level !== null || (book?.levels ?? []).length > 0))
      throw new Refused('notFound', say.limitBookHasNoInspection(body.level ?? ''))
    const today = dayOf(context.now())
    checkDates(body, today)
    const { runningHours, mustRunHours, starts } = counted(body, machine.meter)
    if (!body.practice && isRead(machine.meter)) checkMeter(await hoursLog(db, machineId), body, machine.meter)
    const name = level?.name ?? say.overhaul
    const called = body.practice ? say.practiceOf(name) : name
    const title = isRead(machine.meter)
      ? say.overhaulAt(called, ranAtWords(runningHours, machine.meter))
      : say.overhaulOf(called, today)
    await storeJob(db, {
      id: body.id,
      machineId,
      bookId: book?.id ?? null,
      bookRevision: book?.revision ?? null,
      title,
      reason: body.reason,
      openedOn: today,
      openedBy: context.user.id,
      byName: context.user.name,
      runningHours,
      mustRunHours,
      starts,
      level: body.level,
      complaint: body.complaint,
      returnBy: body.returnBy,
      policy: body.policy,
      installed: await installedNow(db, jobs),
      practice: body.practice,
    })
    if (!body.practice && isRead(machine.meter))
      await storeHours(db, {
        id: body.id,
        machineId,
        hours: body.runningHours,
        readOn: body.readOn,
        readBy: context.user.id,
        note: body.hoursNote ?? '',
        notedAt: context.now(),
      })
    await appendLog(db, context, {
      verb: 'job.opened',
      subject: body.id,
      detail: {
        machine: machineId,
        level: body.level,
        runningHours,
        ...(body.practice ? { practice: true } : {}),
      },
    })
    return { id: body.id, stored: true }
  })
}

/** The same id must be the same job, sent again. */
function refuseAnotherJob(known: MachineJob['job'], body: OpenJobBody): void {
  const [then, now] = [known, body].map(
    ({ level, runningHours, reason, complaint, returnBy, mustRunHours, starts, policy, practice }) =>
      canonicalJson({ level, runningHours, reason, complaint, returnBy, mustRunHours, starts, policy, practice }),
  )
  if (then !== now) throw new Refused('conflict', say.anotherJobId)
}

export type MachineJob = Awaited<ReturnType<typeof jobsOf>>[number]

export const isOpen = ({ job: { importedFrom, practice }, reportId }: MachineJob): boolean =>
  reportId === null && importedFrom === null && !practice

export async function machineOf(db: Executor, machineId: string) {
  const machine = await findMachine(db, machineId)
  if (!machine) throw new Refused('notFound', say.thereNoMachine(machineId))
  const jobs = await jobsOf(db, machineId)
  const bookId = machine.bookId ?? jobs.at(-1)?.job.bookId
  const stored = bookId ? await latestBook(db, bookId) : undefined
  const book: LimitBook | null = stored ? issuedBook(stored.document, `${stored.id} ${stored.revision}`) : null
  return { machine, book, jobs }
}

/** The machine's hours as far as anybody noted them: the meter log and the jobs. */
export async function hoursLog(db: Executor, machineId: string) {
  const [meter, jobs] = [await hoursOf(db, machineId), await jobsOf(db, machineId)]
  const noted = new Set(meter.map(({ id }) => id))
  return [
    ...meter.map(({ readOn, hours, note }) => ({ date: readOn, hours, where: note === '' ? 'meter' : `meter: ${note}` })),
    ...jobs
      .filter(({ job: { id, practice } }) => !noted.has(id) && !practice)
      .map(({ job: { openedOn, runningHours, title } }) => ({ date: openedOn, hours: runningHours, where: title })),
  ].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.hours - b.hours))
}

function checkDates(body: OpenJobBody, today: string): void {
  const refuse = (path: string, message: string): never => {
    throw new Refused('malformed', message, [{ path, message }])
  }
  if (body.readOn > today) refuse('readOn', say.meterCannotHave(body.readOn, today))
  if (body.returnBy !== null && body.returnBy < today) refuse('returnBy', say.returnDatePast(body.returnBy, today))
}

/** What is counted: by dates the day itself, and nothing where nobody counts. */
function counted({ runningHours, mustRunHours, starts, readOn }: OpenJobBody, meter: Meter) {
  switch (meter) {
    case 'days':
      return { runningHours: daysBetween(DAY_ZERO, readOn), mustRunHours, starts }
    case 'none':
      return { runningHours: 0, mustRunHours: 0, starts }
    case 'starts':
      return { runningHours, mustRunHours, starts: runningHours }
    default:
      return { runningHours, mustRunHours, starts }
  }
}

function checkMeter(log: readonly HoursEntry[], body: OpenJobBody, meter: Meter): void {
  const checked = checkHours(log, { date: body.readOn, hours: body.runningHours }, meter === 'hours' ? undefined : Infinity)
  const refuse = (message: string): never => {
    throw new Refused('malformed', message, [{ path: 'runningHours', message }])
  }
  if (!checked.ok) refuse(hoursFaultWords(checked.fault, body.runningHours, meter))
  else if (checked.value.kind === 'jump' && body.hoursNote === null) {
    const message = say.sayWhyThen(hoursQuestion(checked.value, body.runningHours, meter))
    throw new Refused('malformed', message, [{ path: 'hoursNote', message }])
  }
}

/** Marks of what is fitted now: those of the last job, without the parts it replaced, which have no mark on record yet. */
export async function installedNow(db: Executor, jobs: Awaited<ReturnType<typeof jobsOf>>): Promise<Record<string, string>> {
  const last = jobs.filter((one) => !isOpen(one) && !one.job.practice).at(-1)?.job
  if (!last) return {}
  const installed = { ...(last.installed as Record<string, string>) }
  const standing = new Map((await decisionsOf(db, last.id)).map(({ decision }) => [decision.part, decision.decided]))
  for (const [part, decided] of standing) if (decided === 'replace') delete installed[part]
  return installed
}
