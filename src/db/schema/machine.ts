/** Machines, the limit books they are measured against, and the gauges that measure them. */
import { sql } from 'drizzle-orm'
import {
  boolean,
  customType,
  date,
  foreignKey,
  index,
  integer,
  jsonb,
  numeric,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import { meters } from '../../core/quantity/meter'
import { user } from './auth'

export const machine = pgTable('machine', {
  id: text('id').primaryKey(),
  station: text('station').notNull(),
  name: text('name').notNull(),
  units: text('units', { enum: ['metric', 'inch'] }).notNull(),
  /** What its running is counted in; job.running_hours and machine_hours.hours are counts of it. */
  meter: text('meter', { enum: meters }).notNull().default('hours'),
  /** Family of limit books it is measured against; a new job takes its latest revision. Null where none is known. */
  bookId: text('book_id'),
})

/** Readings of a machine's hour meter between overhauls. Append-only. */
export const machineHours = pgTable(
  'machine_hours',
  {
    id: uuid('id').primaryKey(),
    machineId: text('machine_id')
      .notNull()
      .references(() => machine.id),
    hours: integer('hours').notNull(),
    readOn: date('read_on').notNull(),
    readBy: text('read_by')
      .notNull()
      .references(() => user.id),
    /** Why a jump is right, where one was questioned. */
    note: text('note').notNull().default(''),
    notedAt: timestamp('noted_at', { withTimezone: true }).notNull(),
  },
  (table) => [index('machine_hours_machine').on(table.machineId, table.readOn)],
)

const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' })

/** Pages of a machine's documents as pictures, checked and re-encoded by the server. Append-only. */
export const documentPage = pgTable(
  'document_page',
  {
    id: uuid('id').primaryKey(),
    machineId: text('machine_id')
      .notNull()
      .references(() => machine.id),
    document: text('document').notNull(),
    page: text('page').notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    bytes: bytes('bytes').notNull(),
    small: bytes('small').notNull(),
    sha256: text('sha256').notNull(),
    addedBy: text('added_by')
      .notNull()
      .references(() => user.id),
    byName: text('by_name').notNull(),
    addedAt: timestamp('added_at', { withTimezone: true }).notNull(),
  },
  (table) => [index('document_page_machine').on(table.machineId)],
)

/** A gauge that may send its readings itself: by the code on it, so that it outlives a calibration. */
export const gaugePairing = pgTable(
  'gauge_pairing',
  {
    id: uuid('id').primaryKey(),
    code: text('code').notNull(),
    /** What it is called at the bench: the adapter, the place. */
    name: text('name').notNull(),
    /** Hash of its secret, which is shown once and kept nowhere. */
    secretSha256: text('secret_sha256').notNull(),
    madeBy: text('made_by')
      .notNull()
      .references(() => user.id),
    byName: text('by_name').notNull(),
    madeAt: timestamp('made_at', { withTimezone: true }).notNull(),
    endedAt: timestamp('ended_at', { withTimezone: true }),
  },
  (table) => [index('gauge_pairing_code').on(table.code)],
)

/** A book revision is immutable once issued: a trigger refuses changes. */
export const limitBook = pgTable(
  'limit_book',
  {
    id: text('id').notNull(),
    revision: text('revision').notNull(),
    title: text('title').notNull(),
    document: jsonb('document').notNull(),
    /** Day it was issued, from its document; null for a draft. Many drafts are listed without being read. */
    issued: text('issued').generatedAlwaysAs(sql`document->>'issued'`),
    /** The change that made this draft, by the id its sender gave it: sent again it is found here. */
    changeId: uuid('change_id').unique(),
    storedAt: timestamp('stored_at', { withTimezone: true }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.id, table.revision] })],
)

/** Whether a book revision is offered for new jobs: the last word counts. Append-only. */
export const bookStanding = pgTable(
  'book_standing',
  {
    id: uuid('id').primaryKey(),
    bookId: text('book_id').notNull(),
    revision: text('revision').notNull(),
    retired: boolean('retired').notNull(),
    reason: text('reason').notNull(),
    saidBy: text('said_by')
      .notNull()
      .references(() => user.id),
    byName: text('by_name').notNull(),
    saidAt: timestamp('said_at', { withTimezone: true }).notNull(),
  },
  (table) => [
    index('book_standing_book').on(table.bookId, table.revision, table.saidAt),
    foreignKey({ columns: [table.bookId, table.revision], foreignColumns: [limitBook.id, limitBook.revision] }),
  ],
)

/** A gauge and one calibration of it. Calibrated anew, it is another row with the same code: what was read before keeps its figures. */
export const gauge = pgTable(
  'gauge',
  {
    id: text('id').primaryKey(),
    code: text('code').notNull(),
    name: text('name').notNull(),
    kind: text('kind').notNull(),
    /** All in the fixed unit of the quantity its kind measures. */
    resolution: numeric('resolution').notNull(),
    maximumPermissibleError: numeric('maximum_permissible_error').notNull(),
    /** Expanded uncertainty of its calibration with the coverage factor; null where only the permissible error is known. */
    calibration: jsonb('calibration'),
    /** Errors by indicated value, as the certificate gives them. */
    corrections: jsonb('corrections').notNull().default([]),
    /** Standard deviation of its repeats; null where that is not known. */
    repeatability: numeric('repeatability'),
    expansionPerK: numeric('expansion_per_k'),
    /** Values it reaches; null where that is not on record. */
    least: numeric('least'),
    greatest: numeric('greatest'),
    calibrationDue: date('calibration_due').notNull(),
    /** Where it is kept; empty where nobody has said. */
    place: text('place').notNull().default(''),
    replaced: boolean('replaced').notNull().default(false),
  },
  (table) => [uniqueIndex('gauge_code_in_use').on(table.code).where(sql`NOT ${table.replaced}`)],
)
