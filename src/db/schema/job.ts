/** A job and everything recorded under it. All tables below `job` are append-only: triggers refuse updates and deletes. */

import { isNull, sql } from 'drizzle-orm'
import {
  bigserial,
  boolean,
  check,
  customType,
  date,
  foreignKey,
  index,
  integer,
  jsonb,
  numeric,
  pgTable,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import { dispositions } from '../../core/policy/disposition'
import { user } from './auth'
import { gauge, limitBook, machine } from './machine'

const instant = (name: string) => timestamp(name, { withTimezone: true })
const person = (name: string) =>
  text(name)
    .notNull()
    .references(() => user.id)
/** Name of that person as it was then; null in rows from before it was kept. */
const nameThen = () => text('by_name')

export const job = pgTable(
  'job',
  {
    id: text('id').primaryKey(),
    machineId: text('machine_id')
      .notNull()
      .references(() => machine.id),
    /** Both null where the machine has no limit book: limits are typed in the job. */
    bookId: text('book_id'),
    bookRevision: text('book_revision'),
    title: text('title').notNull(),
    reason: text('reason').notNull(),
    openedOn: date('opened_on').notNull(),
    openedBy: person('opened_by'),
    byName: nameThen(),
    runningHours: integer('running_hours').notNull(),
    mustRunHours: integer('must_run_hours').notNull(),
    /** Starts counted so far; null where nobody counts them. */
    starts: integer('starts'),
    /** Inspection level of the book; null where the book has none. */
    level: text('level'),
    complaint: text('complaint').notNull().default(''),
    returnBy: date('return_by'),
    policy: jsonb('policy').notNull(),
    /** Mark of the installed part by part id, as the machine was opened. */
    installed: jsonb('installed').notNull(),
    /** Where its readings were taken over from; null for a job done with Medida. Nothing is added to an imported one. */
    importedFrom: text('imported_from'),
    /** Done to learn: trainees may work in it, it is never signed, and nothing of it counts for the machine. */
    practice: boolean('practice').notNull().default(false),
    /** Never written: the right to it lets the server lock the row, and change nothing of it. */
    lock: integer('lock'),
  },
  (table) => [
    foreignKey({ columns: [table.bookId, table.bookRevision], foreignColumns: [limitBook.id, limitBook.revision] }),
    index('job_machine').on(table.machineId),
    check('job_book_whole', sql`(${table.bookId} IS NULL) = (${table.bookRevision} IS NULL)`),
  ],
)

const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' })

const jobId = () =>
  text('job_id')
    .notNull()
    .references(() => job.id)

export const reading = pgTable(
  'reading',
  {
    /** Made by the client (UUID v7): the same reading sent twice is stored once. */
    id: uuid('id').primaryKey(),
    jobId: jobId(),
    characteristic: text('characteristic').notNull(),
    station: text('station').notNull(),
    direction: text('direction').notNull(),
    repeat: integer('repeat').notNull(),
    stage: text('stage', { enum: ['asFound', 'afterWork', 'asLeft'] }).notNull(),
    text: text('text').notNull(),
    defaultUnit: text('default_unit').notNull(),
    masterMm: numeric('master_mm'),
    kind: text('kind', { enum: ['point', 'interval', 'notApplicable', 'cannot', 'withdrawn'] })
      .notNull()
      .default('point'),
    /** Exact decimals in the fixed unit of the quantity; null unless it is a point, or an end that nothing bounds. */
    value: numeric('value'),
    low: numeric('low'),
    high: numeric('high'),
    /** Zero check and temperatures it was taken under. */
    conditions: jsonb('conditions'),
    /** Null for what is looked at. */
    gaugeId: text('gauge_id').references(() => gauge.id),
    takenBy: person('taken_by'),
    byName: nameThen(),
    /** Clock of the device, and clock of the server. */
    takenAt: instant('taken_at').notNull(),
    receivedAt: instant('received_at').notNull(),
    supersedes: uuid('supersedes'),
    reason: text('reason'),
  },
  (table) => [
    foreignKey({ columns: [table.supersedes], foreignColumns: [table.id] }),
    index('reading_place').on(table.jobId, table.characteristic, table.stage, table.station, table.direction, table.repeat),
    // A reading is corrected once; the correction can be corrected in turn.
    uniqueIndex('reading_corrected_once').on(table.supersedes),
    // One first reading at a place; what follows there must name what it corrects.
    uniqueIndex('reading_first_at_place')
      .on(table.jobId, table.characteristic, table.stage, table.station, table.direction, table.repeat)
      .where(isNull(table.supersedes)),
  ],
)

export const stepConfirmation = pgTable(
  'step_confirmation',
  {
    id: uuid('id').primaryKey(),
    jobId: jobId(),
    step: text('step').notNull(),
    note: text('note').notNull(),
    confirmedBy: person('confirmed_by'),
    byName: nameThen(),
    confirmedAt: instant('confirmed_at').notNull(),
  },
  (table) => [uniqueIndex('step_confirmed_once').on(table.jobId, table.step)],
)

export const decision = pgTable(
  'decision',
  {
    id: uuid('id').primaryKey(),
    jobId: jobId(),
    part: text('part').notNull(),
    recommended: text('recommended', { enum: [...dispositions, 'hold'] }).notNull(),
    decided: text('decided', { enum: dispositions }).notNull(),
    reason: text('reason'),
    /** Route it is reconditioned by, where one was chosen. */
    route: text('route'),
    decidedBy: person('decided_by'),
    byName: nameThen(),
    decidedAt: instant('decided_at').notNull(),
  },
  (table) => [index('decision_job').on(table.jobId, table.part)],
)

export const reviewEvent = pgTable(
  'review_event',
  {
    id: uuid('id').primaryKey(),
    jobId: jobId(),
    kind: text('kind', { enum: ['sent', 'returned', 'signed', 'ended'] }).notNull(),
    note: text('note').notNull(),
    actedBy: person('acted_by'),
    byName: nameThen(),
    actedAt: instant('acted_at').notNull(),
  },
  (table) => [index('review_job').on(table.jobId)],
)

/** A signed report: the whole record as canonical JSON with its hash, chained to the machine's previous signature. */
export const report = pgTable(
  'report',
  {
    id: uuid('id').primaryKey(),
    jobId: jobId().unique(),
    machineId: text('machine_id')
      .notNull()
      .references(() => machine.id),
    sequence: integer('sequence').notNull(),
    canonical: text('canonical').notNull(),
    sha256: text('sha256').notNull(),
    previousSha256: text('previous_sha256'),
    coreVersion: text('core_version').notNull(),
    signedBy: person('signed_by'),
    byName: nameThen(),
    signedAt: instant('signed_at').notNull(),
    /** Ed25519 over `canonical`, base64, and the public key it verifies with (SPKI, base64); null in reports from before there were keys. */
    signature: text('signature'),
    publicKey: text('public_key'),
  },
  (table) => [uniqueIndex('report_sequence').on(table.machineId, table.sequence)],
)

/** What is noted around a job (ticks, tags, findings …): one append-only list, in the order of `seq`. */
export const jobEntry = pgTable(
  'job_entry',
  {
    id: uuid('id').primaryKey(),
    /** Order of arrival; given out under the job's lock, so within a job it is the order of commits. */
    seq: bigserial('seq', { mode: 'number' }).notNull(),
    jobId: jobId(),
    /** What it is about: two entries about the same subject can be in conflict. */
    subject: text('subject').notNull(),
    body: jsonb('body').notNull(),
    notedBy: person('noted_by'),
    byName: nameThen(),
    notedAt: instant('noted_at').notNull(),
  },
  (table) => [
    uniqueIndex('job_entry_order').on(table.jobId, table.seq),
    index('job_entry_subject').on(table.jobId, table.subject),
  ],
)

/** Pictures as checked and re-encoded by the server, with a small one for lists. */
export const picture = pgTable(
  'picture',
  {
    id: uuid('id').primaryKey(),
    jobId: jobId(),
    type: text('type', { enum: ['image/jpeg'] }).notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    bytes: bytes('bytes').notNull(),
    small: bytes('small').notNull(),
    sha256: text('sha256').notNull(),
    addedBy: person('added_by'),
    byName: nameThen(),
    addedAt: instant('added_at').notNull(),
  },
  (table) => [index('picture_job').on(table.jobId)],
)
