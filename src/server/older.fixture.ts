/** What the release before this one stored, read and gone on with today: told of the database that all use cases share. */
import { readFileSync } from 'node:fs'
import { gunzipSync } from 'node:zlib'
import { v7 } from 'uuid'
import { describe, expect, test } from 'vitest'
import { contextOf, type TestDatabase } from '../../scripts/lib/testDatabase'
import { noteNow } from '../core/record/fromVersion2'
import { connect } from '../db/client'
import { migrations, withClient } from '../db/migrations.fixture'
import { entriesOf } from '../db/queries/notes'
import { reportWords } from '../report/reportWords'
import { changeDraft } from './drafts/changeDraft'
import { buildJobView } from './jobs/jobView'
import { addEntries } from './notes/addEntries'
import { signedReport } from './reports/report'
import { verifyReport } from './reports/verifyReport'

/** The last migration of the release before, and its rows: a machine composed of eight assemblies, one job signed, one open. */
const TAG = '0022_one_clock'
const ROWS = gunzipSync(readFileSync('demo/older/rows-0022.sql.gz')).toString()

interface Installation {
  readonly inspector: ReturnType<typeof contextOf>
  readonly machine: string
  readonly signed: { readonly job: string; readonly report: string; readonly key: string }
  readonly open: string
}

/** Runs something on that installation, brought to today's tables. */
const onOlder = (database: TestDatabase, run: (installation: Installation) => Promise<void>): Promise<void> =>
  withClient(database, async (client, url) => {
    const at = migrations.findIndex(({ tag }) => tag === TAG)
    const migrate = async (part: typeof migrations): Promise<void> => {
      for (const { statements } of part) for (const statement of statements) await client.query(statement)
    }
    await migrate(migrations.slice(0, at + 1))
    // A backup is brought back without its triggers.
    await client.query(`SET session_replication_role = replica; ${ROWS}; SET session_replication_role = origin`)
    await migrate(migrations.slice(at + 1))
    const { rows } = await client.query<{ id: string; machine: string; job: string; key: string }>(
      'SELECT id, machine_id AS machine, job_id AS job, public_key AS key FROM report',
    )
    const jobs = await client.query<{ id: string }>('SELECT id FROM job WHERE id NOT IN (SELECT job_id FROM report)')
    const [[report], [open]] = [rows, jobs.rows]
    if (!report || !open) throw new Error('the rows hold a report and an open job')
    const { db, pool } = connect(url)
    try {
      await run({
        inspector: contextOf(db, 'inspector'),
        machine: report.machine,
        signed: { job: report.job, report: report.id, key: report.key },
        open: open.id,
      })
    } finally {
      await pool.end()
    }
  })

export function olderCases(database: () => TestDatabase): void {
  describe('a signed report', () => {
    test('verifies in everything: bytes, key, chain, tables; and names the results that today’s core gives otherwise', async () => {
      await onOlder(database(), async ({ inspector, signed }) => {
        const verification = await verifyReport(inspector.db, signed.report, signed.key)
        const findings = verification?.findings.map(({ holds, says }) => (holds ? true : says)) ?? []
        // Parts that are renewed when disturbed, and that a confirmed step took out: nobody had laid them in a tray.
        const otherwise = String(findings.splice(2, 1)[0])
        expect(findings).toEqual(Array(5).fill(true))
        expect(
          [...otherwise.matchAll(/(?<![\w.-])([\w-]+)\.verdict: reuse when signed, replace today/g)].map(([, part]) => part),
        ).toEqual(['bearing-seals', 'coupling-element', 'actuator-seals'])
        expect(otherwise).toContain('at 6 places')
      })
    }, 60_000)

    test('is read with today’s names, and says word by word what it said', async () => {
      await onOlder(database(), async ({ inspector, signed }) => {
        const { content, canonical } = await signedReport(inspector, signed.report)
        const stored = JSON.parse(canonical) as { words: unknown; record: { version: number } }
        expect(stored.record.version).toBe(2)
        expect(content.record.version).toBe(3)
        expect(content.record.book.procedure.filter(({ holdPoint }) => holdPoint).length).toBeGreaterThan(0)
        expect(reportWords(content)).toEqual(stored.words)
      })
    }, 60_000)
  })

  test('a book in its tables is read, and its next draft is one of today', async () => {
    await onOlder(database(), async ({ inspector, machine, open }) => {
      const before = (await buildJobView(inspector, inspector.db, open)).record.book
      const { rows } = await inspector.db.execute<{ version: number }>(
        "SELECT (document->>'version')::int AS version FROM limit_book",
      )
      expect(new Set(rows.map(({ version }) => version))).toEqual(new Set([2]))
      const kinds = new Set(before.characteristics.map(({ method }) => method.kind))
      for (const kind of ['shaftAlignment', 'elementPattern', 'visualCheck', 'markShift', 'remainingThickness'] as const)
        expect(kinds).toContain(kind)
      const [first] = before.positions
      const after = await changeDraft(inspector, machine, {
        id: v7(),
        base: before.revision,
        change: { kind: 'rename', position: first?.id ?? '', name: 'Another name' },
      })
      expect(after.book.version).toBe(3)
      expect(after.book.positions[0]?.name).toBe('Another name')
      const unnamed = (items: readonly { readonly name: string }[]) => items.map(({ name: _, ...rest }) => rest)
      expect(unnamed(after.book.procedure)).toEqual(unnamed(before.procedure))
      expect(unnamed(after.book.characteristics)).toEqual(unnamed(before.characteristics))
    })
  }, 60_000)

  test('an open job goes on: its notes and readings stand, and what is sent by a page of that release is taken', async () => {
    await onOlder(database(), async ({ inspector, open }) => {
      const { entries, unreadable } = await entriesOf(inspector.db, open, 0)
      expect(unreadable).toEqual([])
      const kinds = entries.map(({ entry }) => entry.body.kind)
      expect(kinds).toContain('inspected')
      expect(entries.find(({ entry: { body } }) => body.kind === 'stepAdded')?.entry.body).toMatchObject({
        phase: 'strip',
        has: { holdPoint: true },
      })
      const { record } = await buildJobView(inspector, inspector.db, open)
      expect(record.job.readings.length).toBeGreaterThan(3)
      const part = record.book.parts.at(-1)?.id ?? ''
      const body = noteNow({ kind: 'lookedAt', part, note: 'by an older page' }) as {
        kind: 'inspected'
        part: string
        note: string
      }
      const sent = { entries: [{ id: v7(), seen: null, body }] }
      await addEntries(inspector, open, sent)
      await addEntries(inspector, open, sent)
      const again = (await entriesOf(inspector.db, open, 0)).entries
      expect(again).toHaveLength(entries.length + 1)
    })
  }, 60_000)
}
