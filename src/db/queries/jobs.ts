/** Jobs, what was confirmed, decided and reviewed of them, and word of a change to whoever listens. */
import { and, asc, desc, eq, isNotNull, lt, or, sql } from 'drizzle-orm'
import type { Executor } from '../client'
import { decision, job, jobEntry, limitBook, machine, report, reviewEvent, stepConfirmation, user } from '../schema'
import { nameOf } from './person'

/** A job with its machine, book document (null where it has none) and the name of who opened it; undefined when there is no job. */
export async function findJob(db: Executor, id: string) {
  const rows = await db
    .select({ job, machine, book: limitBook.document, openedBy: nameOf(job.byName) })
    .from(job)
    .innerJoin(machine, eq(machine.id, job.machineId))
    .leftJoin(limitBook, and(eq(limitBook.id, job.bookId), eq(limitBook.revision, job.bookRevision)))
    .innerJoin(user, eq(user.id, job.openedBy))
    .where(eq(job.id, id))
  return rows[0]
}

/**
 * Takes the lock under which a job is written: everyone who adds to a job, sends, returns or signs it waits here, so
 * what is checked still holds when it is stored. Undefined when there is no such job.
 */
export async function lockJob(db: Executor, id: string): Promise<{ readonly practice: boolean } | undefined> {
  const rows = await db.select({ practice: job.practice }).from(job).where(eq(job.id, id)).for('update')
  return rows[0]
}

export function confirmationsOf(db: Executor, jobId: string) {
  return db
    .select({ confirmation: stepConfirmation, by: nameOf(stepConfirmation.byName) })
    .from(stepConfirmation)
    .innerJoin(user, eq(user.id, stepConfirmation.confirmedBy))
    .where(eq(stepConfirmation.jobId, jobId))
    .orderBy(asc(stepConfirmation.confirmedAt), asc(stepConfirmation.id))
}

export function decisionsOf(db: Executor, jobId: string) {
  return db
    .select({ decision, by: nameOf(decision.byName) })
    .from(decision)
    .innerJoin(user, eq(user.id, decision.decidedBy))
    .where(eq(decision.jobId, jobId))
    .orderBy(asc(decision.decidedAt), asc(decision.id))
}

export function reviewOf(db: Executor, jobId: string) {
  return db
    .select({ event: reviewEvent, by: nameOf(reviewEvent.byName) })
    .from(reviewEvent)
    .innerJoin(user, eq(user.id, reviewEvent.actedBy))
    .where(eq(reviewEvent.jobId, jobId))
    .orderBy(asc(reviewEvent.actedAt), asc(reviewEvent.id))
}

/** Earlier jobs of a machine that are signed or were taken over from elsewhere, by running hours. */
/** Jobs before this one. Where nothing is counted all stand at 0, and the day says which came first. */
export function earlierSignedJobs(
  db: Executor,
  machineId: string,
  before: { readonly hours: number; readonly day: string; readonly isCounted: boolean },
) {
  return db
    .select({ job })
    .from(job)
    .leftJoin(report, eq(report.jobId, job.id))
    .where(
      and(
        eq(job.machineId, machineId),
        before.isCounted ? lt(job.runningHours, before.hours) : lt(job.openedOn, before.day),
        or(isNotNull(report.id), isNotNull(job.importedFrom)),
      ),
    )
    .orderBy(asc(job.runningHours), asc(job.openedOn))
}

/** Every job, newest first, with its machine. */
export const allJobs = (db: Executor) =>
  db
    .select({
      job,
      machine,
      reportId: report.id,
      ended: sql<boolean>`EXISTS (SELECT 1 FROM ${reviewEvent} WHERE ${reviewEvent.jobId} = ${job.id} AND ${reviewEvent.kind} = 'ended')`,
    })
    .from(job)
    .innerJoin(machine, eq(machine.id, job.machineId))
    .leftJoin(report, eq(report.jobId, job.id))
    .orderBy(asc(machine.station), asc(machine.name), desc(job.runningHours))

/** What must be known of a job before something is stored in it, under its lock; undefined when there is no such job. */
export async function lockForReading(db: Executor, jobId: string) {
  const rows = await db
    .select({
      bookId: job.bookId,
      bookRevision: job.bookRevision,
      level: job.level,
      units: machine.units,
      importedFrom: job.importedFrom,
      practice: job.practice,
      signed: sql<boolean>`EXISTS (SELECT 1 FROM ${report} WHERE ${report.jobId} = ${job.id})`,
      review: sql<
        string | null
      >`(SELECT ${reviewEvent.kind} FROM ${reviewEvent} WHERE ${reviewEvent.jobId} = ${job.id} ORDER BY ${reviewEvent.actedAt} DESC, ${reviewEvent.id} DESC LIMIT 1)`,
      confirmedSafe: sql<boolean>`EXISTS (SELECT 1 FROM ${stepConfirmation} WHERE ${stepConfirmation.jobId} = ${job.id} AND ${stepConfirmation.step} = 'makeSafe')`,
      lastSeq: sql<string | null>`(SELECT max(${jobEntry.seq}) FROM ${jobEntry} WHERE ${jobEntry.jobId} = ${job.id})`,
    })
    .from(job)
    .innerJoin(machine, eq(machine.id, job.machineId))
    .where(eq(job.id, jobId))
    .for('update', { of: job })
  return rows[0]
}

/** Channel on which every server of this database hears that something was added to a job. */
export const JOB_CHANNEL = 'medida_job'

/** Says that something was added to a job; of a reading, which. */
export const announce = (db: Executor, jobId: string, readingId?: string) =>
  db.execute(sql`SELECT pg_notify(${JOB_CHANNEL}, ${readingId === undefined ? jobId : `${jobId} ${readingId}`})`)

/** Jobs of a machine, oldest first, with the report of those that are signed. */
export const jobsOf = (db: Executor, machineId: string) =>
  db
    .select({ job, reportId: report.id })
    .from(job)
    .leftJoin(report, eq(report.jobId, job.id))
    .where(eq(job.machineId, machineId))
    .orderBy(asc(job.openedOn), asc(job.runningHours))

type New<T extends { readonly $inferInsert: unknown }> = T['$inferInsert']

export const storeJob = (db: Executor, row: New<typeof job>) => db.insert(job).values(row)

/** Whether a job has this id. */
export const isJob = async (db: Executor, id: string): Promise<boolean> =>
  (await db.select({ id: job.id }).from(job).where(eq(job.id, id))).length > 0

export async function confirmationById(db: Executor, id: string) {
  const rows = await db.select().from(stepConfirmation).where(eq(stepConfirmation.id, id))
  return rows[0]
}
export const storeConfirmation = (db: Executor, row: New<typeof stepConfirmation>) => db.insert(stepConfirmation).values(row)

export async function decisionById(db: Executor, id: string) {
  const rows = await db.select().from(decision).where(eq(decision.id, id))
  return rows[0]
}
export const storeDecision = (db: Executor, row: New<typeof decision>) => db.insert(decision).values(row)

export async function reviewStepById(db: Executor, id: string) {
  const rows = await db.select().from(reviewEvent).where(eq(reviewEvent.id, id))
  return rows[0]
}
export const storeReviewStep = (db: Executor, row: New<typeof reviewEvent>) => db.insert(reviewEvent).values(row)
