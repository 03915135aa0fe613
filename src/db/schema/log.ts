/** Who did what, when: one append-only log. */
import { bigserial, index, jsonb, pgTable, text, timestamp } from 'drizzle-orm/pg-core'

export const eventLog = pgTable(
  'event_log',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
    userId: text('user_id').notNull(),
    verb: text('verb').notNull(),
    subject: text('subject').notNull(),
    detail: jsonb('detail').notNull(),
  },
  (table) => [index('event_log_verb').on(table.userId, table.verb, table.at)],
)
