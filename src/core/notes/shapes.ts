import type { z } from 'zod'
import type { Frozen } from '../base/frozen'
import { findingKindIds, severities, sinceWhen } from '../condition/findingKinds'
import type { NoteShaping } from './noteShapingSchema'

/** What a shape makes, as it is read back. */
export type Noting<S extends (of: NoteShaping) => z.ZodType> = Frozen<z.output<ReturnType<S>>>

/** The label tied to a part, and how it lay in the machine. */
export const tagShape = ({ z, idSchema, words }: NoteShaping) =>
  z.strictObject({
    /** Number on the label tied to the part. */
    number: words(20),
    face: words(80),
    /** Hour on the clock, seen from where the book looks; null where it has none. */
    clock: z.int().min(1).max(12).nullable(),
    matchMark: words(80),
    keptWith: z.array(idSchema).max(40),
    /** Pieces found here. */
    count: z.int().min(0).max(999),
    note: words(400),
  })
export type Tag = Noting<typeof tagShape>

export const findingShape = ({ z, idSchema, words }: NoteShaping) =>
  z.strictObject({
    part: idSchema,
    kind: z.enum(findingKindIds),
    severity: z.enum(severities),
    since: z.enum(sinceWhen),
    station: z.string().min(1).max(8).nullable(),
    clock: z.int().min(1).max(12).nullable(),
    /** Which of the like pieces it is on, counted as they are tagged; left out where there is one, or nobody cares which. */
    piece: z.int().min(1).max(999).optional(),
    /** How far it reaches, as typed. */
    extent: words(80),
    note: words(400),
  })
export type FindingValue = Noting<typeof findingShape>

export const elementShape = ({ z }: NoteShaping) =>
  z.strictObject({
    element: z.int().min(1).max(8000),
    state: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('sound') }),
      z.strictObject({ kind: z.literal('worn'), fraction: z.number().gt(0).lt(1) }),
      z.strictObject({ kind: z.literal('broken') }),
    ]),
  })

/** Sizes by which a rolling bearing, a seal or a thread is known, as typed. */
export const identityShape = ({ z, typedSize }: NoteShaping) =>
  z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('bearing'),
      bore: typedSize,
      outside: typedSize,
      width: typedSize,
      /** What stands on it: without it nothing is identified. */
      marking: z.string().max(80).optional(),
    }),
    z.strictObject({ kind: z.literal('seal'), shaft: typedSize, outside: typedSize, width: typedSize }),
    z.strictObject({
      kind: z.literal('thread'),
      diameter: typedSize,
      pitch: typedSize,
      flank: z.union([z.literal(60), z.literal(55)]).nullable(),
    }),
  ])
export type IdentitySizes = Noting<typeof identityShape>

/** Places on a picture are parts of its width and height, 0 to 1, so they hold at every size. */
const pointShape = ({ z }: NoteShaping) => z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)])

export const markShape = (of: NoteShaping) => {
  const { z } = of
  const point = pointShape(of)
  return z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('arrow'), from: point, to: point }),
    z.strictObject({ kind: z.literal('ring'), at: point, radius: point }),
    z.strictObject({ kind: z.literal('text'), at: point, text: z.string().trim().min(1).max(80) }),
  ])
}
export type PictureMark = Noting<typeof markShape>

export const pictureSubjectShape = ({ z, idSchema }: NoteShaping) =>
  z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('step'), id: idSchema }),
    z.strictObject({ kind: z.literal('position'), id: idSchema }),
    z.strictObject({ kind: z.literal('part'), id: idSchema }),
    z.strictObject({ kind: z.literal('finding'), id: idSchema }),
  ])
export type PictureSubject = Noting<typeof pictureSubjectShape>
