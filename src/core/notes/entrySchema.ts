/**
 * What people note around a job before and beside the gauge: ticks, tags, findings, pictures. One append-only list of
 * entries; where things stand is worked out from it (work/fold.ts), so nothing noted is ever lost or overwritten.
 */
import { z } from 'zod'
import { idSchema, instantSchema, nameSchema } from '../base/idSchema'
import { procedureStages } from '../book/procedureStages'
import { causeFamilies, findingKindIds, severities, sinceWhen } from '../condition/findingKinds'
import { typedCharacteristicSchema } from './typedSchema'

const words = (most: number) => z.string().trim().max(most)
const reason = z.string().trim().min(3, 'say why, in a few words').max(400)
const typed = z.string().trim().min(1, 'type a size').max(60)

const tagSchema = z.strictObject({
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

const findingSchema = z.strictObject({
  part: idSchema,
  kind: z.enum(findingKindIds),
  severity: z.enum(severities),
  since: z.enum(sinceWhen),
  station: z.string().min(1).max(8).nullable(),
  clock: z.int().min(1).max(12).nullable(),
  /** How far it reaches, as typed. */
  extent: words(80),
  note: words(400),
})

const elementSchema = z.strictObject({
  element: z.int().min(1).max(8000),
  state: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('sound') }),
    z.strictObject({ kind: z.literal('worn'), fraction: z.number().gt(0).lt(1) }),
    z.strictObject({ kind: z.literal('broken') }),
  ]),
})

/** Places on a picture are parts of its width and height, 0 to 1, so they hold at every size. */
const pointSchema = z.tuple([z.number().min(0).max(1), z.number().min(0).max(1)])
const markSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('arrow'), from: pointSchema, to: pointSchema }),
  z.strictObject({ kind: z.literal('ring'), at: pointSchema, radius: pointSchema }),
  z.strictObject({ kind: z.literal('text'), at: pointSchema, text: z.string().trim().min(1).max(80) }),
])

export const pictureSubjectSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('step'), id: idSchema }),
  z.strictObject({ kind: z.literal('position'), id: idSchema }),
  z.strictObject({ kind: z.literal('part'), id: idSchema }),
  z.strictObject({ kind: z.literal('finding'), id: idSchema }),
])

