/** What somebody who holds the database, with every right to it, could do to make it say something else; each must be found. */
import { createHash, generateKeyPairSync, sign } from 'node:crypto'
import { drizzle } from 'drizzle-orm/node-postgres'
import pg from 'pg'
import { eventHash } from '../src/db/queries/log'
import * as schema from '../src/db/schema'
import { canonicalJson } from '../src/server/reports/canonical'
import { type Heads, verifyAll } from '../src/server/reports/verifyAll'

type Query = (sql: string, values?: readonly unknown[]) => Promise<pg.QueryResult>

interface Tampering {
  readonly what: string
  /** Only heads that were kept elsewhere show it. */
  readonly againstHeads?: true
  /** A finding that must be among those that do not hold. */
  readonly found: RegExp
  readonly act: (query: Query, signed: Signed) => Promise<unknown>
}

/** The machine with two signatures that the tampering is done on. */
export interface Signed {
  readonly machine: string
  readonly older: { readonly id: string; readonly jobId: string }
  readonly newest: { readonly id: string; readonly jobId: string }
}

const sha256 = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex')

/** The content of a report with something in it changed, hashed anew so that the row agrees with itself. */
async function rewrite(query: Query, id: string, also = ''): Promise<void> {
  const { rows } = await query('SELECT canonical FROM report WHERE id = $1', [id])
  const content = JSON.parse((rows[0] as { canonical: string }).canonical) as { reason: string }
  const canonical = canonicalJson({ ...content, reason: `${content.reason} (as agreed)` })
  await query(`UPDATE report SET canonical = $2, sha256 = $3 ${also} WHERE id = $1`, [id, canonical, sha256(canonical)])
  await query(`UPDATE job SET reason = reason || ' (as agreed)' WHERE id = (SELECT job_id FROM report WHERE id = $1)`, [id])
}

/** Hashes a whole chain anew, as somebody would who knows how it is made. */
async function remakeChain(query: Query, chain: string): Promise<void> {
  const { rows } = await query('SELECT * FROM event_log WHERE chain = $1 ORDER BY number', [chain])
  let before: string | null = null
  let number = 0
  for (const row of rows as {
    id: string
    at: Date
    user_id: string
    by_name: string
    verb: string
    subject: string
    detail: Record<string, unknown>
  }[]) {
    number += 1
    before = eventHash(before, {
      at: row.at.toISOString(),
      userId: row.user_id,
      byName: row.by_name,
      verb: row.verb,
      subject: row.subject,
      detail: row.detail,
    })
    await query('UPDATE event_log SET sha256 = $2, number = $3 WHERE id = $1', [row.id, before, number])
  }
}

async function dropReport(query: Query, { id, jobId }: Signed['newest']): Promise<void> {
  await query('DELETE FROM report WHERE id = $1', [id])
  await query(`DELETE FROM review_event WHERE job_id = $1 AND kind = 'signed'`, [jobId])
  await query(`DELETE FROM event_log WHERE chain = $1 AND verb = 'report.signed'`, [jobId])
}

