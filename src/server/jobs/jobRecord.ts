import type { StoredEntry } from '../../contract/answers'
import { noBook } from '../../core/book/noBook'
import { partsLeftOut, withoutMarksOf } from '../../core/book/variants'
import { carryEvaluation } from '../../core/evaluate/evaluate'
import type { ConfirmableStep } from '../../core/job/orderOfWork'
import type { EntryKind } from '../../core/notes/entrySchema'
import { bookOfJob } from '../../core/notes/jobBook'
import { overhaulBounds } from '../../core/record/overhaulBounds'
import { recordFormat } from '../../core/record/recordFormat'
import { type InspectionRecord, recordOfReadBookSchema, recordSchema } from '../../core/record/recordSchema'
import { typedBookTitle } from '../../core/words/books'
import type { Executor } from '../../db/client'
import { allGauges } from '../../db/queries/gauges'
import { instantOf } from '../../db/queries/instant'
import { type confirmationsOf, decisionsOf, earlierSignedJobs, type findJob, type reviewOf } from '../../db/queries/jobs'
import { readingIdsOf, readingsById, readingsOf } from '../../db/queries/readings'
import { say } from '../../labels/refusals'
import { issuedBook } from '../books/issuedBook'
import { Refused } from '../edge/refused'
import { machineInRecord } from './machineInRecord'
import { type Readable, readRecord } from './readRecord'

export type FoundJob = NonNullable<Awaited<ReturnType<typeof findJob>>>

/** The inspection record of a job as stored. What of it cannot be read is left out and named; it hides nothing beside it. */
export async function buildRecord(
  db: Executor,
  { job, machine, book }: FoundJob,
  entries: readonly StoredEntry[],
): Promise<Readable> {
  const earlier = (
    await earlierSignedJobs(db, job.machineId, {
      hours: job.runningHours,
      day: job.openedOn,
      isCounted: machine.meter !== 'none',
    })
  ).slice(-overhaulBounds.overhauls)
  const history = []
  // One after the other: inside a transaction there is one connection.
  for (const { job: past } of earlier)
    history.push({
      overhaul: past.title,
      date: past.openedOn,
      runningHours: past.runningHours,
      ...startsOf(past),
      installed: past.installed,
      readings: await readingsInRecord(db, past.id),
    })
  const issued =
    job.bookId === null ? noBook(job.id, typedBookTitle(machine.name)) : issuedBook(book, `${job.bookId} ${job.bookRevision}`)
  const limits = bookOfJob(
    issued,
    entries.map(({ entry }) => entry),
    machine.units,
    job,
  )
  const notFitted = partsLeftOut(issued, limits)
  const measurable = new Set(limits.characteristics.map(({ id }) => id))
  const raw = {
    ...recordFormat,
    machine: machineInRecord(machine),
    job: {
      id: job.id,
      overhaul: job.title,
      date: job.openedOn,
      runningHours: job.runningHours,
      mustRunHours: job.mustRunHours,
      ...startsOf(job),
      installed: withoutMarksOf(notFitted, job.installed as Record<string, string>),
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
      installed: withoutMarksOf(notFitted, overhaul.installed as Record<string, string>),
      readings: overhaul.readings.filter((reading) => measurable.has(reading.characteristic)),
    })),
    decisions: (await decisionsOf(db, job.id)).map(decisionOfRow).filter(({ part }) => !notFitted.has(part)),
  }
  // An issued book was read when this server met it; what a job typed beside it is read with its record.
  const read = readRecord(raw, limits.characteristics.some(({ typed }) => typed) ? recordSchema : recordOfReadBookSchema)
  if (!read.ok) throw new Refused('unreadable', say.whatStoredCannot(machine.name, job.title, read.fault))
  return read.value
}

const startsOf = ({ starts }: FoundJob['job']): { starts?: number } => (starts === null ? {} : { starts })

const numberOrNull = (text: string | null): number | null => (text === null ? null : Number(text))

