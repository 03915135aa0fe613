import { and, asc, desc, eq, gt, inArray, isNotNull, lt, or, sql } from 'drizzle-orm'
import type { Executor } from '../client'
import {
  decision,
  gauge,
  job,
  jobEntry,
  limitBook,
  machine,
  reading,
  report,
  reviewEvent,
  stepConfirmation,
  user,
} from '../schema'
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
 * what is checked still holds when it is stored. False when there is no such job.
 */
export async function lockJob(db: Executor, id: string): Promise<boolean> {
  const rows = await db.select({ id: job.id }).from(job).where(eq(job.id, id)).for('update')
  return rows.length > 0
}

/** Readings of a job in the order they were received, with the name of who took them. */
export function readingsOf(db: Executor, jobId: string) {
  return db
    .select({ reading, by: nameOf(reading.byName) })
    .from(reading)
    .innerJoin(user, eq(user.id, reading.takenBy))
    .where(eq(reading.jobId, jobId))
    .orderBy(asc(reading.receivedAt), asc(reading.id))
}

/** Ids of all readings of a job, in the same order. */
export async function readingIdsOf(db: Executor, jobId: string): Promise<string[]> {
  const rows = await db
    .select({ id: reading.id })
    .from(reading)
    .where(eq(reading.jobId, jobId))
    .orderBy(asc(reading.receivedAt), asc(reading.id))
  return rows.map(({ id }) => id)
}

/** Readings of a job that a server received after an instant, in the same order, with the name of who took them. */
export const readingsReceivedAfter = (db: Executor, jobId: string, after: Date) =>
  db
    .select({ reading, by: nameOf(reading.byName) })
    .from(reading)
    .innerJoin(user, eq(user.id, reading.takenBy))
    .where(and(eq(reading.jobId, jobId), gt(reading.receivedAt, after)))
    .orderBy(asc(reading.receivedAt), asc(reading.id))

/** These readings, with the name of who took them. */
export const readingsById = (db: Executor, ids: readonly string[]) =>
  db
    .select({ reading, by: nameOf(reading.byName) })
    .from(reading)
    .innerJoin(user, eq(user.id, reading.takenBy))
    .where(inArray(reading.id, [...ids]))

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

export async function reportOfJob(db: Executor, jobId: string) {
  const rows = await db.select({ id: report.id }).from(report).where(eq(report.jobId, jobId))
  return rows[0]
}

/** Earlier jobs of a machine that are signed or were taken over from elsewhere, by running hours. */
export function earlierSignedJobs(db: Executor, machineId: string, runningHours: number) {
  return db
    .select({ job })
    .from(job)
    .leftJoin(report, eq(report.jobId, job.id))
    .where(
      and(
        eq(job.machineId, machineId),
        lt(job.runningHours, runningHours),
        or(isNotNull(report.id), isNotNull(job.importedFrom)),
      ),
    )
    .orderBy(asc(job.runningHours))
}

export const allGauges = (db: Executor) => db.select().from(gauge).orderBy(asc(gauge.id))

/** Every job, newest first, with its machine. */
export const allJobs = (db: Executor) =>
  db
    .select({ job, machine, reportId: report.id })
    .from(job)
    .innerJoin(machine, eq(machine.id, job.machineId))
    .leftJoin(report, eq(report.jobId, job.id))
    .orderBy(asc(machine.station), asc(machine.name), desc(job.runningHours))

export const allMachines = (db: Executor) => db.select().from(machine).orderBy(asc(machine.station), asc(machine.name))

/** What must be known of a job before something is stored in it, under its lock; undefined when there is no such job. */
export async function lockForReading(db: Executor, jobId: string) {
  const rows = await db
    .select({
      bookId: job.bookId,
      bookRevision: job.bookRevision,
      level: job.level,
      units: machine.units,
      importedFrom: job.importedFrom,
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

export interface ReadingPlace {
  readonly characteristic: string
  readonly stage: 'asFound' | 'afterWork' | 'asLeft'
  readonly station: string
  readonly direction: string
  readonly repeat: number
}

/** Everything ever read at one place of a job, with who read it. */
export function readingsAt(db: Executor, jobId: string, place: ReadingPlace) {
  return db
    .select({ reading, by: nameOf(reading.byName) })
    .from(reading)
    .innerJoin(user, eq(user.id, reading.takenBy))
    .where(
      and(
        eq(reading.jobId, jobId),
        eq(reading.characteristic, place.characteristic),
        eq(reading.stage, place.stage),
        eq(reading.station, place.station),
        eq(reading.direction, place.direction),
        eq(reading.repeat, place.repeat),
      ),
    )
}

export async function findGauge(db: Executor, id: string) {
  const rows = await db.select().from(gauge).where(eq(gauge.id, id))
  return rows[0]
}

export async function bookDocument(db: Executor, id: string, revision: string): Promise<unknown> {
  const rows = await db
    .select({ document: limitBook.document })
    .from(limitBook)
    .where(and(eq(limitBook.id, id), eq(limitBook.revision, revision)))
  return rows[0]?.document
}
