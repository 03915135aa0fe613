import { dayOf } from '../../clock/clock'
import type { FittedLine, JobSummary, MachineView } from '../../contract/answers'
import { inOrderAlong } from '../../core/book/along'
import type { LimitBook } from '../../core/book/bookSchema'
import { evaluate } from '../../core/evaluate/evaluate'
import { countedToday, intervalUsed } from '../../core/job/interval'
import { type PartNow, partsNow } from '../../core/job/partsNow'
import { hasEnded, jobState } from '../../core/job/standing'
import { sheetRows } from '../../core/kit/limitSheet'
import { pagesOf } from '../../db/queries/machines'
import { say } from '../../labels/refusals'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { buildJobView } from '../jobs/jobView'
import { machineInRecord } from '../jobs/machineInRecord'
import { hoursLog, type MachineJob, machineOf } from '../jobs/openJob'
import { sees } from '../people/roles'

/** A machine as it stands: its tree with marks, hours, last verdicts and what is due; its jobs, hours and book. */
export async function machineView(context: Context, machineId: string): Promise<MachineView> {
  authorise(context, 'read')
  const { db } = context
  const { machine, book, jobs } = await machineOf(db, machineId)
  if (!sees(context.user, machine.station)) throw new Refused('notFound', say.thereNoMachine(machineId))
  const log = await hoursLog(db, machineId)
  const today = dayOf(context.now())
  const hours = countedToday(machine.meter, today)[0]?.hours ?? log.at(-1)?.hours ?? null
  const counted = jobs.filter(({ job }) => !job.practice)
  const ended = counted.filter(isOver).at(-1)?.job
  const latest = counted.at(-1)
  const { shown, now, states } = latest
    ? await fromJobs(context, latest, counted.filter(isOver).at(-1), hours)
    : { shown: book, now: [], states: new Map<string, JobSummary['state']>() }
  const used = intervalUsed(
    [...log.map(({ date, hours: at }) => ({ on: date, hours: at })), ...countedToday(machine.meter, today)],
    ended && machine.meter !== 'none' ? { hours: ended.runningHours, mustRun: ended.mustRunHours } : null,
    today,
  )
  return {
    machine: machineInRecord(machine),
    hours,
    intervalUsed: used?.used ?? null,
    fitted: shown === null ? [] : fittedLines(shown, now),
    jobs: [...jobs].reverse().map(({ job, reportId }) => ({
      id: job.id,
      title: job.title,
      openedOn: job.openedOn,
      runningHours: job.runningHours,
      state: states.get(job.id) ?? (reportId !== null ? 'signed' : job.importedFrom !== null ? 'imported' : 'open'),
      reportId,
      practice: job.practice,
    })),
    hoursLog: [...log].reverse(),
    pages: await pagesOf(db, machine.id),
    book: book && {
      id: book.id,
      title: book.title,
      revision: book.revision,
      draft: book.issued === null,
      documents: book.documents,
      limits: limitsOf(book),
    },
  }
}

const isOver = ({ job, reportId }: MachineJob): boolean => reportId !== null || job.importedFrom !== null

/** What the latest job knows of the machine, with the book it was measured against; and what the one before it said. */
async function fromJobs(context: Context, latest: MachineJob, over: MachineJob | undefined, hours: number | null) {
  const { book, state, now } = await fromJob(context, latest, hours)
  const before = over && over !== latest ? (await fromJob(context, over, hours)).now : []
  return {
    shown: book,
    // What is being looked at now and not settled yet stands as the last overhaul left it.
    now: now.map((one) => {
      const then = before.find(({ part }) => part === one.part)
      return then && one.last.decided === null && one.last.verdict === 'hold' ? { ...one, last: then.last, due: then.due } : one
    }),
    states: new Map([[latest.job.id, state]]),
  }
}

async function fromJob(context: Context, { job }: MachineJob, hours: number | null) {
  const view = await buildJobView(context, context.db, job.id)
  const state = jobState(view)
  const now = partsNow(view.record, evaluate(view.record), {
    hoursNow: Math.max(hours ?? 0, job.runningHours),
    ended: hasEnded(state),
  })
  return { book: view.record.book, state, now }
}

function limitsOf(book: LimitBook): { there: number; of: number; toCheck: number } {
  const rows = sheetRows(book)
  const count = (...states: readonly string[]): number => rows.filter(({ state }) => states.includes(state)).length
  return { there: rows.length - count('empty'), of: rows.length, toCheck: count('typed', 'differs') }
}

/** Positions in the order of the tree, then parts that sit at none. */
function fittedLines(book: LimitBook, now: readonly PartNow[]): FittedLine[] {
  const of = new Map(now.map((one) => [one.part, one]))
  const lines: FittedLine[] = []
  const walk = (parent: string | null, depth: number): void => {
    for (const { id, name, count, part } of inOrderAlong(
      book.positions.filter((one) => one.parent === parent),
      ({ along }) => along,
    )) {
      lines.push({ id, depth, name, count, now: part === null ? null : (of.get(part) ?? null) })
      walk(id, depth + 1)
    }
  }
  walk(null, 0)
  const placed = new Set(book.positions.map(({ part }) => part))
  const assemblies = [...new Set(book.parts.filter(({ id }) => !placed.has(id)).map(({ assembly }) => assembly))]
  for (const assembly of assemblies) {
    lines.push({ id: `assembly ${assembly}`, depth: 0, name: assembly, count: 1, now: null })
    for (const { id, name } of book.parts.filter((part) => part.assembly === assembly && !placed.has(part.id)))
      lines.push({ id, depth: 1, name, count: 1, now: of.get(id) ?? null })
  }
  return lines
}
