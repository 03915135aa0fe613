import { z } from 'zod'
import { daySchema, idSchema, nameSchema, uniqueIds } from '../base/idSchema'
import { asIssue } from '../base/schemaFault'
import { MAX_SETS } from '../fit/equalPartsBounds'
import { equalPartsSchema } from '../fit/equalPartsSchema'
import { fitSchema } from '../fit/fitSchema'
import { BOOK_FORMAT, BOOK_VERSION } from './bookFormat'
import { characteristicSchema } from './characteristicSchema'
import { crossCheckSchema } from './crossCheckSchema'
import { partSchema } from './partSchema'
import { procedureShape } from './procedureSchema'

const namedSchema = z.strictObject({ id: idSchema, name: nameSchema })

/** A limit book as it is written; whether its names hold together, references.ts says. */
export const bookShapeSchema = z.strictObject({
  format: z.literal(BOOK_FORMAT),
  version: z.literal(BOOK_VERSION),
  id: idSchema,
  title: nameSchema,
  revision: z.string().min(1).max(20),
  /** Null for a draft, and for a job that is measured without a book: then it may still be empty. */
  issued: daySchema.nullable(),
  currency: z.string().length(3),
  /** The book of another family that this one was begun as a copy of. */
  startedFrom: z.strictObject({ id: idSchema, revision: z.string().min(1).max(20) }).optional(),
  documents: z.array(
    z.strictObject({
      id: z.string().min(1).max(40),
      title: nameSchema,
      revision: z.string().max(40),
      /** Only inside a job: the document was named there. */
      typed: z.literal(true).optional(),
    }),
  ),
  /** What may be fitted in more than one way: the job says which. */
  variants: z
    .array(z.strictObject({ id: idSchema, name: nameSchema, options: z.array(namedSchema).min(2).max(20) }))
    .max(20)
    .optional(),
  parts: z.array(partSchema),
  characteristics: z.array(characteristicSchema),
  fits: z.array(fitSchema),
  /** Equal parts that may change places, and bores and journals that may be paired anew. */
  equalParts: z.array(equalPartsSchema).max(MAX_SETS).refine(uniqueIds, asIssue('placesSameId')).optional(),
  crossChecks: z.array(crossCheckSchema).max(200).refine(uniqueIds, asIssue('crossChecksSameId')).optional(),
  /** Only inside a job: ids of fits, routes, lines of the plan and positions that were added there. */
  added: z.array(idSchema).max(2000).optional(),
  ...procedureShape,
})

export type LimitBook = z.infer<typeof bookShapeSchema>
export type Characteristic = LimitBook['characteristics'][number]
export type ChangeLimit = NonNullable<Characteristic['changes']>[number]
export type CrossCheckSpec = NonNullable<LimitBook['crossChecks']>[number]
export type Part = LimitBook['parts'][number]
export type Route = Part['routes'][number]
export type { FitSpec } from '../fit/kinds'
