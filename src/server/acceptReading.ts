import { eq } from 'drizzle-orm'
import type { ReadingBody } from '../contract/bodies'
import { isMadeSafe } from '../core/job/progress'
import { acceptsSlot, slotLabel } from '../core/method/method'
import { explainReadingFault, parseReading } from '../core/quantity/reading'
import type { InspectionRecord, Reading } from '../core/record/recordSchema'
import { standingReadings } from '../core/record/standing'
import type { Executor } from '../db/client'
import { appendLog } from '../db/queries/log'
import { reading } from '../db/schema'
import type { Context } from './context'
import { writeToJob } from './openForWriting'
import { Refused } from './refused'

export interface AcceptedReading {
  readonly id: string
  readonly valueMm: number
  /** False when this very reading was stored before: sent twice, stored once. */
  readonly stored: boolean
}

/** Stores one reading of a job, or a correction of one. The text is read by the same core as in the browser. */
export function acceptReading(context: Context, jobId: string, body: ReadingBody): Promise<AcceptedReading> {
  return writeToJob(context, jobId, { action: 'measure', duringReview: false }, async (db, view) => {
    const known = await sameReading(db, jobId, body)
    if (known) return known
    const { record } = view
    if (!isMadeSafe(record, view.confirmations))
      throw new Refused('conflict', 'The machine is not confirmed safe yet. Finish “Make safe” first, then measure.')
    const checked = checkReading(record, body)
    const { valueMm, exactMm, masterMm } = checked
    const defaultUnit = record.machine.units === 'metric' ? 'mm' : 'in'
    await db.insert(reading).values({
      id: body.id,
      jobId,
      characteristic: body.characteristic,
      station: body.station,
      direction: body.direction,
      repeat: body.repeat,
      stage: body.stage,
      text: body.text,
      defaultUnit,
      masterMm: masterMm === null ? null : String(masterMm),
      valueMm: exactMm,
      gaugeId: body.gauge,
      takenBy: context.user.id,
      takenAt: new Date(body.takenAt),
      receivedAt: context.now(),
      supersedes: body.supersedes,
      reason: body.reason,
    })
    await appendLog(db, {
      userId: context.user.id,
      verb: body.supersedes === null ? 'reading.accepted' : 'reading.corrected',
      subject: jobId,
      detail: { reading: body.id, characteristic: body.characteristic, text: body.text, supersedes: body.supersedes },
    })
    return { id: body.id, valueMm, stored: true }
  })
}

async function sameReading(db: Executor, jobId: string, body: ReadingBody): Promise<AcceptedReading | null> {
  const rows = await db.select().from(reading).where(eq(reading.id, body.id))
  const known = rows[0]
  if (!known) return null
  const same =
    known.jobId === jobId &&
    known.characteristic === body.characteristic &&
    known.station === body.station &&
    known.direction === body.direction &&
    known.repeat === body.repeat &&
    known.stage === body.stage &&
    known.text === body.text &&
    known.supersedes === body.supersedes
  if (!same)
    throw new Refused('conflict', 'A different reading with this id is stored already. Reload the page and enter it again.')
  return { id: known.id, valueMm: Number(known.valueMm), stored: false }
}

interface Checked {
  readonly valueMm: number
  readonly exactMm: string
  readonly masterMm: number | null
}

function checkReading(record: InspectionRecord, body: ReadingBody): Checked {
  const characteristic = record.book.characteristics.find(({ id }) => id === body.characteristic)
  if (!characteristic) throw new Refused('notFound', `The limit book has no characteristic “${body.characteristic}”.`)
  if (!acceptsSlot(characteristic.method, body))
    throw new Refused(
      'notPossible',
      `${characteristic.name} takes no reading at station ${body.station}, direction ${body.direction}, repeat ${body.repeat}.`,
    )
  const gauge = record.gauges.find(({ id }) => id === body.gauge)
  if (!gauge) throw new Refused('notFound', `There is no gauge “${body.gauge}” in the store.`)
  if (gauge.kind !== characteristic.gaugeKind)
    throw new Refused(
      'notPossible',
      `${gauge.code} is not the kind of gauge that ${characteristic.name} is measured with. Take another one in hand.`,
    )

  const masterMm = characteristic.method.kind === 'boreDiameter' ? characteristic.method.masterMm : null
  const parsed = parseReading(body.text, { defaultUnit: record.machine.units === 'metric' ? 'mm' : 'in', masterMm })
  if (!parsed.ok)
    throw new Refused('malformed', explainReadingFault(parsed.fault), [
      { path: 'text', message: explainReadingFault(parsed.fault) },
    ])
  if (parsed.value.valueMm > GREATEST_MM)
    throw new Refused(
      'notPossible',
      `“${body.text}” is more than ${GREATEST_MM / 1000} m: no part here is that large. Check the unit.`,
    )
  checkPlace(record, body, slotLabel(characteristic.method, body))
  return { valueMm: parsed.value.valueMm, exactMm: parsed.value.exactMm, masterMm }
}

/** The record schema's own bound on lengths. */
const GREATEST_MM = 100_000

/** A place holds one standing reading: a first one where there is none, a correction of exactly the one that stands. */
function checkPlace(record: InspectionRecord, body: ReadingBody, place: string): void {
  const standing = standingReadings(record.job.readings).find(
    (other: Reading) =>
      other.characteristic === body.characteristic &&
      other.stage === body.stage &&
      other.station === body.station &&
      other.direction === body.direction &&
      other.repeat === body.repeat,
  )
  if (body.supersedes === null && standing)
    throw new Refused(
      'conflict',
      `${standing.by} already read “${standing.text}” at ${place}. Correct that reading and say why, or keep it.`,
    )
  if (body.supersedes !== null && standing?.id !== body.supersedes)
    throw new Refused(
      'conflict',
      `The reading you correct at ${place} no longer stands${standing ? `: it is now “${standing.text}” by ${standing.by}` : ''}. Reload and look again.`,
    )
}
