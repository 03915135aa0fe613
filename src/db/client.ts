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

/** Opens a pool of connections to one database. Nothing is sent before the first query. */
export function connect(url: string): Connection {
  const pool = new pg.Pool({ connectionString: url, max: 10, connectionTimeoutMillis: 5_000 })
  // A connection that breaks while idle is replaced at the next query; without a listener it would end the process.
  pool.on('error', () => {})
  return { db: drizzle(pool, { schema }), pool }
}
