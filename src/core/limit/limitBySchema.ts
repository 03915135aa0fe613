import { z } from 'zod'
import { idSchema, names, sourceSchema } from '../base/idSchema'
import { asIssue } from '../base/schemaFault'
import { reductionNames } from '../method/reduction'
import { figure } from '../quantity/figureSchema'
import { valueSchema } from '../quantity/valueSchema'
import { comesFirst } from './planFirst'
import { typedBySchema } from './typedBySchema'

const figures = { plan: figure(valueSchema, 'judged').nullable(), wear: figure(valueSchema, 'judged') }

/** Rows up to and with a value, in rising order; the last may hold for all above. Above the last nothing is known. */
const rowsSchema = z
  .array(z.strictObject({ upTo: figure(valueSchema, 'reach').nullable(), ...figures }))
  .min(1)
  .max(40)
  .refine((rows) => rows.every(({ upTo }, at) => rises(rows[at - 1]?.upTo, upTo)), asIssue('rowsNotRising'))

const rises = (before: number | null | undefined, upTo: number | null): boolean =>
  before === undefined || (before !== null && (upTo === null || upTo > before))

/** What the figures of a limit depend on. */
const dependsSchema = z.discriminatedUnion('kind', [
  /** Hours the machine has run when it is opened. */
  z.strictObject({ kind: z.literal('hours'), rows: rowsSchema }),
  /** The new size of a characteristic, in its fixed unit. */
  z.strictObject({ kind: z.literal('size'), characteristic: names.characteristics, rows: rowsSchema }),
  /** What is fitted: a type, a model, a material. */
  z.strictObject({
    kind: z.literal('variant'),
    variant: names.variants,
    rows: z
      .array(z.strictObject({ option: idSchema, ...figures }))
      .min(1)
      .max(40),
  }),
  /** A formula over new sizes, by name, and the hours run: `0.001*D + 0.02 mm`. */
  z.strictObject({
    kind: z.literal('formula'),
    names: z.record(z.string().min(1).max(20), names.characteristics),
    plan: z.string().min(1).max(200).nullable(),
    wear: z.string().min(1).max(200),
  }),
])

/** A limit whose figures depend on something else; a job resolves it to a plain one (limitBy.ts). */
export const limitBySchema = z
  .strictObject({
    id: idSchema,
    judges: z.enum(reductionNames),
    side: z.enum(['upper', 'lower']),
    depends: dependsSchema,
    whenPassed: z.enum(['mend', 'replace']),
    mendedBy: z.array(names.routes).max(20).optional(),
    instruction: z.string().max(400),
    source: sourceSchema,
    /** Only in a draft: its figures wait for a second person, or have been held against the page. */
    typed: typedBySchema.optional(),
  })
  .refine(
    ({ depends, side }) => depends.kind === 'formula' || depends.rows.every(({ plan, wear }) => comesFirst(side, plan, wear)),
    { path: ['depends'], message: asIssue('planAfterWear') },
  )
