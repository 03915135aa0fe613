import { LRUCache } from 'lru-cache'
import type { JobView, StoredEntry } from '../contract/answers'
import type { ConfirmableStep } from '../core/job/orderOfWork'
import { noBook } from '../core/record/noBook'
import { type InspectionRecord, recordSchema } from '../core/record/recordSchema'
import { withTyped } from '../core/work/typedBook'
import type { Executor } from '../db/client'
import { jobStamp } from '../db/queries/jobStamp'
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
import { issuedBook } from './issuedBook'
import { Refused } from './refused'
import { may } from './roles'

/** Everything the pages of a job show. */
export async function jobView(context: Context, jobId: string): Promise<JobView> {
  authorise(context, 'read')
  return buildJobView(context, context.db, jobId)
}

/** The same inside a transaction, before it writes: what it finds is kept for others, who must not see what may be rolled back. */
export async function buildJobView({ user: { role } }: Context, db: Executor, jobId: string): Promise<JobView> {
  return {
    ...(await jobFacts(db, jobId)),
    may: {
      measure: may(role, 'measure'),
      confirm: may(role, 'confirm'),
      decide: may(role, 'decide'),
      send: may(role, 'send'),
      review: may(role, 'review'),
      note: may(role, 'note'),
      plan: may(role, 'plan'),
      check: may(role, 'check'),
    },
  }
}

/** What everybody sees of a job. */
type JobFacts = Omit<JobView, 'may'>

/** Jobs this server has shown, each under the stamp it had: as long as that stands, nothing is read, checked or evaluated again. */
const shown = new LRUCache<string, { readonly stamp: string; readonly facts: JobFacts }>({
  max: 100,
  maxSize: 200_000,
  sizeCalculation: ({ facts: { record } }) => 1_000 + record.job.readings.length + record.job.entries.length,
})

async function jobFacts(db: Executor, jobId: string): Promise<JobFacts> {
  // Asked for before anything is read: what is added meanwhile makes the next stamp another one.
  const stamp = await jobStamp(db, jobId)
  if (stamp === undefined) throw new Refused('notFound', `There is no job “${jobId}”. Open one from the shop floor.`)
  const known = shown.get(jobId)
  if (known?.stamp === stamp) return known.facts
  const facts = await readFacts(db, jobId)
  shown.set(jobId, { stamp, facts })
  return facts
}

async function readFacts(db: Executor, jobId: string): Promise<JobFacts> {
  const found = await findJob(db, jobId)
  if (!found) throw new Error(`job ${jobId} has a stamp and is not there`)
  const entries = await entriesAfter(db, jobId, 0)
  return {
    title: found.job.title,
    reason: found.job.reason,
    openedBy: found.openedBy,
    record: await buildRecord(db, found, entries),
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
    importedFrom: found.job.importedFrom,
    lastSeq: entries.at(-1)?.seq ?? 0,
  }
}

type FoundJob = NonNullable<Awaited<ReturnType<typeof findJob>>>

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
  const limits = withTyped(
    job.bookId === null ? noBook(job.id, machine.name) : issuedBook(book, `${job.bookId} ${job.bookRevision}`),
    entries.map(({ entry }) => entry),
    machine.units,
  )
  const measurable = new Set(limits.characteristics.map(({ id }) => id))
  return recordSchema.parse({
    format: 'medida-record',
    version: 2,
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
    gauges: (await allGauges(db)).map(gaugeOfRow),
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

const numberOrNull = (text: string | null): number | null => (text === null ? null : Number(text))

/** A gauge of the store as the record has it. */
export const gaugeOfRow = ({ least, greatest, replaced, ...gauge }: Awaited<ReturnType<typeof allGauges>>[number]) => ({
  ...gauge,
  ...(replaced ? { replaced: true as const } : {}),
  range: least === null || greatest === null ? null : { least: Number(least), greatest: Number(greatest) },
  resolution: Number(gauge.resolution),
  maximumPermissibleError: Number(gauge.maximumPermissibleError),
  expansionPerK: numberOrNull(gauge.expansionPerK),
})

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
    kind: reading.kind,
    value: numberOrNull(reading.value),
    low: numberOrNull(reading.low),
    high: numberOrNull(reading.high),
    conditions: reading.conditions,
    gauge: reading.gaugeId,
    by,
    takenAt: reading.takenAt.toISOString(),
    supersedes: reading.supersedes,
    reason: reading.reason,
  }))
}
