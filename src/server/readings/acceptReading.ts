import type { ReadingBody } from '../../contract/bodies'
import type { Characteristic, LimitBook } from '../../core/book/bookSchema'
import { noBook } from '../../core/book/noBook'
import { stepsAreSafe } from '../../core/job/progress'
import { standingBy } from '../../core/job/standing'
import { acceptsSlot, masterAt } from '../../core/method/layout'
import { bookAsFitted } from '../../core/notes/jobBook'
import type { UnitSystem } from '../../core/quantity/unitSystem'
import { defaultUnitAt, readTyped, type TypedReading } from '../../core/record/typedReading'
import { slotWords } from '../../core/words/places'
import { readingFaultWords } from '../../core/words/quantities'
import type { Executor } from '../../db/client'
import { findGauge } from '../../db/queries/gauges'
import { announce, lockForReading } from '../../db/queries/jobs'
import { appendLog } from '../../db/queries/log'
import { entriesAfter } from '../../db/queries/notes'
import { readingsAt, storeReading } from '../../db/queries/readings'
import { say } from '../../labels/refusals'
import { bookOf } from '../books/issuedBook'
import { authorise, type Context } from '../edge/context'
import { Refused } from '../edge/refused'
import { refuseClosed } from '../jobs/openForWriting'
import { canonicalJson } from '../reports/canonical'

export interface AcceptedReading {
  readonly id: string
  /** False when this very reading was stored before: sent twice, stored once. */
  readonly stored: boolean
}

/**
 * Stores one reading of a job, or a correction of one. The text is read by the same core as in the browser. Only what
 * bears on this reading is looked up, under the job's lock: a job with many readings takes one no slower than an empty one.
 */
export async function acceptReading(context: Context, jobId: string, body: ReadingBody): Promise<AcceptedReading> {
  authorise(context, 'measure', true)
  return context.db.transaction(async (db) => {
    const job = await lockForReading(db, jobId)
    if (!job) throw new Refused('notFound', say.thereNoJob(jobId))
    authorise(context, 'measure', job.practice)
    const here = await readingsAt(db, jobId, body)
    const known = here.find(({ reading: other }) => other.id === body.id)
    if (known) {
      refuseAnother(known.reading, body)
      return { id: body.id, stored: false }
    }
    refuseClosed(standingBy(job.importedFrom, job.signed, job.review))
    const { book, safe } = await standingOfJob(db, jobId, job)
    if (!job.confirmedSafe && !safe) throw new Refused('conflict', say.machineNotConfirmed)
    const characteristic = book.characteristics.find(({ id }) => id === body.characteristic)
    if (!characteristic) throw new Refused('notFound', say.limitBookHasNoCharacteristic(body.characteristic))
    // One of another kind, or none, was asked about at the bench: it is stored, and the core says what it settles.
    if (body.gauge !== null && !(await findGauge(db, body.gauge)))
      throw new Refused('notFound', say.thereIsNoGaugeInThe(body.gauge))
    const { fields, exact } = checkReading(characteristic, body, job.units, here)
    const isStored = await storeReading(db, {
      id: body.id,
      jobId,
      characteristic: body.characteristic,
      station: body.station,
      direction: body.direction,
      repeat: body.repeat,
      stage: body.stage,
      text: body.text,
      kind: fields.kind,
      defaultUnit: fields.defaultUnit,
      masterMm: fields.masterMm === null ? null : String(fields.masterMm),
      ...exact,
      conditions: body.conditions,
      gaugeId: body.gauge,
      takenBy: context.user.id,
      byName: context.user.name,
      takenAt: new Date(body.takenAt),
      receivedAt: context.now(),
      supersedes: body.supersedes,
      reason: body.reason,
    })
    if (!isStored) throw anotherReading()
    await appendLog(db, context, {
      verb: body.kind === 'withdrawn' ? 'reading.withdrawn' : body.supersedes === null ? 'reading.accepted' : 'reading.corrected',
      subject: jobId,
      detail: { reading: body.id, characteristic: body.characteristic, text: body.text, supersedes: body.supersedes },
    })
    await announce(db, jobId, body.id)
    return { id: body.id, stored: true }
  })
}

