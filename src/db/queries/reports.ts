/** Signed reports. */
import { and, asc, desc, eq, sql } from 'drizzle-orm'
import type { Executor } from '../client'
import { report, reviewEvent } from '../schema'

export async function reportOfJob(db: Executor, jobId: string) {
  const rows = await db.select({ id: report.id }).from(report).where(eq(report.jobId, jobId))
  return rows[0]
}

export async function findReport(db: Executor, id: string) {
  const rows = await db.select().from(report).where(eq(report.id, id))
  return rows[0]
}

/** The machine's report with this place in its chain. */
export async function findReportAt(db: Executor, machineId: string, sequence: number) {
  const rows = await db
    .select()
    .from(report)
    .where(and(eq(report.machineId, machineId), eq(report.sequence, sequence)))
  return rows[0]
}

/** The machine's latest signature; the next one is chained to it. */
export async function lastReport(db: Executor, machineId: string) {
  const rows = await db.select().from(report).where(eq(report.machineId, machineId)).orderBy(desc(report.sequence)).limit(1)
  return rows[0]
}

/** Every signed report without its text, machine by machine, in the order of their chains; the hash is that of the text now. */
export const reportChains = (db: Executor) =>
  db
    .select({
      id: report.id,
      jobId: report.jobId,
      machineId: report.machineId,
      sequence: report.sequence,
      sha256: sql<string>`encode(sha256(convert_to(${report.canonical}, 'UTF8')), 'hex')`,
      signedAt: report.signedAt,
      publicKey: report.publicKey,
    })
    .from(report)
    .orderBy(asc(report.machineId), asc(report.sequence))

export type ChainedReport = Awaited<ReturnType<typeof reportChains>>[number]

/** Jobs that somebody signed, by their review events. */
export async function signedJobs(db: Executor): Promise<string[]> {
  const rows = await db.selectDistinct({ jobId: reviewEvent.jobId }).from(reviewEvent).where(eq(reviewEvent.kind, 'signed'))
  return rows.map(({ jobId }) => jobId)
}

export const storeReport = (db: Executor, row: typeof report.$inferInsert) => db.insert(report).values(row)
