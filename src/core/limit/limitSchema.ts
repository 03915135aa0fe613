import { z } from 'zod'
import { idSchema, names, sourceSchema } from '../base/idSchema'
import { asIssue } from '../base/schemaFault'
import { reductionNames } from '../method/reduction'
import { figure } from '../quantity/figureSchema'
import { valueSchema } from '../quantity/valueSchema'
import { comesFirst } from './planFirst'
import { typedBySchema } from './typedBySchema'

/** A limit on one reduced value, one side, in the fixed unit of its quantity. */
export const limitSchema = z
  .strictObject({
    id: idSchema,
    judges: z.enum(reductionNames),
    side: z.enum(['upper', 'lower']),
    /** The one place it judges; left out: all of them. */
    at: z.strictObject({ station: z.string().min(1).max(8), direction: z.string().min(1).max(8) }).optional(),
    /** The warning before the wear limit, where the book gives one. */
    plan: figure(valueSchema, 'judged').nullable(),
    wear: figure(valueSchema, 'judged'),
    /** What the maker wants once it is passed: mend by a route where one can, or replace in any case. */
    whenPassed: z.enum(['mend', 'replace']),
    /** Routes that mend this limit, where not every route of the characteristic does; empty: none. */
    mendedBy: z.array(names.routes).max(20).optional(),
    /** The same figures as the document prints them in another unit: `0.012 in`. */
    also: z.strictObject({ plan: z.string().max(40).nullable(), wear: z.string().max(40) }).optional(),
    /** Only inside a job: what its figures were looked up or worked out by (limitBy.ts). */
    by: z
      .discriminatedUnion('kind', [
        z.strictObject({ kind: z.literal('hours'), hours: z.number() }),
        z.strictObject({ kind: z.literal('size'), characteristic: names.characteristics, size: valueSchema }),
        z.strictObject({ kind: z.literal('variant'), variant: names.variants, option: idSchema }),
        z.strictObject({ kind: z.literal('formula'), formula: z.string().max(200) }),
      ])
      .optional(),
    /** Only inside a job: the figures that will hold at the next overhaul, where they depend on the hours run. */
    atNext: z.strictObject({ plan: valueSchema.nullable(), wear: valueSchema }).nullable().optional(),
    instruction: z.string().max(400),
    source: sourceSchema,
    /** Only in a draft: its figures wait for a second person, or have been held against the page. */
    typed: typedBySchema.optional(),
  })
  .refine(({ side, plan, wear }) => comesFirst(side, plan, wear), {
    path: ['plan'],
    message: asIssue('planAfterWear'),
  })

/** Values that want a limit, which no document has given yet. */
export const wantsSchema = z
  .array(
    z.strictObject({
      judges: z.enum(reductionNames),
      side: z.enum(['upper', 'lower']),
      /** Its page gives no limit: the value is information only. */
      none: z.strictObject({ source: sourceSchema, typed: typedBySchema.optional() }).optional(),
    }),
  )
  .max(20)
  .optional()
