/** `npm start`: database, migrations, demo data, build, serve; everything it started ends with it. */

import { createServer } from 'node:net'
import { join } from 'node:path'
import { DEMO_PASSWORD, people } from '../demo/quillmere/station'
import { demoPasswordWorks, seedDemo } from '../demo/seed'
import { now } from '../src/clock/clock'
import { connect } from '../src/db/client'
import { ensureRole, grantTo, mayChangeRecords } from '../src/db/grants'
import { MigrationMismatch, migrateDatabase } from '../src/db/migrate'
import { gaugePairedBy, sayToGauge } from '../src/db/queries/gauges'
import { countPeople } from '../src/db/queries/people'
import { createGaugePort } from '../src/gauges/gaugePort'
import { pairingHash } from '../src/server/gauges/pairGauge'
import { codeHash, newCode } from '../src/server/people/code'
import { type SigningKey, signingKeyIn } from '../src/server/reports/signingKey'
import { root, stop } from './bootstrap.mjs'
import { backUpInto, lastBackupFile } from './lib/backup'
import { ensureBuild } from './lib/build'
import { certificateFor, lanAddresses } from './lib/certificate'
import { type Cluster, SERVER_ROLE, secretsOf, serverUrl, signingKeyFile, startCluster } from './lib/cluster'
import { ensurePostgres } from './lib/debian'
import { createHttpServer } from './lib/http'
import { CANCELLED, Cancelled, withProgress } from './lib/longWork'
import { readOptions } from './lib/options'

const options = readOptions()
// On loopback unless somebody asks for the local network; then with HTTPS only.
const HOST = options.lan ? '0.0.0.0' : '127.0.0.1'
const lan = options.lan ? lanAddresses() : []
const ownUrl = options.lan ? `https://${lan[0] ?? '127.0.0.1'}:${options.port}` : `http://${HOST}:${options.port}`

function portIsFree(): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(options.port, HOST, () => probe.close(() => resolve(true)))
  })
}

const portTaken = `Port ${options.port} is in use. Stop what uses it, or give another one: npm start -- --port ${options.port + 1}`
if (!(await portIsFree())) stop(portTaken)

const cluster: Cluster | null = options.databaseUrl === null ? await startCluster(options.dataFolder, options.fresh) : null
/** Address of the owner of the tables: migrations and demo data are made with it, nothing else. */
const ownerUrl = cluster?.url ?? options.databaseOwnerUrl ?? options.databaseUrl ?? ''
/** Address the server works with: a role that owns nothing and only adds to what is recorded. */
const databaseUrl = cluster ? serverUrl(cluster.url, secretsOf(options.dataFolder).serverPassword) : (options.databaseUrl ?? '')
process.env.MEDIDA_SIGNING_KEY ??= signingKeyFile(options.dataFolder)
const key = (): SigningKey => signingKeyIn(process.env.MEDIDA_SIGNING_KEY ?? '')

/** Ends with a sentence, after stopping what was started. */
async function giveUp(sentence: string): Promise<never> {
  await cluster?.stop()
  return stop(sentence)
}

const OWNER_NOTE =
  'The server connects to this database as a role that could change what is recorded. Give it one that owns nothing (DATABASE_URL) beside the owner’s (DATABASE_OWNER_URL): docs/operating.md.\n'
let ownerNote = ''
/** Nobody has an account: the first administrator is made with a code. */
let nobodyYet = false
/** A demo account can still be signed in to with the demo password. */
let demoOpen = false

async function prepareDatabase(): Promise<void> {
  try {
    await migrateDatabase(ownerUrl, join(root, 'drizzle'))
    const { db, pool } = connect(ownerUrl, 'long')
    if (!options.empty) await withProgress((work) => seedDemo(db, key, now(), work))
    nobodyYet = (await countPeople(db)) === 0
    demoOpen = await demoPasswordWorks(db)
    await pool.end()
    if (options.lan && demoOpen)
      await giveUp(
        'Demo accounts still have the demo password, so the local network is not opened. Sign in here as “admin”, change its password under My account, give the others new codes or disable them under People, then start with --lan; or start with --empty --data FOLDER for an installation without the demo.',
      )
    if (cluster) await ensureRole(ownerUrl, SERVER_ROLE, secretsOf(options.dataFolder).serverPassword)
    if (ownerUrl !== databaseUrl) await grantTo(ownerUrl, decodeURIComponent(new URL(databaseUrl).username))
    if (await mayChangeRecords(databaseUrl)) ownerNote = OWNER_NOTE
  } catch (error) {
    // Whoever cancelled it is answered there.
    if (error instanceof Cancelled) return new Promise(() => {})
    if (error instanceof MigrationMismatch)
      await giveUp(
        `The database was made by another version of Medida: ${error.message}. Use the version that made it, or another database.`,
      )
    const code = (error as { code?: string }).code
    if (code !== undefined && /^(E[A-Z]+|28...|3D...|57P..)$/.test(code) && cluster === null)
      await giveUp(
        `The database of DATABASE_URL cannot be reached (${(error as Error).message || code}). Check the address, and that PostgreSQL runs there.`,
      )
    await cluster?.stop()
    throw error
  }
}

