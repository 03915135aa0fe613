/** Who did what, when: one append-only log, chained per thing by hashes, so that what is cut out or altered shows. */
import { bigserial, index, integer, jsonb, pgTable, text, timestamp, uniqueIndex } from 'drizzle-orm/pg-core'

export const eventLog = pgTable(
  'event_log',
  {
    id: bigserial('id', { mode: 'number' }).primaryKey(),
    at: timestamp('at', { withTimezone: true }).notNull(),
    userId: text('user_id').notNull(),
    /** Name of that person as it was then; null in rows from before it was kept. */
    byName: text('by_name'),
    verb: text('verb').notNull(),
    subject: text('subject').notNull(),
    detail: jsonb('detail').notNull(),
    /** The job (or other thing) whose chain it belongs to, its place there, and its hash over the one before it. */
    chain: text('chain'),
    number: integer('number'),
    sha256: text('sha256'),
  },
  (table) => [
    index('event_log_verb').on(table.userId, table.verb, table.at),
    uniqueIndex('event_log_chain').on(table.chain, table.number),
  ],
)
