/** Rows for every table of a database, made from what it says of itself: for tests of what a migration does to rows. */
import type pg from 'pg'

export type Row = Readonly<Record<string, unknown>>

interface Column {
  readonly table: string
  readonly name: string
  readonly type: string
}
interface ForeignKey {
  readonly table: string
  readonly columns: readonly string[]
  readonly of: string
  readonly keys: readonly string[]
}

const COLUMNS = `
  SELECT table_name AS "table", column_name AS name, data_type AS type
  FROM information_schema.columns
  WHERE table_schema = 'public' AND is_generated = 'NEVER' AND is_nullable = 'NO' AND column_default IS NULL
  ORDER BY table_name, ordinal_position`

const FOREIGN_KEYS = `
  SELECT conrelid::regclass::text AS "table", confrelid::regclass::text AS "of",
    ARRAY(SELECT attname::text FROM unnest(conkey) WITH ORDINALITY AS k(n, o)
      JOIN pg_attribute ON attrelid = conrelid AND attnum = k.n ORDER BY o) AS columns,
    ARRAY(SELECT attname::text FROM unnest(confkey) WITH ORDINALITY AS k(n, o)
      JOIN pg_attribute ON attrelid = confrelid AND attnum = k.n ORDER BY o) AS keys
  FROM pg_constraint WHERE contype = 'f'`

const bare = (table: string): string => table.replaceAll('"', '')

/** Every table there is. */
export async function tablesOf(client: pg.Client): Promise<string[]> {
  const { rows } = await client.query<{ name: string }>(
    `SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_type = 'BASE TABLE' ORDER BY 1`,
  )
  return rows.map(({ name }) => name)
}

/** Every row of every table, as the database tells it. */
export async function rowsOf(client: pg.Client): Promise<ReadonlyMap<string, readonly Row[]>> {
  const all = new Map<string, readonly Row[]>()
  for (const table of await tablesOf(client)) {
    const { rows } = await client.query<{ row: Row }>(`SELECT to_jsonb(t) AS row FROM "${table}" t ORDER BY to_jsonb(t)::text`)
    all.set(
      table,
      rows.map(({ row }) => row),
    )
  }
  return all
}

const filled = (type: string, number: number): unknown => {
  switch (type) {
    case 'uuid':
      return `00000000-0000-7000-8000-${String(number).padStart(12, '0')}`
    case 'jsonb':
      return JSON.stringify({ number })
    case 'integer':
    case 'bigint':
    case 'numeric':
      return number
    case 'boolean':
      return true
    case 'bytea':
      return Buffer.from([number % 256])
    case 'date':
      return '2026-01-31'
    case 'timestamp with time zone':
      return '2026-01-31T12:00:00Z'
    case 'text':
      return `text ${number}`
    default:
      throw new Error(`nothing is known to put in a column of type ${type}`)
  }
}

/** One row more in every table, each in hand with the others made in this round. Numbers are counted on from `from`. */
export async function addRows(client: pg.Client, from: number): Promise<void> {
  const { rows: columns } = await client.query<Column>(COLUMNS)
  const { rows: keys } = await client.query<ForeignKey>(FOREIGN_KEYS)
  const made = new Map<string, Row>()
  // What is signed takes nothing more: reports come last.
  const waiting = (await tablesOf(client)).sort((a, b) => Number(a === 'report') - Number(b === 'report'))
  let number = from
  while (waiting.length > 0) {
    const at = waiting.findIndex((table) =>
      keys.every((key) => bare(key.table) !== table || bare(key.of) === table || made.has(bare(key.of))),
    )
    const [table] = waiting.splice(at, 1)
    if (at < 0 || table === undefined) throw new Error(`tables that hang on one another: ${waiting.join(', ')}`)
    const row: Record<string, unknown> = {}
    for (const column of columns) {
      if (column.table !== table) continue
      number += 1
      row[column.name] = filled(column.type, number)
    }
    for (const key of keys)
      if (bare(key.table) === table && bare(key.of) !== table)
        key.columns.forEach((column, index) => {
          row[column] = made.get(bare(key.of))?.[key.keys[index] ?? '']
        })
    const names = Object.keys(row)
    const { rows } = await client.query<Row>(
      `INSERT INTO "${table}" (${names.map((name) => `"${name}"`).join(', ')}) VALUES (${names.map((_, index) => `$${index + 1}`).join(', ')}) RETURNING *`,
      Object.values(row),
    )
    made.set(table, rows[0] ?? {})
  }
}
