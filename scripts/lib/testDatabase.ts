/** A database of its own for tests of use cases: the demo in it, on a private cluster that goes afterwards. */
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { people } from '../../demo/quillmere/station'
import { seedDemo } from '../../demo/seed'
import { connect, type Executor } from '../../src/db/client'
import { migrateDatabase } from '../../src/db/migrate'
import type { Context } from '../../src/server/edge/context'
import type { Role } from '../../src/server/people/roles'
import { type SigningKey, signingKeyIn } from '../../src/server/reports/signingKey'
import { root } from '../bootstrap.mjs'
import { signingKeyFile, startCluster } from './cluster'

export interface TestDatabase {
  /** Runs something as a person of a role, and takes back all that it wrote. */
  as(role: Role, run: (context: Context) => Promise<void>): Promise<void>
  readonly key: () => SigningKey
  end(): Promise<void>
}

class TakeBack extends Error {}

export const contextOf = (db: Executor, role: Role): Context => {
  const person = people.find((candidate) => candidate.role === role)
  if (!person) throw new Error(`no demo person is ${role}`)
  return {
    db,
    user: { id: `demo-${person.username}`, name: person.name, role },
    now: () => new Date('2026-11-24T12:00:00Z'),
  }
}

export async function testDatabase(): Promise<TestDatabase> {
  const folder = mkdtempSync(join(tmpdir(), 'medida-use-'))
  const cluster = await startCluster(folder, true)
  await migrateDatabase(cluster.url, join(root, 'drizzle'))
  const key = (): SigningKey => signingKeyIn(signingKeyFile(folder))
  const { db, pool } = connect(cluster.url)
  await seedDemo(db, key)
  return {
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
    end: async () => {
      await pool.end()
      await cluster.stop()
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
