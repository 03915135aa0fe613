import { v7 } from 'uuid'
import { dayOf } from '../../../clock/clock'
import type { HistoryAnswer } from '../../../contract/answers'
import type { HistoryFields } from '../../../contract/bodies'
import { type LongWork, quietly } from '../../../contract/longWork'
import type { Gauge } from '../../../core/gauge/gauge'
import { asItStands } from '../../../core/policy/defaults'
import { formatHours } from '../../../core/quantity/format'
import type { ImportedOverhaul, ImportedReading } from '../../../core/record/historyTable'
import type { Executor } from '../../../db/client'
import { allGauges, storeGaugeRow } from '../../../db/queries/gauges'
import { storeJob } from '../../../db/queries/jobs'
import { appendLog } from '../../../db/queries/log'
import { findJobsImported, importedFile, lockMachine } from '../../../db/queries/machines'
import { storeReadings } from '../../../db/queries/readings'
import { say } from '../../../labels/refusals'
import { authorise, type Context } from '../../edge/context'
import { stopUnlessWanted } from '../../edge/longAnswer'
import { Refused } from '../../edge/refused'
import { readGauges } from '../../gauges/gauges'
import { rowOfGauge } from '../../gauges/rowOfGauge'
import { hoursLog, installedNow, machineOf } from '../../jobs/openJob'
import { canonicalJson, sha256OfBytes } from '../../reports/canonical'
import { readTable } from './readTable'

export const MOST_HISTORY_BYTES = 32 * 1024 * 1024

/**
 * Takes over a table of earlier readings of a machine: all of it or nothing. Sent twice, it is stored once. Its overhauls
 * join the history that trends and slip guards read; nobody signs them, and nothing is added to them later.
 */
export async function importHistory(
  context: Context,
  machineId: string,
  fields: HistoryFields,
  file: Uint8Array,
  long: LongWork = quietly,
): Promise<HistoryAnswer> {
  authorise(context, 'plan')
  return context.db.transaction(async (db) => {
    await lockMachine(db, machineId)
    const known = await findJobsImported(db, fields.id)
    if (known.jobs > 0) {
      const before = await importedFile(db, machineId, fields.id)
      if (before !== null && before !== sha256OfBytes(file)) throw new Refused('conflict', say.anotherTableId)
      return { overhauls: known.jobs, readings: known.readings, stored: false }
    }
    const { machine, book, jobs } = await machineOf(db, machineId)
    if (!book) throw new Refused('notPossible', say.hasNoLimit(machine.name))
    const hours = (await hoursLog(db, machineId)).map((entry) => entry.hours)
    long.say({ stage: 'reading', done: 0, of: 1 })
    const table = {
      book,
      units: machine.units,
      gauges: readGauges((await allGauges(db)).filter(({ replaced }) => !replaced)).gauges,
      installed: await installedNow(db, jobs),
      mostHours: hours.length === 0 ? null : Math.max(...hours),
      today: dayOf(context.now()),
      known: jobs.map(({ job: { openedOn, runningHours } }) => ({ date: openedOn, runningHours })),
    }
    const read = await readTable(file, table, long)
    if (read.kind === 'noTable') throw new Refused('malformed', read.says)
    if (read.kind === 'faults')
      throw new Refused(
        'malformed',
        say.tableCannotTaken(read.faults.length === 1 ? say.oneRow : say.rows(read.faults.length)),
        read.faults.map(({ where, says }) => ({ path: where, message: says })),
      )
    refuseTwice(read.overhauls, jobs)
    const gaugeIds = await gaugesHere(db, fields.id, read.gauges)
    const overhauls = [...read.overhauls].sort((a, b) => a.runningHours - b.runningHours)
    const readings = overhauls.reduce((sum, overhaul) => sum + overhaul.readings.length, 0)
    let stored = 0
    for (const [index, overhaul] of overhauls.entries()) {
      stopUnlessWanted(long)
      long.say({ stage: 'storing', done: stored, of: readings })
      await storeOverhaul(
        context,
        db,
        { id: `${fields.id}:${index + 1}`, machineId, book, source: fields.source, gaugeIds },
        overhaul,
      )
      stored += overhaul.readings.length
    }
    await appendLog(db, context, {
      verb: 'history.imported',
      subject: machineId,
      detail: { import: fields.id, file: sha256OfBytes(file), source: fields.source, overhauls: overhauls.length, readings },
    })
    stopUnlessWanted(long)
    return { overhauls: overhauls.length, readings, stored: true }
  })
}

