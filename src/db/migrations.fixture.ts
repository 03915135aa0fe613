/** What migrations do to rows: told of the database that all use cases share. */
import { readFileSync } from 'node:fs'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import pg from 'pg'
import { expect, test } from 'vitest'
import type { TestDatabase } from '../../scripts/lib/testDatabase'
import { addRows, type Row, rowsOf, tablesOf } from './anyRows.fixture'

const FOLDER = 'drizzle'
const journal = JSON.parse(readFileSync(`${FOLDER}/meta/_journal.json`, 'utf8')) as { entries: { tag: string }[] }

/** The migrations in their order, each with its statements. */
export const migrations = readMigrationFiles({ migrationsFolder: FOLDER }).map(({ sql }, index) => ({
  tag: journal.entries[index]?.tag ?? '',
  statements: sql,
}))

/** Runs something with a connection to a database that has nothing in it. */
export const withClient = <T>(database: TestDatabase, run: (client: pg.Client, url: string) => Promise<T>): Promise<T> =>
  database.onEmpty(async (url) => {
    const client = new pg.Client(url)
    await client.connect()
    try {
      return await run(client, url)
    } finally {
      await client.end()
    }
  })

/** Tables that the statements of a migration name. */
const touched = (statements: readonly string[]): ReadonlySet<string> =>
  new Set(
    statements.flatMap((sql) =>
      [...sql.matchAll(/(?:TABLE|ON|UPDATE|INTO|FROM)\s+(?:"public"\.)?"(\w+)"/g)].flatMap(([, name]) => name ?? []),
    ),
  )

/** Columns that a migration calls otherwise. */
const renamed = (statements: readonly string[]): ReadonlyMap<string, string> =>
  new Map(
    statements.flatMap((sql) =>
      [...sql.matchAll(/TABLE "(\w+)" RENAME COLUMN "(\w+)" TO "(\w+)"/g)].map(
        ([, table, was, now]) => [`${table}.${was}`, now ?? ''] as const,
      ),
    ),
  )

export function migrationCases(database: () => TestDatabase): void {
  test('each runs on rows of the version before it, loses none of them and changes nothing they say', async () => {
    await withClient(database(), async (client) => {
      const idle: string[] = []
      let numbered = 0
      for (const { tag, statements } of migrations) {
        const before = await rowsOf(client)
        for (const statement of statements) await client.query(statement)
        const after = await rowsOf(client)
        const names = renamed(statements)
        for (const [table, rows] of before) {
          const then = rows.map(
            (row): Row =>
              Object.fromEntries(Object.entries(row).map(([name, value]) => [names.get(`${table}.${name}`) ?? name, value])),
          )
          const columns = Object.keys(then[0] ?? {})
          const now = (after.get(table) ?? []).map((row): Row => Object.fromEntries(columns.map((name) => [name, row[name]])))
          const told = (all: readonly Row[]): string[] => all.map((row) => JSON.stringify(row)).sort()
          expect(told(now), `${tag}: ${table}`).toEqual(told(then))
        }
        const there = [...touched(statements)].filter((table) => before.has(table))
        idle.push(...there.filter((table) => before.get(table)?.length === 0).map((table) => `${tag}: no row in ${table}`))
        // A row of this version for whatever comes next.
        await addRows(client, numbered)
        numbered += (await tablesOf(client)).length * MOST_COLUMNS
      }
      expect(idle).toEqual([])
    })
  }, 60_000)
}
/** No table asks for more that it has no default for. */
const MOST_COLUMNS = 20