/** By their id alone so that each names what it is about. */
const tamperings: readonly Tampering[] = [
  {
    what: 'text of a report',
    found: /bytes altered/,
    act: (query, { newest }) =>
      query(`UPDATE report SET canonical = replace(canonical, 'reuse', 'reuse ') WHERE id = $1`, [newest.id]),
  },
  {
    what: 'hash of a report',
    found: /bytes altered/,
    act: (query, { newest }) => query(`UPDATE report SET sha256 = repeat('0', 64) WHERE id = $1`, [newest.id]),
  },
  {
    what: 'an older report, rewritten and hashed anew',
    found: /chain broken/,
    act: (query, { older }) => rewrite(query, older.id),
  },
  {
    what: 'an older report, deleted',
    found: /signature 1 of this machine is missing/,
    act: (query, { older }) => dropReport(query, older),
  },
  {
    what: 'the newest report, rewritten and hashed anew',
    found: /signature does not match/,
    act: (query, { newest }) => rewrite(query, newest.id),
  },
  {
    what: 'the newest report, rewritten and signed with another key',
    found: /signed by another installation/,
    act: async (query, { newest }) => {
      await rewrite(query, newest.id)
      const { privateKey, publicKey } = generateKeyPairSync('ed25519')
      const { rows } = await query('SELECT canonical FROM report WHERE id = $1', [newest.id])
      await query('UPDATE report SET signature = $2, public_key = $3 WHERE id = $1', [
        newest.id,
        sign(null, Buffer.from((rows[0] as { canonical: string }).canonical), privateKey).toString('base64'),
        publicKey.export({ type: 'spki', format: 'der' }).toString('base64'),
      ])
    },
  },
  {
    what: 'the newest report, its signature taken away',
    found: /signature was taken away/,
    act: (query, { newest }) => query('UPDATE report SET signature = NULL, public_key = NULL WHERE id = $1', [newest.id]),
  },
  {
    what: 'the newest report, deleted',
    found: /was signed and is gone|has no report/,
    act: (query, { newest }) => query('DELETE FROM report WHERE id = $1', [newest.id]),
  },
  {
    what: 'the newest report, deleted with its traces and its chain made anew',
    againstHeads: true,
    found: /was there on .* and is gone/,
    act: async (query, { newest }) => {
      await dropReport(query, newest)
      await remakeChain(query, newest.jobId)
    },
  },
  {
    what: 'who signed',
    found: /signer altered: the person/,
    act: (query, { newest }) => query(`UPDATE report SET signed_by = 'demo-inspector' WHERE id = $1`, [newest.id]),
  },
  {
    what: 'when it was signed',
    found: /signer altered: the time/,
    act: (query, { newest }) => query(`UPDATE report SET signed_at = signed_at - interval '1 day' WHERE id = $1`, [newest.id]),
  },
  {
    what: 'a reading',
    found: /reading .* differs in value/,
    act: (query, { newest }) =>
      query(
        `UPDATE reading SET value = value + 0.01 WHERE id = (SELECT id FROM reading WHERE job_id = $1 AND value IS NOT NULL LIMIT 1)`,
        [newest.jobId],
      ),
  },
  {
    what: 'a reading, deleted',
    found: /reading .* is gone/,
    act: (query, { newest }) =>
      query('DELETE FROM reading WHERE id = (SELECT id FROM reading WHERE job_id = $1 LIMIT 1)', [newest.jobId]),
  },
  {
    what: 'who took a reading',
    found: /reading .* differs in by/,
    act: (query, { newest }) => query(`UPDATE reading SET by_name = 'Somebody Else' WHERE job_id = $1`, [newest.jobId]),
  },
  {
    what: 'a decision',
    found: /decision .* differs in decided/,
    act: (query, { newest }) =>
      query(`UPDATE decision SET decided = CASE decided WHEN 'reuse' THEN 'replace' ELSE 'reuse' END WHERE job_id = $1`, [
        newest.jobId,
      ]),
  },
  {
    what: 'a confirmation',
    found: /confirmation .* differs in note/,
    act: (query, { newest }) => query(`UPDATE step_confirmation SET note = 'by telephone' WHERE job_id = $1`, [newest.jobId]),
  },
  {
    what: 'a review event',
    found: /review sent .* is gone/,
    act: (query, { newest }) => query(`DELETE FROM review_event WHERE job_id = $1 AND kind = 'sent'`, [newest.jobId]),
  },
  {
    what: 'a picture',
    found: /picture .* differs in sha256/,
    act: (query) =>
      query(
        `UPDATE picture SET bytes = bytes || '\\x00' WHERE id = (SELECT p.id FROM picture p JOIN report r ON r.job_id = p.job_id LIMIT 1)`,
      ),
  },
  {
    what: 'an issued book',
    found: /limit book .* is not the one that was signed/,
    act: (query, { newest }) =>
      query(
        `UPDATE limit_book b SET document = jsonb_set(document, '{title}', '"Another"') FROM job j
         WHERE j.id = $1 AND b.id = j.book_id AND b.revision = j.book_revision`,
        [newest.jobId],
      ),
  },
  {
    what: 'figures of a gauge',
    found: /gauge .* differs in maximumPermissibleError/,
    act: (query) => query(`UPDATE gauge SET maximum_permissible_error = 0.5 WHERE id = 'om-12'`),
  },
  {
    what: 'running hours of a signed job',
    found: /job .* differs in runningHours/,
    act: (query, { newest }) => query('UPDATE job SET running_hours = running_hours + 1 WHERE id = $1', [newest.jobId]),
  },
  {
    what: 'an event of the log',
    found: /log of .* is broken at event 2/,
    act: (query, { newest }) =>
      query(`UPDATE event_log SET user_id = 'demo-planner' WHERE chain = $1 AND number = 2`, [newest.jobId]),
  },
  {
    what: 'the log of a signed job, cut short',
    found: /log altered or cut/,
    act: (query, { newest }) => query('DELETE FROM event_log WHERE chain = $1 AND number > 5', [newest.jobId]),
  },
  {
    what: 'the log of a signed job, altered and hashed anew',
    found: /log altered or cut/,
    act: async (query, { newest }) => {
      await query('DELETE FROM event_log WHERE chain = $1 AND number = 3', [newest.jobId])
      await remakeChain(query, newest.jobId)
    },
  },
  { what: 'the whole log, emptied', found: /log altered or cut/, act: (query) => query('DELETE FROM event_log') },
  {
    what: 'the log of an open job, cut short',
    againstHeads: true,
    found: /was cut or made anew since/,
    act: (query) =>
      query(`DELETE FROM event_log l USING (SELECT chain, max(number) AS last FROM event_log WHERE chain LIKE 'quillmere-u1-2026' GROUP BY chain) e
        WHERE l.chain = e.chain AND l.number = e.last`),
  },
]

