import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import type pg from 'pg'
import { connect } from './client'

/** Any fixed number: only one server migrates at a time. */
const ADVISORY_LOCK = 7_215_093

/** The database was migrated by something other than this program's migrations. */
export class MigrationMismatch extends Error {}

/**
 * Brings the database to this program's tables, forwards only, under an advisory lock.
 *
 * Drizzle runs only migrations stamped later than the last applied one and never compares hashes; so afterwards every
 * migration of the folder must be found in the database, unchanged, or this throws.
 */
export async function migrateDatabase(url: string, folder: string): Promise<void> {
  const { db, pool } = connect(url, 'long')
  const lock: pg.PoolClient = await pool.connect()
  try {
    await lock.query('SELECT pg_advisory_lock($1)', [ADVISORY_LOCK])
    await migrate(db, { migrationsFolder: folder })
    const applied = await db.execute<{ hash: string }>(sql`SELECT hash FROM drizzle.__drizzle_migrations`)
    const hashes = new Set(applied.rows.map((row) => row.hash))
    const names = journalNames(folder)
    readMigrationFiles({ migrationsFolder: folder }).forEach((migration, index) => {
      if (!hashes.has(migration.hash))
        throw new MigrationMismatch(`migration ${names[index] ?? index} is not in this database as it stands in the program`)
    })
  } finally {
    lock.release(true) // closing the connection gives the lock back
    await pool.end()
  }
}

function journalNames(folder: string): string[] {
  const journal = JSON.parse(readFileSync(join(folder, 'meta', '_journal.json'), 'utf8')) as { entries: { tag: string }[] }
  return journal.entries.map((entry) => entry.tag)
}
