import { z } from 'zod'
import { bookSchema, type LimitBook } from '../book/bookSchema'
import { fittedIn, withLimits } from '../notes/jobBook'
import { recordReferenceFaults } from './recordReferences'
import { recordShapeWith } from './recordShapeSchema'

export type { Policy } from '../policy/policySchema'
export type { Reading } from './readingSchema'
export type { Decision, InspectionRecord, Overhaul } from './recordShapeSchema'

const recordWith = <B extends z.ZodType<LimitBook>>(book: B) =>
  recordShapeWith<z.ZodType<LimitBook>>(book)
    .superRefine((record, context) => {
      for (const { path, fault } of recordReferenceFaults(record))
        context.addIssue({ code: 'custom', path: [...path], message: fault.code, params: { recordFault: fault } })
    })
    // Limits by a table or a formula are judged as plain ones, whoever wrote the record.
    .transform((record) => ({ ...record, book: withLimits(record.book, fittedIn(record.job.entries), record.job) }))

/** One inspection with everything its results follow from: the open record format, version 2. */
export const recordSchema = recordWith(bookSchema)

/** The same around a book that was read before: it is not read again with each record. */
export const recordOfReadBookSchema = recordWith(z.custom<LimitBook>())