export const entryBodySchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('planTicked'), item: idSchema, state: z.enum(['open', 'there', 'missing']) }),
  z.strictObject({
    kind: z.literal('stepDone'),
    step: idSchema,
    note: words(400),
    /** Who is licensed, where the step asks for it: name and licence as shown. */
    licensed: z.strictObject({ name: nameSchema, licence: z.string().trim().min(1).max(60) }).nullable(),
  }),
  z.strictObject({ kind: z.literal('stepSkipped'), step: idSchema, reason }),
  /** A step that cannot be skipped does not apply to this machine; a second person agrees. */
  z.strictObject({ kind: z.literal('stepNotApplicable'), step: idSchema, reason }),
  z.strictObject({ kind: z.literal('stepNotApplicableAgreed'), step: idSchema }),
  z.strictObject({ kind: z.literal('stepReopened'), step: idSchema, reason }),
  z.strictObject({
    kind: z.literal('stepAdded'),
    step: idSchema,
    stage: z.enum(procedureStages),
    name: nameSchema,
    text: words(1000),
    after: idSchema.nullable(),
  }),
  z.strictObject({ kind: z.literal('stepMoved'), step: idSchema, after: idSchema.nullable() }),
  z.strictObject({ kind: z.literal('waitStarted'), step: idSchema }),
  z.strictObject({ kind: z.literal('tagWritten'), position: idSchema, tag: tagSchema }),
  z.strictObject({ kind: z.literal('laidOut'), position: idSchema, tray: nameSchema, after: idSchema.nullable() }),
  z.strictObject({ kind: z.literal('putBack'), position: idSchema }),
  z.strictObject({
    kind: z.literal('positionAdded'),
    position: idSchema,
    name: nameSchema,
    parent: idSchema.nullable(),
    count: z.int().min(1).max(999),
  }),
  z.strictObject({ kind: z.literal('positionMoved'), position: idSchema, parent: idSchema.nullable() }),
  z.strictObject({ kind: z.literal('jointMarked'), joint: idSchema, mark: words(80) }),
  z.strictObject({ kind: z.literal('thicknessTaken'), position: idSchema, text: typed }),
  z.strictObject({
    kind: z.literal('identified'),
    position: idSchema,
    sizes: z.discriminatedUnion('kind', [
      z.strictObject({ kind: z.literal('bearing'), bore: typed, outside: typed, width: typed }),
      z.strictObject({ kind: z.literal('seal'), shaft: typed, outside: typed, width: typed }),
      z.strictObject({
        kind: z.literal('thread'),
        diameter: typed,
        pitch: typed,
        flank: z.union([z.literal(60), z.literal(55)]).nullable(),
      }),
    ]),
  }),
  z.strictObject({
    kind: z.literal('putIn'),
    temporary: idSchema,
    name: nameSchema,
    where: words(120),
    count: z.int().min(1).max(999),
  }),
  z.strictObject({ kind: z.literal('takenOut'), temporary: idSchema, count: z.int().min(1).max(999) }),
  /** Looked at and nothing found. */
  z.strictObject({ kind: z.literal('lookedAt'), part: idSchema, note: words(200) }),
  z.strictObject({ kind: z.literal('findingRecorded'), finding: idSchema, value: findingSchema }),
  z.strictObject({ kind: z.literal('findingWithdrawn'), finding: idSchema, reason }),
  z.strictObject({
    kind: z.literal('causeRecorded'),
    finding: idSchema,
    /** Null leaves the cause open again. */
    cause: z.strictObject({ family: z.enum(causeFamilies), text: words(400) }).nullable(),
  }),
  z.strictObject({ kind: z.literal('measurementPlanned'), characteristic: idSchema, finding: idSchema }),
  z.strictObject({ kind: z.literal('patternRecorded'), pattern: idSchema, elements: z.array(elementSchema).max(8000) }),
  /** A feel, rock or slack test: sound, or with the finding it gave. */
  z.strictObject({ kind: z.literal('handTested'), test: idSchema, finding: idSchema.nullable(), note: words(200) }),
  /** Made by the server once it has checked the picture; the hash binds the picture to what is signed. */
  z.strictObject({
    kind: z.literal('pictureAdded'),
    picture: z.uuid(),
    subject: pictureSubjectSchema,
    caption: words(200),
    sha256: z.string().regex(/^[0-9a-f]{64}$/),
    width: z.int().min(1).max(20_000),
    height: z.int().min(1).max(20_000),
  }),
  z.strictObject({ kind: z.literal('pictureMarked'), picture: z.uuid(), marks: z.array(markSchema).max(100) }),
  z.strictObject({ kind: z.literal('pictureRemoved'), picture: z.uuid(), reason }),
  /** Measured without a book, or beside it: limits as the manual at hand gives them. */
  z.strictObject({ kind: z.literal('characteristicTyped'), characteristic: idSchema, value: typedCharacteristicSchema }),
  z.strictObject({ kind: z.literal('characteristicDropped'), characteristic: idSchema, reason }),
  /** A second person held what was typed against the document. */
  z.strictObject({
    kind: z.literal('limitsChecked'),
    characteristic: idSchema,
    /** The entry that was checked: what is typed anew is unchecked again. */
    of: z.uuid(),
    agrees: z.boolean(),
    note: words(400),
  }),
  /** A note at one reading. */
  z.strictObject({ kind: z.literal('readingNoted'), reading: z.uuid(), note: words(400) }),
  z.strictObject({ kind: z.literal('complaintExplained'), finding: idSchema.nullable() }),
  z.strictObject({ kind: z.literal('complaintGone'), note: z.string().trim().min(3, 'say how it was proved').max(400) }),
])

/** One entry as it stands in the record. */
export const entrySchema = z.strictObject({
  id: z.uuid(),
  by: z.string().min(1).max(120),
  at: instantSchema,
  body: entryBodySchema,
})

export type EntryBody = z.infer<typeof entryBodySchema>
export type Entry = z.infer<typeof entrySchema>
export type EntryKind = EntryBody['kind']
export type Tag = z.infer<typeof tagSchema>
export type FindingValue = z.infer<typeof findingSchema>
export type PictureMark = z.infer<typeof markSchema>
export type PictureSubject = z.infer<typeof pictureSubjectSchema>
export type IdentitySizes = Extract<EntryBody, { kind: 'identified' }>['sizes']
