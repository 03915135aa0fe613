/** Bodies of the calls that write, as Zod schemas: the edge between browser and server. */

import { z } from 'zod'
import { daySchema, idSchema, instantSchema } from '../core/base/idSchema'
import { alongSchema } from '../core/book/procedureSchema'
import { gaugeKinds } from '../core/gauge/gaugeKinds'
import { confirmableSteps } from '../core/job/orderOfWork'
import { routeAdditionSchema } from '../core/notes/additionSchema'
import { entryBodySchema, pictureSubjectSchema } from '../core/notes/entrySchema'
import { dispositions } from '../core/policy/disposition'
import { policySchema } from '../core/policy/policySchema'
import { meters } from '../core/quantity/meter'
import { noteNow } from '../core/record/fromVersion2'
import { OWN_WAY } from '../core/record/ownWay'
import { conditionsSchema, slotShape } from '../core/record/readingSchema'
import { stages } from '../core/record/stage'
import { settingSchema } from '../core/setting/settingSchema'
import { say } from '../labels/bodies'

/** Kept in small letters, as the database gives it back. */
const clientId = z.uuid(say.idMadeClient).transform((id) => id.toLowerCase())
const reason = z.string().trim().min(3, say.sayWhyFew).max(400)

export const readingBody = z
  .strictObject({
    id: clientId,
    characteristic: idSchema,
    ...slotShape,
    stage: z.enum(stages),
    /** read: what the text says; cannot: it cannot be measured; withdrawn: taken back. Both say why. */
    kind: z.enum(['read', 'cannot', 'withdrawn']).default('read'),
    text: z.string().trim().min(1, say.typeReading).max(400),
    conditions: conditionsSchema.nullable().default(null),
    /** Null for what is looked at. */
    gauge: idSchema.nullable(),
    takenAt: instantSchema,
    /** Id of the reading this one corrects. */
    supersedes: clientId.nullable(),
    reason: reason.nullable(),
  })
  .refine((body) => body.supersedes === null || body.reason !== null, { path: ['reason'], message: say.correctionSaysWhy })
  .refine((body) => body.kind === 'read' || body.reason !== null, { path: ['reason'], message: say.sayWhyCannot })
  .refine((body) => body.kind !== 'withdrawn' || body.supersedes !== null, {
    path: ['supersedes'],
    message: say.nameReadingTaken,
  })
export type ReadingBody = z.infer<typeof readingBody>

export const confirmationBody = z.strictObject({
  id: clientId,
  step: z.enum(confirmableSteps),
  note: z.string().trim().max(400),
})
export type ConfirmationBody = z.infer<typeof confirmationBody>

export const decisionBody = z.strictObject({
  id: clientId,
  part: idSchema,
  /** The recommended verdict the inspector saw; refused when it has changed meanwhile. */
  recommended: z.enum([...dispositions, 'hold']),
  decided: z.enum(dispositions),
  reason: reason.nullable(),
  /** Route it is reconditioned by, or OWN_WAY; null where none was chosen. */
  route: z
    .union([idSchema, z.literal(OWN_WAY)])
    .nullable()
    .default(null),
})
export type DecisionBody = z.infer<typeof decisionBody>

export const reviewBody = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('send'), id: clientId, note: z.string().trim().max(400) }),
  z.strictObject({ kind: z.literal('return'), id: clientId, note: reason }),
  z.strictObject({ kind: z.literal('end'), id: clientId, note: z.string().trim().max(400) }),
  z.strictObject({
    kind: z.literal('sign'),
    id: clientId,
    password: z.string().min(1, say.typeYourPassword).max(200),
    /** Of the second factor; empty where the signer has none. */
    code: z.string().trim().max(20).default(''),
    /** Hash of the record the reviewer saw: what is signed is what was read. */
    recordSha256: z.string().regex(/^[0-9a-f]{64}$/),
    /** Why the reviewer accepts what is left beyond its limits; empty where nothing is. */
    reason: z.string().trim().max(400).default(''),
  }),
])
export type ReviewBody = z.infer<typeof reviewBody>

