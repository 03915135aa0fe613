/** `npm run restore -- FILE --data FOLDER`: a backup into an empty place, then everything in it verified. */
import { existsSync, mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { ensureRole, grantTo } from '../src/db/grants'
import { migrateDatabase } from '../src/db/migrate'
import { root, stop } from './bootstrap.mjs'
import { besideBackup, runTool, tablesIn } from './lib/backup'
import { hasCluster, SERVER_ROLE, secretsOf, signingKeyFile, startCluster } from './lib/cluster'
import { ensurePostgres } from './lib/debian'
import { CANCELLED, Cancelled, type CommandWork, withProgress } from './lib/longWork'
import { readOptions } from './lib/options'
import { sayAll } from './lib/sayAll'

const options = readOptions()
const [name] = options.rest
if (name === undefined || options.databaseUrl !== null)
  stop('usage: npm run restore -- FILE --data FOLDER, without DATABASE_URL', 2)
const file = resolve(name)
if (!existsSync(file)) stop(`There is no backup ${file}.`, 2)
const { dataFolder } = options
if (hasCluster(dataFolder)) stop(`${dataFolder} holds a database. Give an empty folder with --data: nothing is overwritten.`, 2)

const { signingKey, heads } = besideBackup(file)
const wasThere = existsSync(dataFolder) ? new Set(readdirSync(dataFolder)) : null
mkdirSync(dataFolder, { recursive: true, mode: 0o711 })
if (signingKey === null)
  process.stderr.write('No key lies beside the backup: its reports verify by what is printed on them, new ones get a new key.\n')
else if (!existsSync(signingKeyFile(dataFolder)))
  writeFileSync(signingKeyFile(dataFolder), signingKey, { mode: 0o600, flag: 'wx' })

/** Takes away what this command has put into the folder, however it ends: the next try finds it as this one did. */
let isDone = false
process.once('exit', () => {
  if (isDone) return
  if (wasThere === null) rmSync(dataFolder, { recursive: true, force: true })
  else for (const name of readdirSync(dataFolder)) if (!wasThere.has(name)) rmSync(join(dataFolder, name), { recursive: true })
})

async function bringBack(work: CommandWork): Promise<boolean> {
  const cluster = await startCluster(dataFolder, false)
  try {
    const bin = ensurePostgres()
    const into = `--dbname=${new URL(cluster.url).pathname.slice(1)}`
    const args = ['--no-owner', '--no-privileges', '--exit-on-error', '--single-transaction', into, file]
    const tables = tablesIn(bin, file)
    await runTool({ bin, program: 'pg_restore', url: cluster.url, args, tables, stage: 'bringingBack' }, work)
    // One made by an older release is brought up.
    await migrateDatabase(cluster.url, join(root, 'drizzle'))
    await ensureRole(cluster.url, SERVER_ROLE, secretsOf(dataFolder).serverPassword)
    await grantTo(cluster.url, SERVER_ROLE)
    return await sayAll(cluster.url, signingKey === null ? null : signingKeyFile(dataFolder), heads, work)
  } finally {
    await cluster.stop()
  }
}

try {
  const holds = await withProgress(bringBack)
  isDone = true
  process.stdout.write(`Restored into ${dataFolder}. Start it with: npm start -- --data ${dataFolder}\n`)
  process.exitCode = holds ? 0 : 1
} catch (error) {
  if (error instanceof Cancelled) stop(`Cancelled: ${dataFolder} is as it was.`, CANCELLED)
  process.stderr.write(`Not restored: ${error instanceof Error ? error.message : String(error)}\n`)
  process.exitCode = 1
}