export interface Found {
  readonly what: string
  readonly found: boolean
  readonly says: string
}

/** Does each in a transaction that is rolled back, and says whether a verification of everything finds it. */
export async function tamper(url: string, installationKey: string, heads: Heads): Promise<readonly Found[]> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  const query: Query = (sql, values = []) => client.query(sql, [...values])
  const db = drizzle(client, { schema })
  const results: Found[] = []
  try {
    const { rows } = await query(
      `SELECT id, job_id AS "jobId", machine_id AS machine FROM report WHERE machine_id = 'quillmere-unit-1' ORDER BY sequence`,
    )
    const [older, newest] = rows as { id: string; jobId: string; machine: string }[]
    if (!older || !newest) throw new Error('no machine has two signatures')
    const before = await verifyAll(db, installationKey, heads)
    const wrong = [...before.reports.flatMap(({ findings }) => findings), ...before.others].filter(({ holds }) => !holds)
    if (wrong[0]) throw new Error(`something is wrong before anything was done: ${wrong[0].says}`)
    for (const { what, act, found, againstHeads } of tamperings) {
      await query('BEGIN')
      // What no role of the server can: triggers and foreign keys switched off.
      await query(`SET LOCAL session_replication_role = 'replica'`)
      await act(query, { machine: newest.machine, older, newest })
      const after = await verifyAll(db, installationKey, againstHeads ? heads : null)
      const says = [...after.reports.flatMap(({ findings }) => findings), ...after.others]
        .filter(({ holds }) => !holds)
        .map(({ says }) => says)
      results.push({ what, found: says.some((sentence) => found.test(sentence)), says: says.slice(0, 3).join('; ') })
      await query('ROLLBACK')
    }
    return results
  } finally {
    await client.end()
  }
}
