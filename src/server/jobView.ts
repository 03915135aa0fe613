import type { JobView, StoredEntry } from '../contract/answers'
import type { ConfirmableStep } from '../core/job/orderOfWork'
import { bookSchema, type LimitBook } from '../core/record/bookSchema'
import { type InspectionRecord, recordSchema } from '../core/record/recordSchema'
import type { Executor } from '../db/client'
import {
  allGauges,
  confirmationsOf,
  decisionsOf,
  earlierSignedJobs,
  findJob,
  readingsOf,
  reportOfJob,
  reviewOf,
} from '../db/queries/jobs'
import { entriesAfter } from '../db/queries/work'
import { authorise, type Context } from './context'
import { Refused } from './refused'
import { may } from './roles'

/** Everything the pages of a job show. */
export async function jobView(context: Context, jobId: string): Promise<JobView> {
  authorise(context, 'read')
  return buildJobView(context, context.db, jobId)
}

/** The same inside a transaction. */
export async function buildJobView(context: Context, db: Executor, jobId: string): Promise<JobView> {
  const found = await findJob(db, jobId)
  if (!found) throw new Refused('notFound', `There is no job “${jobId}”. Open one from the shop floor.`)
  const entries = await entriesAfter(db, jobId, 0)
  const record = await buildRecord(db, found, entries)
  const { role } = context.user
  return {
    title: found.job.title,
    reason: found.job.reason,
    openedBy: found.openedBy,
    record,
    confirmations: (await confirmationsOf(db, jobId)).map(({ confirmation, by }) => ({
      step: confirmation.step as ConfirmableStep,
      by,
      at: confirmation.confirmedAt.toISOString(),
      note: confirmation.note,
    })),
    review: (await reviewOf(db, jobId)).map(({ event, by }) => ({
      kind: event.kind,
      by,
      at: event.actedAt.toISOString(),
      note: event.note,
    })),
    reportId: (await reportOfJob(db, jobId))?.id ?? null,
    lastSeq: entries.at(-1)?.seq ?? 0,
    may: {
      measure: may(role, 'measure'),
      confirm: may(role, 'confirm'),
      decide: may(role, 'decide'),
      send: may(role, 'send'),
      review: may(role, 'review'),
      note: may(role, 'note'),
      plan: may(role, 'plan'),
    },
  }
}

type FoundJob = NonNullable<Awaited<ReturnType<typeof findJob>>>

const books = new Map<string, LimitBook>()
/** Enough for the machines that one server shows; the oldest goes first. */
const BOOKS_KEPT = 50

/** A book revision never changes once it is issued, so it is checked once by each server. */
function issuedBook(document: unknown, revision: string): LimitBook {
  const known = books.get(revision)
  if (known) return known
  const book = bookSchema.parse(document)
  if (books.size >= BOOKS_KEPT) books.delete(books.keys().next().value ?? '')
  books.set(revision, book)
  return book
}

/** The inspection record of a job as stored; a record the schema refuses is a fault of the store, not of the person. */
async function buildRecord(
  db: Executor,
  { job, machine, book }: FoundJob,
  entries: readonly StoredEntry[],
): Promise<InspectionRecord> {
  const earlier = await earlierSignedJobs(db, job.machineId, job.runningHours)
  const history = []
  // One after the other: inside a transaction there is one connection.
  for (const { job: past } of earlier)
    history.push({
      overhaul: past.title,
      date: past.openedOn,
      runningHours: past.runningHours,
      installed: past.installed,
      readings: await readingsInRecord(db, past.id),
    })
  const limits = issuedBook(book, `${job.bookId} ${job.bookRevision}`)
  const measurable = new Set(limits.characteristics.map(({ id }) => id))
  return recordSchema.parse({
    format: 'medida-record',
    version: 1,
    machine: { id: machine.id, station: machine.station, name: machine.name, units: machine.units },
    job: {
      id: job.id,
      overhaul: job.title,
      date: job.openedOn,
      runningHours: job.runningHours,
      mustRunHours: job.mustRunHours,
      installed: job.installed,
      level: job.level,
      complaint: job.complaint,
      returnBy: job.returnBy,
      policy: job.policy,
      entries: entries.map(({ entry }) => entry),
      readings: await readingsInRecord(db, job.id),
    },
    book: limits,
    gauges: (await allGauges(db)).map(({ leastMm, greatestMm, ...gauge }) => ({
      ...gauge,
      rangeMm: leastMm === null || greatestMm === null ? null : { least: Number(leastMm), greatest: Number(greatestMm) },
      resolutionMm: Number(gauge.resolutionMm),
      maximumPermissibleErrorMm: Number(gauge.maximumPermissibleErrorMm),
    })),
    // A later revision of the book may have dropped a characteristic that was measured before.
    history: history.map((overhaul) => ({
      ...overhaul,
      readings: overhaul.readings.filter((reading) => measurable.has(reading.characteristic)),
    })),
    decisions: (await decisionsOf(db, job.id)).map(({ decision, by }) => ({
      id: decision.id,
      part: decision.part,
      recommended: decision.recommended,
      decided: decision.decided,
      reason: decision.reason,
      by,
      at: decision.decidedAt.toISOString(),
    })),
  })
}

async function readingsInRecord(db: Executor, jobId: string) {
  return (await readingsOf(db, jobId)).map(({ reading, by }) => ({
    id: reading.id,
    characteristic: reading.characteristic,
    station: reading.station,
    direction: reading.direction,
    repeat: reading.repeat,
    stage: reading.stage,
    text: reading.text,
    defaultUnit: reading.defaultUnit,
    masterMm: reading.masterMm === null ? null : Number(reading.masterMm),
    valueMm: Number(reading.valueMm),
    gauge: reading.gaugeId,
    by,
    takenAt: reading.takenAt.toISOString(),
    supersedes: reading.supersedes,
    reason: reading.reason,
  }))
}
