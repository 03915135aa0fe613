/** Machines, the limit books they are measured against, and the gauges that measure them. */
import { date, jsonb, numeric, pgTable, primaryKey, text } from 'drizzle-orm/pg-core'

export const machine = pgTable('machine', {
  id: text('id').primaryKey(),
  station: text('station').notNull(),
  name: text('name').notNull(),
  units: text('units', { enum: ['metric', 'inch'] }).notNull(),
})

/** A book revision is immutable once issued: a trigger refuses changes. */
export const limitBook = pgTable(
  'limit_book',
  {
    id: text('id').notNull(),
    revision: text('revision').notNull(),
    title: text('title').notNull(),
    document: jsonb('document').notNull(),
  },
  (table) => [primaryKey({ columns: [table.id, table.revision] })],
)

export const gauge = pgTable('gauge', {
  id: text('id').primaryKey(),
  code: text('code').notNull().unique(),
  name: text('name').notNull(),
  kind: text('kind').notNull(),
  resolutionMm: numeric('resolution_mm').notNull(),
  maximumPermissibleErrorMm: numeric('maximum_permissible_error_mm').notNull(),
  calibrationDue: date('calibration_due').notNull(),
})
