/** Backups: one consistent snapshot by PostgreSQL's own tools, while everybody works; the keys of the installation lie apart. */
import { spawn } from 'node:child_process'
import { chmodSync, existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { z } from 'zod'
import { connect } from '../../src/db/client'
import { type Heads, headsOf } from '../../src/server/reports/verifyAll'

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

/** Runs a program of PostgreSQL's on a database; the password stays out of the list of processes. */
export function runTool(bin: string, program: string, url: string, args: readonly string[]): Promise<void> {
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
    const child = spawn(join(bin, program), [...args], { env, stdio: ['ignore', 'ignore', 'pipe'] })
    let said = ''
    child.stderr.on('data', (chunk: Buffer) => {
      said = (said + chunk.toString()).slice(-2000)
    })
    child.once('error', reject)
    child.once('exit', (code) =>
      code === 0 ? resolve() : reject(new Error(`${program} ended with ${code}: ${said.trim().split('\n').slice(-2).join(' ')}`)),
    )
  })
}

/** Makes a backup: FILE, with the keys and the heads of all chains beside it. What stood there before stays until it is whole. */
export async function makeBackup({ ownerUrl, bin, dataFolder, signingKeyFile }: Installation, file: string): Promise<number> {
  mkdirSync(dirname(file), { recursive: true })
  // Before the snapshot: what they name is in it.
  const { db, pool } = connect(ownerUrl, 'long')
  const heads: Heads = await headsOf(db, new Date()).finally(() => pool.end())
  const part = `${file}.part`
  try {
    await runTool(bin, 'pg_dump', ownerUrl, ['--format=custom', `--file=${part}`])
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
  writeFileSync(lastBackupFile(dataFolder), JSON.stringify({ at: new Date().toISOString(), file, bytes: size }))
  return size
}

/** Reads the heads and the key that lie beside a backup; null where they do not. */
export function besideBackup(file: string): { readonly signingKey: string | null; readonly heads: string | null } {
  const keys = existsSync(keysFile(file)) ? keysSchema.parse(JSON.parse(readFileSync(keysFile(file), 'utf8'))) : null
  return { signingKey: keys?.signingKey ?? null, heads: existsSync(headsFile(file)) ? headsFile(file) : null }
}

const NAMED = /^medida-\d{8}-\d{6}\.backup$/

/** Name of a backup made now, in the order of time. */
const nameAt = (now: Date): string =>
  `medida-${now.toISOString().slice(0, 19).replaceAll('-', '').replaceAll(':', '').replace('T', '-')}.backup`

/** One more backup into a folder, and the oldest of its own out of it. */
export async function backUpInto(installation: Installation, folder: string, keep: number): Promise<string> {
  const file = join(folder, nameAt(new Date()))
  await makeBackup(installation, file)
  const own = readdirSync(folder)
    .filter((name) => NAMED.test(name))
    .sort()
  for (const name of own.slice(0, Math.max(0, own.length - keep)))
    for (const old of [name, `${name}.keys`, `${name}.heads.json`]) rmSync(join(folder, old), { force: true })
  return file
}
