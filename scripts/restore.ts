/** `npm run restore -- FILE --data FOLDER`: a backup into an empty place, then everything in it verified. */
import { existsSync, mkdirSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { ensureRole, grantTo } from '../src/db/grants'
import { migrateDatabase } from '../src/db/migrate'
import { root, stop } from './bootstrap.mjs'
import { besideBackup, runTool } from './lib/backup'
import { hasCluster, SERVER_ROLE, secretsOf, signingKeyFile, startCluster } from './lib/cluster'
import { ensurePostgres } from './lib/debian'
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
mkdirSync(dataFolder, { recursive: true, mode: 0o711 })
if (signingKey === null)
  process.stderr.write('No key lies beside the backup: its reports verify by what is printed on them, new ones get a new key.\n')
else if (!existsSync(signingKeyFile(dataFolder)))
  writeFileSync(signingKeyFile(dataFolder), signingKey, { mode: 0o600, flag: 'wx' })

const cluster = await startCluster(dataFolder, false)
try {
  await runTool(ensurePostgres(), 'pg_restore', cluster.url, [
    '--no-owner',
    '--no-privileges',
    '--exit-on-error',
    '--single-transaction',
    `--dbname=${new URL(cluster.url).pathname.slice(1)}`,
    file,
  ])
  // One made by an older release is brought up.
  await migrateDatabase(cluster.url, join(root, 'drizzle'))
  await ensureRole(cluster.url, SERVER_ROLE, secretsOf(dataFolder).serverPassword)
  await grantTo(cluster.url, SERVER_ROLE)
  const holds = await sayAll(cluster.url, signingKey === null ? null : signingKeyFile(dataFolder), heads)
  process.stdout.write(`Restored into ${dataFolder}. Start it with: npm start -- --data ${dataFolder}\n`)
  process.exitCode = holds ? 0 : 1
} catch (error) {
  process.stderr.write(`Not restored: ${error instanceof Error ? error.message : String(error)}\n`)
  process.exitCode = 1
} finally {
  await cluster.stop()
}
