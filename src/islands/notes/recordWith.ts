import { carryEvaluation } from '../../core/evaluate/evaluate'
import type { Entry } from '../../core/notes/entrySchema'
import { bookOfJob } from '../../core/notes/jobBook'
import type { InspectionRecord } from '../../core/record/recordSchema'

const NOTHING_READ: ReadonlySet<string> = new Set()

/**
 * The record with everything noted since it was read: entries, and the limits typed among them. Itself when there is
 * nothing (entries are only added), so that what follows from it is known.
 */
export function recordWith(record: InspectionRecord, entries: readonly Entry[]): InspectionRecord {
  const { job } = record
  if (entries.length === job.entries.length && entries.at(-1)?.id === job.entries.at(-1)?.id) return record
  const book = bookOfJob(record.book, entries, record.machine.units, job)
  const noted = { ...record, book, job: { ...job, entries: [...entries] } }
  carryEvaluation(record, noted, NOTHING_READ)
  return noted
}