const stopBeforeServing = (): void => {
  process.stderr.write('Stopped before it served. What was not whole was not kept.\n')
  void Promise.resolve(cluster?.stop()).then(() => process.exit(CANCELLED))
}
process.on('SIGINT', stopBeforeServing).on('SIGTERM', stopBeforeServing)

await prepareDatabase()
process.env.DATABASE_URL = databaseUrl
process.env.BETTER_AUTH_SECRET ??= secretsOf(options.dataFolder).authSecret
/** An address that people reach it by was configured: a proxy's, most often. */
const configuredUrl = process.env.PUBLIC_URL || null
process.env.PUBLIC_URL = configuredUrl ?? ownUrl
const firstCode = nobodyYet ? newCode() : null
if (firstCode !== null) process.env.MEDIDA_FIRST_CODE = codeHash(firstCode)
process.env.MEDIDA_PDF_WORKER = join(root, 'scripts', 'pdfWorker.mjs')
process.env.MEDIDA_HISTORY_WORKER = join(root, 'scripts', 'historyWorker.mjs')
process.env.MEDIDA_BOOK_WORKER = join(root, 'scripts', 'bookWorker.mjs')
// Of a database that somebody else runs, they make the backups, unless they are asked for here.
if (cluster || options.backups) process.env.MEDIDA_LAST_BACKUP ??= lastBackupFile(options.dataFolder)
process.env.NODE_ENV ??= 'production'
const certificate = options.lan ? await certificateFor(options.dataFolder, lan) : null
const server = await createHttpServer(ensureBuild(), {
  certificate,
  hosts: new Set([
    ...['127.0.0.1', 'localhost', '[::1]', ...lan].map((host) => `${host}:${options.port}`),
    new URL(process.env.PUBLIC_URL).host.toLowerCase(),
  ]),
  isHttps: configuredUrl?.startsWith('https:') ?? false,
})

/** What people on the local network must know: the browser has never seen this certificate. */
function lanNote(): string {
  if (!options.lan) return ''
  const others = lan.slice(1).map((address) => `, https://${address}:${options.port}`)
  return `On the local network with a certificate made here${others.join('')}: a tablet asks once whether to trust it.\nAddress in label codes: ${process.env.PUBLIC_URL}\n`
}

/** How to get in: the first account is made with a code, the demo's are known, all others are people's own. */
function accountsNote(): string {
  if (firstCode !== null)
    return `\nNobody has an account yet. Open ${ownUrl}/first and make the first administrator with this code:\n  ${firstCode}\n`
  if (!demoOpen) return ''
  const accounts = people.map(({ username, role }) => `  ${username.padEnd(10)} ${role}`).join('\n')
  return `\nDemo accounts (user name, role), with the password “${DEMO_PASSWORD}” until it is changed:\n${accounts}\n`
}

/** Gauges speak to the port after ours, on loopback unless the local network is asked for: an adapter stands beside the server. */
const gaugePort = options.port + 1
const gaugesDb = connect(databaseUrl)
const gauges = createGaugePort({
  pairedBy: (code, secret) => gaugePairedBy(gaugesDb.db, code, pairingHash(secret)),
  pass: async (gaugeId, word) => void (await sayToGauge(gaugesDb.db, gaugeId, word)),
})
let gaugeNote = `Gauges send their readings to 127.0.0.1:${gaugePort} (simulated ones: npm run gauges -- --port ${options.port}).`
await new Promise<void>((resolve) => {
  gauges.once('error', () => {
    gaugeNote = `Port ${gaugePort} is in use: no gauge can send its readings. Type them, or start Medida on another port.`
    resolve()
  })
  gauges.listen(gaugePort, options.lanGauges ? HOST : '127.0.0.1', resolve)
})

/** A backup now and then into a folder, when one is asked for; what fails is said, and tried again at the next hour of it. */
async function backUp({ folder, keep }: NonNullable<typeof options.backups>): Promise<void> {
  const installation = {
    ownerUrl,
    bin: ensurePostgres(),
    dataFolder: options.dataFolder,
    signingKeyFile: process.env.MEDIDA_SIGNING_KEY ?? '',
  }
  try {
    await backUpInto(installation, folder, keep)
  } catch (error) {
    process.stderr.write(`No backup was made into ${folder}: ${error instanceof Error ? error.message : String(error)}\n`)
  }
}
const { backups } = options
if (backups) {
  void backUp(backups)
  setInterval(() => void backUp(backups), backups.everyHours * 3_600_000).unref()
}

let ending = false
async function shutDown(code: number): Promise<void> {
  if (ending) return
  ending = true
  server.close()
  server.closeAllConnections()
  gauges.close()
  await gaugesDb.pool.end().catch(() => undefined)
  await cluster?.stop()
  process.exit(code)
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const)
  process.removeAllListeners(signal).on(signal, () => void shutDown(0))
cluster?.onUnexpectedEnd(() => {
  process.stderr.write('The database ended by itself and is started again; nothing accepted is lost.\n')
})
server.once(
  'error',
  (error: NodeJS.ErrnoException) =>
    void giveUp(error.code === 'EADDRINUSE' ? portTaken : `The server does not start: ${error.message}`),
)
server.listen(options.port, HOST, () => {
  process.stdout.write(`\nMedida runs on ${ownUrl}\n${gaugeNote}\n${lanNote()}${ownerNote}${accountsNote()}\nCtrl-C stops it.\n`)
})
