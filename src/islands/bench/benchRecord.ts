import type { JobView } from '../../contract/answers'
import type { ReadingBody } from '../../contract/bodies'
import { isMadeSafe } from '../../core/job/progress'
import { jobState, whyClosed } from '../../core/job/standing'
import type { Slot } from '../../core/method/layout'
import type { InspectionRecord, Reading } from '../../core/record/recordSchema'
import { closedWords } from '../../core/words/ready'
import { say } from '../../labels/bench'

export type Gauge = InspectionRecord['gauges'][number]

/** The place of a reading and nothing else of it: what is spread into a new reading must not bring the old one's id along. */
export const onlySlot = ({ station, direction, repeat }: Slot): Slot => ({ station, direction, repeat })

/** What the reading being typed has besides its place and value while it is only looked at. */
export const NOT_KEPT = {
  id: '00000000-0000-7000-8000-000000000000',
  by: '',
  takenAt: '1970-01-01T00:00:00Z',
  reason: null,
} as const

/** What is read where nothing is measured. */
export const NO_VALUE = { value: null, low: null, high: null } as const

/** The one taken last; of two at the same time the later in the list. */
export const latestOf = (readings: readonly Reading[]): Reading | undefined =>
  readings.reduce<Reading | undefined>((last, item) => (!last || item.takenAt >= last.takenAt ? item : last), undefined)

/** The last reading a person took and has not put anything in the place of since: what they mean by undoing. */
export function lastToUndo(history: readonly Reading[], person: string): Reading | undefined {
  const own = history.filter(({ by }) => by === person)
  const replaced = new Set(own.map(({ supersedes }) => supersedes))
  return latestOf(own.filter(({ id, kind }) => kind !== 'withdrawn' && !replaced.has(id)))
}

/** What is sent of a reading; the server works out the rest itself. */
export function bodyOf({
  id,
  characteristic,
  station,
  direction,
  repeat,
  stage,
  kind,
  text,
  conditions,
  gauge,
  takenAt,
  supersedes,
  reason,
}: Reading): ReadingBody {
  const sent = kind === 'cannot' || kind === 'withdrawn' ? kind : 'read'
  return {
    id,
    characteristic,
    station,
    direction,
    repeat,
    stage,
    kind: sent,
    text,
    conditions,
    gauge,
    takenAt,
    supersedes,
    reason,
  }
}

/** Why nothing can be typed at the bench; null when it can. */
export function closedBecause(view: JobView): string | null {
  const closed = whyClosed(jobState(view))
  if (closed !== null) return closedWords[closed]
  if (!view.may.measure) return say.youMayLook
  return isMadeSafe(view.record, view.confirmations) ? null : say.finishMakeSafe
}
