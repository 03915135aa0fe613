import type { InspectionRecord } from '../../core/record/recordSchema'
import type { Entry } from '../../core/work/entrySchema'
import { withTyped } from '../../core/work/typedBook'

/** The record with everything noted since it was read: entries, and the limits typed among them. */
export const recordWith = (record: InspectionRecord, entries: readonly Entry[]): InspectionRecord => ({
  ...record,
  book: withTyped(record.book, entries, record.machine.units),
  job: { ...record.job, entries: [...entries] },
})