/** Opens a job on a machine. */
export const openJobBody = z.strictObject({
  id: clientId,
  /** Null where the book has no levels: then everything is measured. */
  level: idSchema.nullable(),
  runningHours: z.int(say.wholeHours).min(0, say.hoursNotNegative).max(10_000_000, say.noMeterShows),
  /** Day the meter was read. */
  readOn: daySchema,
  reason: z.string().trim().min(3, say.sayWhyOpened).max(200),
  complaint: z.string().trim().max(1000),
  returnBy: daySchema.nullable(),
  mustRunHours: z.int(say.wholeHours).min(0).max(1_000_000),
  /** Starts counted so far; null where nobody counts them. */
  starts: z.int(say.wholeHours).min(0).max(10_000_000).nullable().default(null),
  policy: policySchema,
  /** Done to learn: trainees may work in it, and nothing of it counts. */
  practice: z.boolean(),
  /** Why a questioned jump of the hours is right; null while nobody has said so. */
  hoursNote: reason.nullable(),
})
export type OpenJobBody = z.infer<typeof openJobBody>

/** An entry, with the entry that stood on its subject when it was written: what its author had seen. */
const sentEntry = z.strictObject({ id: clientId, seen: clientId.nullable(), body: z.preprocess(noteNow, entryBodySchema) })
export type SentEntry = z.infer<typeof sentEntry>

/** Entries that belong together are stored together or not at all. */
export const entriesBody = z.strictObject({ entries: z.array(sentEntry).min(1).max(200) })
export type EntriesBody = z.infer<typeof entriesBody>

/** A machine that is in no limit book. */
export const machineBody = z.strictObject({
  id: clientId,
  station: z.string().trim().min(1, say.namePlace).max(120),
  name: z.string().trim().min(1, say.nameMachine).max(120),
  units: z.enum(['metric', 'inch']),
  meter: z.enum(meters).default('hours'),
})
export type MachineBody = z.infer<typeof machineBody>

const positionName = z.string().trim().min(1, say.nameIt).max(120)
const positionNames = z.array(positionName).min(1).max(24)

const cell = z.string().trim().max(60)
/** One figure, or a table by size or hours. */
const limitCell = z.string().trim().max(400)
const sheetPlace = { of: idSchema, judges: z.string().min(1).max(40), side: z.enum(['upper', 'lower']) }

/** One change to the draft of a machine's book. */
export const draftChange = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('add'),
    assembly: idSchema,
    names: positionNames,
    into: idSchema.nullable(),
    answers: z.record(z.string().regex(/^\w{1,20}$/), z.string().trim().max(60)),
  }),
  z.strictObject({ kind: z.literal('rename'), position: idSchema, name: positionName }),
  z.strictObject({ kind: z.literal('copy'), position: idSchema, names: positionNames }),
  z.strictObject({ kind: z.literal('mirror'), position: idSchema, name: positionName }),
  z.strictObject({
    kind: z.literal('detail'),
    position: idSchema,
    detail: z.strictObject({
      into: idSchema.nullable(),
      along: alongSchema.nullable().optional(),
      count: z.int().min(1).max(999),
      faces: z.array(z.string().trim().min(1).max(80)).max(8),
      clock: z.string().trim().min(1).max(80).nullable(),
      loose: z.string().trim().min(1).max(200).nullable(),
      thread: z.enum(['left', 'right']).nullable(),
      special: z.string().trim().min(1).max(120).nullable(),
      asks: z.enum(['nothing', 'thickness', 'bearing', 'seal', 'thread']),
      keptWith: z.array(idSchema).max(40),
    }),
  }),
  z.strictObject({ kind: z.literal('takeOut'), position: idSchema }),
  /** What decides a gate inspection. */
  z.strictObject({ kind: z.literal('gate'), measures: z.array(idSchema).max(500) }),
  /** Rows of the limits sheet as they were typed. */
  z.strictObject({
    kind: z.literal('limits'),
    rows: z
      .array(
        z.strictObject({
          ...sheetPlace,
          new: cell,
          plan: limitCell,
          wear: limitCell,
          whenPassed: z.enum(['mend', 'replace']),
          instruction: z.string().trim().max(400),
          document: z.string().trim().max(40),
          page: z.string().trim().max(40),
        }),
      )
      .min(1)
      .max(2000),
  }),
  /** A value that the kit asks no limit for, and the manual at hand gives one. */
  z.strictObject({ kind: z.literal('want'), ...sheetPlace }),
  /** Whether a measurement or a fit tells of wear, a setting or both. */
  z.strictObject({ kind: z.literal('setting'), of: idSchema, setting: settingSchema }),
  /** A way to bring a part back, as its document gives it: another, or one that the draft has. */
  z.strictObject({ kind: z.literal('route'), replaces: idSchema.nullable(), what: routeAdditionSchema }),
  /** What a second person says of rows, with the page before them. */
  z.strictObject({
    kind: z.literal('check'),
    rows: z
      .array(z.strictObject({ ...sheetPlace, agrees: z.boolean(), note: z.string().trim().max(400) }))
      .min(1)
      .max(2000),
  }),
  /** The next draft of a book that was issued, as it stands. */
  z.strictObject({ kind: z.literal('begin') }),
  /** As an earlier draft had it. */
  z.strictObject({ kind: z.literal('back'), revision: z.string().min(1).max(20) }),
])
export type DraftChange = z.infer<typeof draftChange>

