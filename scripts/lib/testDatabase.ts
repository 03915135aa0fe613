/** A database of its own for tests of use cases: the demo in it, on a private cluster that goes afterwards. */

import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { people } from '../../demo/quillmere/station'
import { seedDemo } from '../../demo/seed'
import { dayOf, now } from '../../src/clock/clock'
import { connect, type Executor } from '../../src/db/client'
import { migrateDatabase } from '../../src/db/migrate'
import type { Context } from '../../src/server/edge/context'
import type { Role } from '../../src/server/people/roles'
import { type SigningKey, signingKeyIn } from '../../src/server/reports/signingKey'
import { root } from '../bootstrap.mjs'
import { signingKeyFile, startCluster } from './cluster'

export interface TestDatabase {
  /** When its demo was laid out. */
  readonly at: Date
  /** Runs something as a person of a role, and takes back all that it wrote. */
  as(role: Role, run: (context: Context) => Promise<void>): Promise<void>
  /** Runs something as a person of a role on a database of its own, with the demo as it is laid out at another moment. */
  laidOutAt<T>(moment: Date, role: Role, run: (context: Context) => Promise<T>): Promise<T>
  /** Runs something on a database of its own with nothing in it, not even tables. */
  onEmpty<T>(run: (url: string) => Promise<T>): Promise<T>
  readonly key: () => SigningKey
  end(): Promise<void>
}

class TakeBack extends Error {}

/**
 * When use cases are tried: on a day that calendars forget, years from the one the demo is written down as of, unless the clock
 * of the whole run was set (`npm test -- --clock`).
 */
const testNow = (): Date => (process.env.MEDIDA_CLOCK === undefined ? new Date('2028-02-29T12:00:00Z') : now())
export const testDay = dayOf(testNow())

export const contextOf = (db: Executor, role: Role): Context => {
  const person = people.find((candidate) => candidate.role === role)
  if (!person) throw new Error(`no demo person is ${role}`)
  return {
    db,
    user: { id: `demo-${person.username}`, name: person.name, role },
    now: testNow,
  }
}

export async function testDatabase(): Promise<TestDatabase> {
  const folder = mkdtempSync(join(tmpdir(), 'medida-use-'))
  const cluster = await startCluster(folder, true)
  await migrateDatabase(cluster.url, join(root, 'drizzle'))
  const key = (): SigningKey => signingKeyIn(signingKeyFile(folder))
  const { db, pool } = connect(cluster.url)
  const at = testNow()
  await seedDemo(db, key, at)
  const onEmpty: TestDatabase['onEmpty'] = async (run) => {
    await db.execute(sql`CREATE DATABASE elsewhere`)
    try {
      return await run(Object.assign(new URL(cluster.url), { pathname: '/elsewhere' }).href)
    } finally {
      await db.execute(sql`DROP DATABASE elsewhere`)
    }
  }
  return {
    at,
    key,
    as: (role, run) =>
      db
        .transaction(async (tx) => {
          await run(contextOf(tx, role))
          throw new TakeBack()
        })
        .catch((error: unknown) => {
          if (!(error instanceof TakeBack)) throw error
        }),
    onEmpty,
    laidOutAt: (moment, role, run) =>
      onEmpty(async (url) => {
        await migrateDatabase(url, join(root, 'drizzle'))
        const other = connect(url)
        try {
          await seedDemo(other.db, key, moment)
          return await run({ ...contextOf(other.db, role), now: () => moment })
        } finally {
          await other.pool.end()
        }
      }),
    end: async () => {
      await pool.end()
      await cluster.stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
