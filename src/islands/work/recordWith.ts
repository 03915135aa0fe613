import type { InspectionRecord } from '../../core/record/recordSchema'
import type { Entry } from '../../core/work/entrySchema'
import { withTyped } from '../../core/work/typedBook'

/**
 * The record with everything noted since it was read: entries, and the limits typed among them. Itself when there is
 * nothing (entries are only added), so that what follows from it is known.
 */
export const recordWith = (record: InspectionRecord, entries: readonly Entry[]): InspectionRecord =>
  entries.length === record.job.entries.length && entries.at(-1)?.id === record.job.entries.at(-1)?.id
    ? record
    : {
        ...record,
        book: withTyped(record.book, entries, record.machine.units),
        job: { ...record.job, entries: [...entries] },
      }