/** A change, with the draft it was made on: null where there was none. */
export const draftChangeBody = z.strictObject({
  id: clientId,
  base: z.string().min(1).max(20).nullable(),
  change: draftChange,
})
export type DraftChangeBody = z.infer<typeof draftChangeBody>

export const draftBookBody = z.strictObject({ title: z.string().trim().min(3, say.giveBookTitle).max(200) })
export type DraftBookBody = z.infer<typeof draftBookBody>

const gaugeText = z.string().trim().max(60)
/** A gauge as typed; with `replaces`, a new calibration of one that is in the store. */
export const gaugeBody = z.strictObject({
  id: clientId,
  replaces: idSchema.nullable(),
  code: z.string().trim().max(40),
  name: z.string().trim().max(120),
  kind: z.enum(gaugeKinds),
  resolution: gaugeText,
  maximumPermissibleError: gaugeText,
  expanded: gaugeText,
  coverage: gaugeText,
  repeatability: gaugeText.default(''),
  corrections: z.string().trim().max(4000),
  expansion: gaugeText,
  least: gaugeText,
  greatest: gaugeText,
  calibrationDue: daySchema,
  /** Where it is kept. */
  place: z.string().trim().max(80).default(''),
})
export type GaugeBody = z.infer<typeof gaugeBody>

/** Pairs a gauge that sends its readings itself. */
export const pairingBody = z.strictObject({
  id: clientId,
  name: z.string().trim().min(1, say.nameAdapterPlace).max(60),
})
export type PairingBody = z.infer<typeof pairingBody>
export const endPairingBody = z.strictObject({ pairing: clientId })
export type EndPairingBody = z.infer<typeof endPairingBody>

/** What goes with a table of earlier readings. */
export const historyFields = z.strictObject({
  id: clientId,
  /** Where it comes from, in words. */
  source: z.string().trim().min(3, say.sayWhereReadings).max(200),
})
export type HistoryFields = z.infer<typeof historyFields>

/** What goes with an uploaded picture. */
export const pictureFields = z.strictObject({
  id: clientId,
  subject: pictureSubjectSchema,
  caption: z.string().trim().max(200),
})
export type PictureFields = z.infer<typeof pictureFields>

/** What goes with the picture of a page of a document. */
export const pageFields = z.strictObject({
  id: clientId,
  document: z.string().trim().min(1).max(40),
  page: z.string().trim().min(1).max(40),
})
export type PageFields = z.infer<typeof pageFields>

/** Roles as bodies name them; the server's table of rights is `server/people/roles.ts`. */
const role = z.enum(['inspector', 'reviewer', 'planner', 'trainee', 'visitor', 'administrator'])
const personName = z.string().trim().min(1, say.nameThePerson).max(120)
/** What a user name may be; the sign-in library is held to it as well. */
export const USER_NAME = /^[a-z0-9][a-z0-9.-]{2,29}$/
const username = z.string().trim().regex(USER_NAME, say.chooseUserName)
const place = z
  .string()
  .trim()
  .max(120)
  .transform((text) => (text === '' ? null : text))
  .nullable()