/** A gauge of the store as the record has it. */
export const gaugeOfRow = ({
  least,
  greatest,
  replaced,
  repeatability,
  // Where it is kept is the store's, and moves without another calibration.
  place: _,
  ...gauge
}: Awaited<ReturnType<typeof allGauges>>[number]) => ({
  ...gauge,
  ...(repeatability === null ? {} : { repeatability: Number(repeatability) }),
  ...(replaced ? { replaced: true as const } : {}),
  range: least === null || greatest === null ? null : { least: Number(least), greatest: Number(greatest) },
  resolution: Number(gauge.resolution),
  maximumPermissibleError: Number(gauge.maximumPermissibleError),
  expansionPerK: numberOrNull(gauge.expansionPerK),
})

/** A decision of the store as the record has it. */
export const decisionOfRow = ({ decision, by }: Awaited<ReturnType<typeof decisionsOf>>[number]) => ({
  id: decision.id,
  part: decision.part,
  recommended: decision.recommended,
  decided: decision.decided,
  reason: decision.reason,
  ...(decision.route === null ? {} : { route: decision.route }),
  by,
  at: instantOf(decision.decidedAt),
})

/** A confirmation of the store as a job shows it. */
export const confirmationOfRow = ({ confirmation, by }: Awaited<ReturnType<typeof confirmationsOf>>[number]) => ({
  step: confirmation.step as ConfirmableStep,
  by,
  at: instantOf(confirmation.confirmedAt),
  note: confirmation.note,
})

/** A step of the review as a job shows it. */
export const reviewStepOfRow = ({ event, by }: Awaited<ReturnType<typeof reviewOf>>[number]) => ({
  kind: event.kind,
  by,
  at: instantOf(event.actedAt),
  note: event.note,
})

type ReadingRow = Awaited<ReturnType<typeof readingsOf>>[number]

const readingsInRecord = async (db: Executor, jobId: string) => (await readingsOf(db, jobId)).map(readingOfRow)

/** A reading of the store as the record has it. */
export const readingOfRow = ({ reading, by }: ReadingRow) => ({
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
  takenAt: instantOf(reading.takenAt),
  supersedes: reading.supersedes,
  reason: reading.reason,
})

/** Kinds of entries that change the limit book of their job. */
const CHANGES_BOOK: ReadonlySet<EntryKind> = new Set([
  'characteristicTyped',
  'characteristicDropped',
  'limitsChecked',
  'variantSaid',
  'thingAdded',
  'thingDropped',
  'positionAdded',
])
export const changesBook = (kind: EntryKind): boolean => CHANGES_BOOK.has(kind)
/** With more readings than this the whole is read as fast. */
const MOST_ADDED = 500

/**
 * A record with the readings and entries that were stored since, in the order of the store; null when it has to be read
 * anew. What is known has been checked, and stays as it is: what is added is checked with all that was read at the same
 * characteristics.
 */
export async function recordWithAdded(
  db: Executor,
  before: InspectionRecord,
  added: readonly StoredEntry[],
): Promise<InspectionRecord | null> {
  if (added.some(({ entry }) => changesBook(entry.body.kind))) return null
  const known = new Map(before.job.readings.map((reading) => [reading.id, reading]))
  const ids = await readingIdsOf(db, before.job.id)
  const fresh = ids.filter((id) => !known.has(id))
  if (fresh.length > MOST_ADDED) return null
  const rows = fresh.length > 0 ? (await readingsById(db, fresh)).map(readingOfRow) : []
  const touched = new Set(rows.map(({ characteristic }) => characteristic))
  const near = before.job.readings.filter(({ characteristic }) => touched.has(characteristic))
  const entries = [...before.job.entries, ...added.map(({ entry }) => entry)]
  const parsed = recordOfReadBookSchema.safeParse({
    ...before,
    history: [],
    decisions: [],
    job: { ...before.job, entries, readings: [...near, ...rows] },
  })
  // Read anew, what cannot be read is left out alone.
  if (!parsed.success) return null
  const checked = parsed.data
  for (const reading of checked.job.readings) if (!known.has(reading.id)) known.set(reading.id, reading)
  const readings = ids.flatMap((id) => known.get(id) ?? [])
  const record = { ...before, job: { ...before.job, entries: checked.job.entries, readings } }
  carryEvaluation(before, record, touched)
  return record
}
