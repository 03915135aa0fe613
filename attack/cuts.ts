/** The database taken away from a running server in every way it can be: nothing acknowledged is lost, and the server lives. */

import pg from 'pg'
import { v7 } from 'uuid'
import { FUZZED } from './targets'
import type { Answered, Visitor } from './visitor'

export interface Cut {
  readonly cuts: number
  readonly acknowledged: number
  /** Acknowledged readings that are not stored, or stored twice. */
  readonly lost: number
  /** Answers that were neither kept nor refused with a sentence. */
  readonly unexplained: readonly string[]
}

const BENCHES = 6

/** So many times every connection of the server is cut, while benches write without a pause. */
export async function cutConnections(inspector: Visitor, ownerUrl: string, cuts: number): Promise<Cut> {
  const owner = new pg.Client({ connectionString: ownerUrl })
  await owner.connect()
  const acknowledged: string[] = []
  const unexplained: string[] = []
  let running = true
  const write = async (): Promise<void> => {
    for (let at = 0; running; at += 1) {
      const id = v7()
      const body = { kind: 'putIn', temporary: `cut-${id}`, name: 'Blank', where: `port ${at}`, count: 1 }
      const answer = await inspector
        .post(`/api/jobs/${FUZZED.job}/entries`, { entries: [{ id, seen: null, body }] })
        .catch((error: unknown): Answered => ({ status: 0, text: String(error) }))
      if (answer.status === 200) acknowledged.push(id)
      else if (answer.status !== 503 || !answer.text.includes('The database does not answer'))
        unexplained.push(`${answer.status} ${answer.text.slice(0, 200)}`)
    }
  }
  const benches = Array.from({ length: BENCHES }, write)
  for (let cut = 0; cut < cuts; cut += 1) {
    const before = acknowledged.length
    await owner.query(
      `SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE usename = 'medida_server' AND pid <> pg_backend_pid()`,
    )
    // The next cut meets the server at work again.
    while (acknowledged.length < before + 2 && unexplained.length < 20) await new Promise((resolve) => setTimeout(resolve, 5))
  }
  running = false
  await Promise.all(benches)
  const { rows } = await owner.query<{ stored: string }>('SELECT count(*) AS stored FROM job_entry WHERE id = ANY($1::uuid[])', [
    acknowledged,
  ])
  await owner.end()
  return { cuts, acknowledged: acknowledged.length, lost: acknowledged.length - Number(rows[0]?.stored), unexplained }
}
