/** Machines, their hours, and what was taken over of their past. */
import { and, asc, eq, like, sql } from 'drizzle-orm'
import type { Executor } from '../client'
import { documentPage, job, machine, machineHours, reading } from '../schema'

export const allMachines = (db: Executor) => db.select().from(machine).orderBy(asc(machine.station), asc(machine.name))

export async function findMachine(db: Executor, id: string) {
  const rows = await db.select().from(machine).where(eq(machine.id, id))
  return rows[0]
}

export const hoursOf = (db: Executor, machineId: string) =>
  db.select().from(machineHours).where(eq(machineHours.machineId, machineId)).orderBy(asc(machineHours.readOn))

/** Meter readings of all machines. */
export const allHours = (db: Executor) => db.select().from(machineHours).orderBy(asc(machineHours.readOn))

/** Holds a machine while a job is opened on it: of two people opening one, the second finds the first one's. */
export const lockMachine = (db: Executor, id: string) =>
  db.select({ id: machine.id }).from(machine).where(eq(machine.id, id)).for('update')

/** What an import has stored before. */
export async function findJobsImported(db: Executor, importId: string): Promise<{ jobs: number; readings: number }> {
  const [found] = await db
    .select({ jobs: sql<number>`count(DISTINCT ${job.id})::int`, readings: sql<number>`count(${reading.id})::int` })
    .from(job)
    .leftJoin(reading, eq(reading.jobId, job.id))
    .where(like(job.id, `${importId}:%`))
  return found ?? { jobs: 0, readings: 0 }
}

/** Hash of the file that an import took over; null where that was not kept. */
export async function importedFile(db: Executor, machineId: string, importId: string): Promise<string | null> {
  const { rows } = await db.execute<{ file: string | null }>(
    sql`SELECT detail->>'file' AS file FROM event_log WHERE chain = ${machineId} AND verb = 'history.imported' AND detail->>'import' = ${importId}`,
  )
  return rows[0]?.file ?? null
}

export const storeHours = (db: Executor, row: typeof machineHours.$inferInsert) => db.insert(machineHours).values(row)
export const storeMachine = (db: Executor, row: typeof machine.$inferInsert) => db.insert(machine).values(row)

/** Places that machines stand at. */
export async function stationsOf(db: Executor): Promise<readonly string[]> {
  const rows = await db.selectDistinct({ station: machine.station }).from(machine).orderBy(machine.station)
  return rows.map(({ station }) => station)
}

/** Holds a name until the transaction ends: of two who name a machine alike at the same moment, the second finds the first one's. */
export const lockMachineName = (db: Executor, station: string, name: string) =>
  db.execute(sql`SELECT pg_advisory_xact_lock(hashtext(${`machine ${station} ${name}`.toLowerCase()}))`)

/** Whether a station has a machine of this name, in capitals or not. */
export async function hasNamesake(db: Executor, station: string, name: string): Promise<boolean> {
  const rows = await db
    .select({ id: machine.id })
    .from(machine)
    .where(and(eq(sql`lower(${machine.station})`, station.toLowerCase()), eq(sql`lower(${machine.name})`, name.toLowerCase())))
  return rows.length > 0
}

/** Pages of its documents without their pictures, in the order they were added. */
export const pagesOf = (db: Executor, machineId: string) =>
  db
    .select({
      id: documentPage.id,
      document: documentPage.document,
      page: documentPage.page,
      width: documentPage.width,
      height: documentPage.height,
      by: documentPage.byName,
    })
    .from(documentPage)
    .where(eq(documentPage.machineId, machineId))
    .orderBy(asc(documentPage.addedAt))

export async function findPage(db: Executor, machineId: string, id: string, size: 'whole' | 'small') {
  const rows = await db
    .select({ bytes: size === 'whole' ? documentPage.bytes : documentPage.small })
    .from(documentPage)
    .where(and(eq(documentPage.machineId, machineId), eq(documentPage.id, id)))
  return rows[0]
}

export async function pageById(db: Executor, id: string) {
  const rows = await db
    .select({
      machineId: documentPage.machineId,
      document: documentPage.document,
      page: documentPage.page,
      sha256: documentPage.sha256,
    })
    .from(documentPage)
    .where(eq(documentPage.id, id))
  return rows[0]
}

export const storePage = (db: Executor, row: typeof documentPage.$inferInsert) => db.insert(documentPage).values(row)
