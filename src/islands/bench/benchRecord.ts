import type { JobView } from '../../contract/answers'
import type { ReadingBody } from '../../contract/bodies'
import { isMadeSafe } from '../../core/job/progress'
import type { Slot } from '../../core/method/method'
import type { InspectionRecord, Reading } from '../../core/record/recordSchema'
import type { LocalReading } from './useOutbox'

export type Gauge = InspectionRecord['gauges'][number]

/** The bench takes what is found before anything is done to the part. */
export const STAGE = 'asFound'

/** The place of a reading and nothing else of it: what is spread into a new reading must not bring the old one's id along. */
export const onlySlot = ({ station, direction, repeat }: Slot): Slot => ({ station, direction, repeat })

/** What the reading being typed has besides its place and value while it is only looked at. */
export const NOT_KEPT = {
  id: '00000000-0000-7000-8000-000000000000',
  stage: STAGE,
  by: '',
  takenAt: '1970-01-01T00:00:00Z',
  reason: null,
} as const

/** What is sent of a reading; the server works out the rest itself. */
export function bodyOf({
  id,
  characteristic,
  station,
  direction,
  repeat,
  stage,
  text,
  gauge,
  takenAt,
  supersedes,
  reason,
}: Reading): ReadingBody {
  return { id, characteristic, station, direction, repeat, stage, text, gauge, takenAt, supersedes, reason }
}

/** The record with the readings of this device that the page did not come with; refused ones are left out. */
export function withLocal(record: InspectionRecord, local: readonly LocalReading[]): InspectionRecord {
  const known = new Set(record.job.readings.map(({ id }) => id))
  const added = local
    .filter(({ reading, delivery }) => delivery.kind !== 'refused' && !known.has(reading.id))
    .map(({ reading }) => reading)
  return added.length === 0 ? record : { ...record, job: { ...record.job, readings: [...record.job.readings, ...added] } }
}

/** Why nothing can be typed at the bench; null when it can. */
export function closedBecause(view: JobView, gauge: Gauge | undefined): string | null {
  if (view.reportId !== null) return 'This job is signed: readings stand as they are.'
  if (view.review.at(-1)?.kind === 'sent') return 'This job lies with the reviewer. Ask for it to be returned before measuring.'
  if (!view.may.measure) return 'You may look, but not enter readings: that is the inspector’s.'
  if (!isMadeSafe(view.record, view.confirmations)) return 'Finish “Make safe” before measuring.'
  return gauge ? null : 'No gauge of the kind this method needs is in the store.'
}
