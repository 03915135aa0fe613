/** What a person types about a thing to be measured that no limit book has: part, method, limits as the manual gives them. */

import { z } from 'zod'
import type { Frozen } from '../base/frozen'
import { idSchema, nameSchema } from '../base/idSchema'
import { asIssue } from '../base/schemaFault'
import { gaugeKinds } from '../gauge/gaugeKinds'
import { methodSchema } from '../method/methodSchema'
import { reductionNames } from '../method/reduction'
import { settingSchema } from '../setting/settingSchema'

/** A figure with or without a unit, kept as typed; read by core/typed. */
const anyText = z.string().trim().min(1, asIssue('typeAFigure'))
export const figureText = anyText.max(60)
export const page = z.string().trim().min(1, asIssue('nameThePage')).max(40)

/** A document by its short name, as a person names it. */
export const typedDocumentSchema = z.strictObject({
  id: z.string().trim().min(1).max(40),
  title: nameSchema,
  revision: z.string().trim().max(40),
})

/** A limit: a figure, a table of them by size or hours, or “none”. */
export const limitText = anyText.max(400)

const typedLimitSchema = z.strictObject({
  judges: z.enum(reductionNames),
  side: z.enum(['upper', 'lower']),
  wear: limitText,
  plan: limitText.nullable(),
  whenPassed: z.enum(['mend', 'replace']),
  /** What the maker says to do when it is passed, in words. */
  instruction: z.string().trim().max(400),
  page,
})

export const typedCharacteristicSchema = z.strictObject({
  name: nameSchema,
  /** A part of the book, or a new one with its name and place. */
  part: z.strictObject({
    id: idSchema,
    name: nameSchema,
    assembly: nameSchema,
    position: nameSchema,
    /** A new part sits at a position of its own in this one, or in the machine itself; left out by what was typed long ago. */
    sitsIn: idSchema.nullable().optional(),
  }),
  method: methodSchema,
  gaugeKind: z.enum(gaugeKinds),
  /** Step its figures are read to. */
  readTo: figureText,
  how: z.string().trim().max(400),
  document: typedDocumentSchema,
  /** New size as the manual gives it; null where it gives none. */
  new: z.strictObject({ nominal: figureText.nullable(), lower: figureText, upper: figureText, page }).nullable(),
  limits: z.array(typedLimitSchema).max(20),
  /** Whether it tells of wear, a setting or both; left out: as its kind usually does. */
  setting: settingSchema.optional(),
  safety: z.boolean(),
})

export type TypedCharacteristic = Frozen<z.infer<typeof typedCharacteristicSchema>>
export type TypedLimit = TypedCharacteristic['limits'][number]