const password = z.string().min(10, say.chooseLonger).max(128)

export const personBody = z.strictObject({ id: clientId, name: personName, username, role, station: place })
export type PersonBody = z.infer<typeof personBody>

export const personChange = z.strictObject({
  name: personName,
  role,
  station: place,
  disabled: z.boolean(),
  secondFactorAsked: z.boolean(),
})
export type PersonChange = z.infer<typeof personChange>

export const passwordBody = z.strictObject({ code: z.string().trim().min(1, say.typeCode).max(60), password })
export type PasswordBody = z.infer<typeof passwordBody>

export const ownPasswordBody = z.strictObject({ current: z.string().min(1, say.typeCurrentPassword).max(128), password })
export type OwnPasswordBody = z.infer<typeof ownPasswordBody>

export const ownPasswordCheckBody = z.strictObject({ current: z.string().min(1, say.typeCurrentPassword).max(128) })
export type OwnPasswordCheckBody = z.infer<typeof ownPasswordCheckBody>

const factorCode = z.string().trim().min(1, say.typeTheCode).max(20)
export const codeBody = z.strictObject({ code: factorCode })
export type CodeBody = z.infer<typeof codeBody>

export const endFactorBody = z.strictObject({ current: z.string().min(1, say.typeCurrentPassword).max(128), code: factorCode })
export type EndFactorBody = z.infer<typeof endFactorBody>

export const firstBody = z.strictObject({
  id: clientId,
  code: z.string().trim().min(1, say.typeCode).max(60),
  name: personName,
  username,
  station: z.string().trim().min(1, say.nameStation).max(120),
  password,
})
export type FirstBody = z.infer<typeof firstBody>

export const nothingBody = z.strictObject({})

/** What goes with a file that is a limit book: the id of its import, and the machine it is for, where one is named. */
export const bookFileFields = z.strictObject({ id: clientId, machine: z.string().min(1).max(80).nullable() })
export type BookFileFields = z.infer<typeof bookFileFields>

/** What was written otherwise in the draft of a limit book; whether the book holds together then, the core says. */
export const bookEditsBody = z.strictObject({
  id: clientId,
  /** The draft it was written on. */
  base: z.string().min(1).max(20),
  edits: z.strictObject({
    about: z.strictObject({ title: z.string().trim().min(1).max(200).optional(), currency: z.string().length(3).optional() }),
    lists: z
      .array(
        z.strictObject({
          list: z.string().regex(/^\w{1,40}$/),
          entries: z
            .array(z.strictObject({ id: z.string().min(1).max(80), entry: z.record(z.string().max(80), z.unknown()).nullable() }))
            .max(6000),
          order: z.array(z.string().min(1).max(80)).max(10_000).nullable(),
        }),
      )
      .max(40),
  }),
})
export type BookEditsBody = z.infer<typeof bookEditsBody>

/** A draft is issued under a revision, by a second person. */
export const issueBody = z.strictObject({
  id: clientId,
  revision: z
    .string()
    .trim()
    .min(1, say.nameRevision)
    .max(20)
    .refine((text) => !/draft/i.test(text), say.revisionNoDraft)
    // An address is made of it.
    .refine((text) => /^[\p{L}\d][\p{L}\d ._-]*$/u.test(text), say.revisionLetters),
})
export type IssueBody = z.infer<typeof issueBody>

/** A revision is retired, or offered again. */
export const standingBody = z.strictObject({ id: clientId, retired: z.boolean(), reason })
export type StandingBody = z.infer<typeof standingBody>

/** A machine is measured against a book from now on; `job`: so is the job that is open on it, at this revision. */
export const machineBookBody = z.strictObject({
  book: z.string().min(1).max(80),
  revision: z.string().min(1).max(20),
  job: z.boolean(),
})
export type MachineBookBody = z.infer<typeof machineBookBody>

/** A book is begun as a copy of another. */
export const copyBody = z.strictObject({ id: clientId, title: z.string().trim().min(3, say.giveBookTitle).max(200) })
export type CopyBody = z.infer<typeof copyBody>