/** What became of an import: asked by whoever cancelled it, it waits until it is known. Null where nothing of it is stored. */
export function importedBy(context: Context, machineId: string, importId: string): Promise<HistoryAnswer | null> {
  return context.db.transaction(async (db) => {
    await lockMachine(db, machineId)
    const { jobs, readings } = await findJobsImported(db, importId)
    return jobs > 0 ? { overhauls: jobs, readings, stored: false } : null
  })
}

/** An overhaul that is on record must not count twice. */
function refuseTwice(overhauls: readonly ImportedOverhaul[], jobs: Awaited<ReturnType<typeof machineOf>>['jobs']): void {
  const known = jobs.find(({ job: { openedOn, runningHours } }) =>
    overhauls.some((overhaul) => overhaul.date === openedOn && overhaul.runningHours === runningHours),
  )?.job
  if (known)
    throw new Refused(
      'conflict',
      say.overhaulHRecord(
        known.openedOn,
        formatHours(known.runningHours),
        known.title,
        known.importedFrom === null ? '' : say.from(known.importedFrom),
      ),
    )
}

interface Where {
  readonly id: string
  readonly machineId: string
  readonly book: { readonly id: string; readonly revision: string }
  readonly source: string
  /** Gauges that came with their readings, by the ids they had. */
  readonly gaugeIds: ReadonlyMap<string, string>
}

async function storeOverhaul(
  context: Context,
  db: Executor,
  { id, machineId, book, source, gaugeIds }: Where,
  overhaul: ImportedOverhaul,
): Promise<void> {
  await storeJob(db, {
    id,
    machineId,
    bookId: book.id,
    bookRevision: book.revision,
    title: overhaul.overhaul,
    reason: say.takenOver(source),
    openedOn: overhaul.date,
    openedBy: context.user.id,
    byName: context.user.name,
    runningHours: overhaul.runningHours,
    mustRunHours: 0,
    level: null,
    policy: asItStands,
    installed: overhaul.installed,
    importedFrom: source,
  })
  const [takenAt, receivedAt] = [`${overhaul.date}T12:00:00Z`, context.now().toISOString()]
  await storeReadings(db, overhaul.readings, (reading: ImportedReading) => ({
    ...reading,
    gauge: reading.gauge === null ? null : (gaugeIds.get(reading.gauge) ?? reading.gauge),
    id: v7(),
    jobId: id,
    takenBy: context.user.id,
    byName: reading.taken?.by ?? context.user.name,
    takenAt: reading.taken?.at ?? takenAt,
    receivedAt,
    conditions: reading.taken?.conditions ?? null,
  }))
}

/**
 * Gauges of another installation, as they were when the readings were taken: one that the store here knows by the same code
 * with the same figures is that one; any other is put beside them as calibrated anew since, for nothing is read with it here.
 */
async function gaugesHere(db: Executor, importId: string, gauges: readonly Gauge[]): Promise<ReadonlyMap<string, string>> {
  const here = readGauges(await allGauges(db)).gauges
  const says = ({ id: _, replaced: __, ...gauge }: Gauge): string => canonicalJson(JSON.parse(JSON.stringify(gauge)))
  const ids = new Map<string, string>()
  for (const gauge of gauges) {
    const same = here.find((one) => says(one) === says(gauge))
    const id = same?.id ?? `${importId}:${gauge.id}`.slice(0, 80)
    ids.set(gauge.id, id)
    if (!same) await storeGaugeRow(db, { ...rowOfGauge(gauge), id, replaced: true })
  }
  return ids
}
