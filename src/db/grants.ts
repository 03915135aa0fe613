/** What the server may do in its own database: it owns nothing, adds to what is recorded, and changes next to nothing. */
import pg from 'pg'

/**
 * Rights by table. SELECT is everybody's. What is recorded is only added to; `UPDATE (…)` names the columns that may change,
 * one of which lets a row be locked.
 */
export const grants: Readonly<Record<string, readonly string[]>> = {
  user: ['INSERT', 'UPDATE (name, role, station, disabled_at, two_factor_enabled, second_factor_asked, updated_at)'],
  two_factor: ['INSERT', 'UPDATE', 'DELETE'],
  account: ['INSERT', 'UPDATE (password, updated_at)'],
  session: ['INSERT', 'UPDATE', 'DELETE'],
  verification: ['INSERT', 'UPDATE', 'DELETE'],
  rate_limit: ['INSERT', 'UPDATE', 'DELETE'],
  machine: ['INSERT', 'UPDATE (book_id)'],
  machine_hours: ['INSERT'],
  document_page: ['INSERT'],
  limit_book: ['INSERT'],
  book_standing: ['INSERT'],
  gauge: ['INSERT', 'UPDATE (replaced)'],
  gauge_pairing: ['INSERT', 'UPDATE (ended_at)'],
  job: ['INSERT', 'UPDATE (lock, book_id, book_revision, level)'],
  reading: ['INSERT'],
  step_confirmation: ['INSERT'],
  decision: ['INSERT'],
  review_event: ['INSERT'],
  report: ['INSERT'],
  job_entry: ['INSERT'],
  picture: ['INSERT'],
  event_log: ['INSERT'],
}
const sequences = ['event_log_id_seq', 'job_entry_seq_seq'] as const

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`

/** Gives a role these rights and no others, as the owner of the tables. The role must be there. */
export async function grantTo(ownerUrl: string, role: string): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl })
  await client.connect()
  try {
    const { rows } = await client.query<{ database: string }>('SELECT current_database() AS database')
    const database = quoted(rows[0]?.database ?? '')
    const to = quoted(role)
    await client.query('BEGIN')
    // A temporary table of its own could stand before a real one in the eyes of a query.
    await client.query(`REVOKE TEMP, CREATE ON DATABASE ${database} FROM PUBLIC, ${to}`)
    await client.query(`REVOKE CREATE ON SCHEMA public FROM PUBLIC, ${to}`)
    await client.query(`GRANT CONNECT ON DATABASE ${database} TO ${to}`)
    await client.query(`GRANT USAGE ON SCHEMA public TO ${to}`)
    await client.query(`REVOKE ALL ON ALL TABLES IN SCHEMA public FROM PUBLIC, ${to}`)
    for (const [table, rights] of Object.entries(grants))
      await client.query(`GRANT ${['SELECT', ...rights].join(', ')} ON ${quoted(table)} TO ${to}`)
    for (const sequence of sequences) await client.query(`GRANT USAGE ON SEQUENCE ${quoted(sequence)} TO ${to}`)
    await client.query('COMMIT')
  } finally {
    await client.end()
  }
}

/** Makes the role of the server where there is none, and gives it its password. */
export async function ensureRole(ownerUrl: string, role: string, password: string): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl })
  await client.connect()
  try {
    const { rowCount } = await client.query('SELECT 1 FROM pg_roles WHERE rolname = $1', [role])
    const attributes = `LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE NOINHERIT PASSWORD ${client.escapeLiteral(password)}`
    await client.query(`${rowCount === 0 ? 'CREATE' : 'ALTER'} ROLE ${quoted(role)} ${attributes}`)
  } finally {
    await client.end()
  }
}

/** Whether the role of an address could change what is recorded: it owns a table, or is a superuser. */
export async function mayChangeRecords(url: string): Promise<boolean> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    const { rows } = await client.query<{ may: boolean }>(
      `SELECT r.rolsuper OR EXISTS (SELECT 1 FROM pg_tables WHERE schemaname = 'public' AND tableowner = r.rolname)
         OR has_table_privilege('public.reading', 'UPDATE') AS may
       FROM pg_roles r WHERE r.rolname = current_user`,
    )
    return rows[0]?.may ?? true
  } finally {
    await client.end()
  }
}
