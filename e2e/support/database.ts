import pg from 'pg'
import { runningClusterUrl } from '../../scripts/lib/cluster'
import { nowMs } from '../../src/clock/clock'
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

/** What was read at a characteristic, in the order it arrived. */
export const readingTexts = (medida: Medida, job: string, characteristic: string): Promise<string[]> =>
  onDatabase(medida, async (client) => {
    const { rows } = await client.query<{ text: string }>(
      'SELECT text FROM reading WHERE job_id = $1 AND characteristic = $2 ORDER BY received_at, id',
      [job, characteristic],
    )
    return rows.map(({ text }) => text)
  })

/** Lets the waiting time of a step be over: its clock began three days ago. */
export const letWaitPass = (medida: Medida, job: string, step: string): Promise<void> =>
  onDatabase(medida, async (client) => {
    await client.query(
      `INSERT INTO job_entry (id, job_id, subject, body, noted_by, noted_at)
       VALUES (gen_random_uuid(), $1, 'wait:' || $2, jsonb_build_object('kind', 'waitStarted', 'step', $2::text), 'demo-inspector', $3)`,
      [job, step, new Date(nowMs() - 3 * 86_400_000)],
    )
    await client.query(`SELECT pg_notify('medida_job', $1)`, [job])
  })
