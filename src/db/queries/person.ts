import { type SQL, sql } from 'drizzle-orm'
import type { AnyPgColumn } from 'drizzle-orm/pg-core'
import { user } from '../schema'

const NAME_LENGTH = 120

/** Name of who did something, as it was then; of rows from before that was kept, as it is now. Never empty: at worst the id. */
export const nameOf = (then: AnyPgColumn): SQL<string> =>
  sql<string>`left(coalesce(nullif(btrim(${then}), ''), nullif(btrim(${user.name}), ''), ${user.id}), ${sql.raw(String(NAME_LENGTH))})`
