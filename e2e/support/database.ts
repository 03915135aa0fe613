import pg from 'pg'
import { runningClusterUrl } from '../../scripts/lib/cluster'
import type { Medida } from './medida'

/** Runs something on the database under a running Medida, as whoever holds its data folder could. */
export async function onDatabase<T>(medida: Medida, run: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: runningClusterUrl(medida.dataFolder) ?? '' })
  await client.connect()
  try {
    return await run(client)
  } finally {
    await client.end()
  }
}

/** How many rows a table holds. */
export const countRows = (medida: Medida, table: string): Promise<number> =>
  onDatabase(medida, async (client) => Number((await client.query(`SELECT count(*) AS n FROM ${table}`)).rows[0].n))