type Row = Awaited<ReturnType<typeof readingsAt>>[number]

const anotherReading = () =>
  new Refused('conflict', 'A different reading with this id is stored already. Reload the page and enter it again.')

/** The same id must be the same reading, sent again. */
function refuseAnother(known: Row['reading'], body: ReadingBody): void {
  const sameKind = known.kind === body.kind || (body.kind === 'read' && known.kind !== 'cannot' && known.kind !== 'withdrawn')
  const same =
    sameKind &&
    known.text === body.text &&
    known.supersedes === body.supersedes &&
    known.gaugeId === body.gauge &&
    known.reason === body.reason &&
    known.takenAt.getTime() === new Date(body.takenAt).getTime() &&
    canonicalJson(known.conditions) === canonicalJson(body.conditions)
  if (!same) throw anotherReading()
}

/** What a job's entries say for its readings, by its last entry: nothing else can change it. */
interface StandingOfJob {
  readonly revision: string | null
  readonly seq: number
  /** Whether its own steps made the machine safe. */
  readonly safe: boolean
  /** Its book, with what was typed in the job. */
  readonly book: LimitBook
}
const standingBySeq = new Map<string, StandingOfJob>()
const JOBS_KEPT = 200

async function standingOfJob(
  db: Executor,
  jobId: string,
  job: NonNullable<Awaited<ReturnType<typeof lockForReading>>>,
): Promise<StandingOfJob> {
  const seq = Number(job.lastSeq ?? 0)
  const known = standingBySeq.get(jobId)
  if (known?.seq === seq && known.revision === job.bookRevision) return known
  const entries = (await entriesAfter(db, jobId, 0)).map(({ entry }) => entry)
  const issued =
    job.bookId === null || job.bookRevision === null ? noBook(jobId, jobId) : await bookOf(db, job.bookId, job.bookRevision)
  const standing = {
    seq,
    revision: job.bookRevision,
    safe: stepsAreSafe(issued, job.level, entries),
    book: bookAsFitted(issued, entries, job.units),
  }
  if (standingBySeq.size >= JOBS_KEPT) standingBySeq.delete(standingBySeq.keys().next().value ?? '')
  standingBySeq.set(jobId, standing)
  return standing
}

type Checked = Pick<TypedReading, 'exact'> & { readonly fields: TypedReading['fields'] }

function checkReading(characteristic: Characteristic, body: ReadingBody, units: UnitSystem, here: readonly Row[]): Checked {
  if (!acceptsSlot(characteristic.method, body))
    throw new Refused('notPossible', say.takesNoReading(characteristic.name, body.station, body.direction, body.repeat))
  checkPlace(here, body, slotWords(characteristic.method, body) || characteristic.name)
  if (body.kind !== 'read') {
    const nothing = { value: null, low: null, high: null }
    const defaultUnit = defaultUnitAt(characteristic, body, units)
    return { fields: { kind: body.kind, ...nothing, defaultUnit, masterMm: masterAt(characteristic.method) }, exact: nothing }
  }
  const typed = readTyped(characteristic, body, body.text, units)
  if (!typed.ok)
    throw new Refused('malformed', readingFaultWords(typed.fault), [{ path: 'text', message: readingFaultWords(typed.fault) }])
  const { fields, exact } = typed.value
  return { fields, exact }
}

/** A place holds one standing reading: a first one where there is none, a correction of exactly the one that stands. */
function checkPlace(here: readonly Row[], body: ReadingBody, place: string): void {
  const superseded = new Set(here.map(({ reading: other }) => other.supersedes))
  const standing = here.find(({ reading: other }) => !superseded.has(other.id))
  if (body.supersedes === null && standing?.reading.kind === 'withdrawn')
    throw new Refused('conflict', say.readingTakenBack(place))
  if (body.supersedes === null && standing)
    throw new Refused('conflict', say.alreadyReadCorrect(standing.by, standing.reading.text, place))
  if (body.supersedes !== null && standing?.reading.id !== body.supersedes)
    throw new Refused('conflict', say.readingYouCorrect(place, standing ? say.now(standing.reading.text, standing.by) : ''))
}
