/**
 * What people note around a job before and beside the gauge: ticks, tags, findings, pictures. One append-only list of
 * entries; where things stand is worked out from it (fold.ts), so nothing noted is ever lost or overwritten.
 */
import { z } from 'zod'
import { instantSchema } from '../base/idSchema'
import { type EntryBody, noteKinds } from './kinds'
import { noteShaping } from './noteShapingSchema'
import { pictureSubjectShape } from './shapes'

export type { EntryBody, EntryKind } from './kinds'

export const pictureSubjectSchema = pictureSubjectShape(noteShaping)

type Shape = z.ZodObject<{ kind: z.ZodLiteral<string> }>

export const entryBodySchema = z.discriminatedUnion(
  'kind',
  Object.values(noteKinds).map(({ shape }) => shape(noteShaping) as unknown as Shape) as [Shape, ...Shape[]],
) as unknown as z.ZodType<EntryBody>

/** One entry as it stands in the record. */
export const entrySchema = z.strictObject({
  id: z.uuid(),
  by: z.string().min(1).max(120),
  at: instantSchema,
  body: entryBodySchema,
})

export type Entry = z.infer<typeof entrySchema>
