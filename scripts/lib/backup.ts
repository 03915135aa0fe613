/** Backups: one consistent snapshot by PostgreSQL's own tools, while everybody works; the keys of the installation lie apart. */

import { spawn, spawnSync } from 'node:child_process'
import { chmodSync, existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { sql } from 'drizzle-orm'
import { z } from 'zod'
import { now } from '../../src/clock/clock'
import { type LongStage, type LongWork, quietly } from '../../src/contract/longWork'
import { connect, type Executor } from '../../src/db/client'
import { headsOf } from '../../src/server/reports/verifyAll'
import type { CommandWork } from './longWork'

export interface Installation {
  /** Address of the owner of the tables. */
  readonly ownerUrl: string
  /** Folder of PostgreSQL's programs. */
  readonly bin: string
  readonly dataFolder: string
  readonly signingKeyFile: string
}

const keysSchema = z.strictObject({ format: z.literal('medida-keys'), version: z.literal(1), signingKey: z.string() })

export const keysFile = (file: string): string => `${file}.keys`
const headsFile = (file: string): string => `${file}.heads.json`
export const lastBackupFile = (dataFolder: string): string => join(dataFolder, 'last-backup.json')

export interface ToolRun {
  /** Folder of PostgreSQL's programs. */
  readonly bin: string
  readonly program: 'pg_dump' | 'pg_restore'
  /** Database; its password stays out of the list of processes. */
  readonly url: string
  readonly args: readonly string[]
  /** How many tables it has to do, and what doing them is called. */
  readonly tables: number
  readonly stage: LongStage
}

/** What they say when they begin with the rows of a table. */
const TABLE_BEGUN = /dumping contents of table|processing data for table/g

/** Runs a program of PostgreSQL's on a database, table by table; it ends when the work is not wanted any more. */
export function runTool({ bin, program, url, args, tables, stage }: ToolRun, work: LongWork): Promise<void> {
  const { hostname, port, username, password, pathname } = new URL(url)
  const env = {
    ...process.env,
    PGHOST: decodeURIComponent(hostname),
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
  }
  return new Promise((resolve, reject) => {
    // A group of its own: Ctrl-C reaches us first.
    const child = spawn(join(bin, program), ['--verbose', ...args], { env, stdio: ['ignore', 'ignore', 'pipe'], detached: true })
    const end = (): void => void child.kill('SIGTERM')
    if (work.signal.aborted) end()
    work.signal.addEventListener('abort', end, { once: true })
    let said = ''
    let begun = 0
    child.stderr.setEncoding('utf8').on('data', (chunk: string) => {
      said = (said + chunk).slice(-4000)
      begun += chunk.match(TABLE_BEGUN)?.length ?? 0
      if (begun > 0) work.say({ stage, done: Math.min(begun, tables), of: tables })
    })
    child.once('error', reject)
    child.once('close', (code) => {
      work.signal.removeEventListener('abort', end)
      if (code === 0) resolve()
      else reject(new Error(`${program} ended with ${code}: ${faultIn(said)}`))
    })
  })
}

/** What went wrong, of all that a program said on its way. */
function faultIn(said: string): string {
  const lines = said.trim().split('\n')
  const faults = lines.filter((line) => /error:|fatal:|detail:/i.test(line))
  return (faults.length > 0 ? faults : lines).slice(-2).join(' ')
}

/** Tables that a backup has to save. */
async function countTables(db: Executor): Promise<number> {
  const { rows } = await db.execute<{ n: number }>(
    sql`SELECT count(*)::int AS n FROM pg_tables WHERE schemaname NOT IN ('pg_catalog', 'information_schema')`,
  )
  return rows[0]?.n ?? 0
}

/** Tables whose rows lie in a backup. */
export function tablesIn(bin: string, file: string): number {
  const { stdout } = spawnSync(join(bin, 'pg_restore'), ['--list', file], { encoding: 'utf8' })
  return stdout?.match(/ TABLE DATA /g)?.length ?? 0
}

/** Makes a backup: FILE, with the keys and the heads of all chains beside it. What stood there before stays until it is whole. */
export async function makeBackup(
  { ownerUrl, bin, dataFolder, signingKeyFile }: Installation,
  file: string,
  work: CommandWork = { ...quietly, hold: () => {} },
): Promise<number> {
  mkdirSync(dirname(file), { recursive: true })
  // Before the snapshot: what they name is in it.
  const { db, pool } = connect(ownerUrl, 'long')
  const [heads, tables] = await Promise.all([headsOf(db, now()), countTables(db)]).finally(() => pool.end())
  const part = `${file}.part`
  try {
    const args = ['--format=custom', `--file=${part}`]
    await runTool({ bin, program: 'pg_dump', url: ownerUrl, args, tables, stage: 'saving' }, work)
    // What lies beside it belongs to it: from here on all of it is put in place.
    work.hold()
    chmodSync(part, 0o600)
    writeFileSync(headsFile(file), `${JSON.stringify(heads, null, 2)}\n`, { mode: 0o600 })
    if (existsSync(signingKeyFile)) {
      const signingKey = readFileSync(signingKeyFile, 'utf8')
      writeFileSync(keysFile(file), JSON.stringify({ format: 'medida-keys', version: 1, signingKey }), { mode: 0o600 })
    }
    renameSync(part, file)
  } finally {
    rmSync(part, { force: true })
  }
  const { size } = statSync(file)
  writeFileSync(lastBackupFile(dataFolder), JSON.stringify({ at: now().toISOString(), file, bytes: size }))
  return size
}

/** Reads the heads and the key that lie beside a backup; null where they do not. */
export function besideBackup(file: string): { readonly signingKey: string | null; readonly heads: string | null } {
  const keys = existsSync(keysFile(file)) ? keysSchema.parse(JSON.parse(readFileSync(keysFile(file), 'utf8'))) : null
  return { signingKey: keys?.signingKey ?? null, heads: existsSync(headsFile(file)) ? headsFile(file) : null }
}

const NAMED = /^medida-\d{8}-\d{6}\.backup$/

/** Name of a backup made now, in the order of time. */
const nameAt = (at: Date): string =>
  `medida-${at.toISOString().slice(0, 19).replaceAll('-', '').replaceAll(':', '').replace('T', '-')}.backup`

/** One more backup into a folder, and the oldest of its own out of it. */
export async function backUpInto(installation: Installation, folder: string, keep: number): Promise<string> {
  const file = join(folder, nameAt(now()))
  await makeBackup(installation, file)
  const own = readdirSync(folder)
    .filter((name) => NAMED.test(name))
    .sort()
  for (const name of own.slice(0, Math.max(0, own.length - keep)))
    for (const old of [name, `${name}.keys`, `${name}.heads.json`]) rmSync(join(folder, old), { force: true })
  return file
}
