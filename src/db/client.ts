import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import * as schema from './schema'

export type Database = NodePgDatabase<typeof schema>
/** The database or a transaction on it: queries take either. */
export type Executor = Database | Parameters<Parameters<Database['transaction']>[0]>[0]

export interface Connection {
  readonly db: Database
  readonly pool: pg.Pool
}

/** No question of a page or a call takes so long; a database that does, hangs. ms */
const PATIENCE_MS = 10_000
const CONNECT_MS = 3_000

/**
 * Opens a pool of connections to one database. Nothing is sent before the first query. One that is not answered in time
 * fails, unless the work is known to be long (migration, backup, verification of everything).
 */
export function connect(url: string, work: 'short' | 'long' = 'short'): Connection {
  const limits =
    work === 'long'
      ? {}
      : {
          statement_timeout: PATIENCE_MS,
          query_timeout: PATIENCE_MS + 1_000,
          idle_in_transaction_session_timeout: 3 * PATIENCE_MS,
        }
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: CONNECT_MS, ...limits })
  // A connection that breaks is replaced at the next query; without a listener it would end the process, idle or in use.
  pool.on('error', () => {})
  pool.on('connect', (client) => void client.on('error', () => {}))
  return { db: drizzle(pool, { schema }), pool }
}
