/** `npm run attack -- [SEED]`: attacks a Medida of its own in every way that is known, and says what was tried and what failed. */

import { connect as dial } from 'node:net'
import { cutConnections } from '../attack/cuts'
import { fuzz } from '../attack/fuzz'
import { tamper } from '../attack/tamper'
import { FUZZED } from '../attack/targets'
import { Visitor } from '../attack/visitor'
import { command, Medida } from '../e2e/support/medida'
import { now, nowMs } from '../src/clock/clock'
import { gaugeLine } from '../src/core/gauge/lineProtocol'
import { connect } from '../src/db/client'
import { signingKeyIn } from '../src/server/reports/signingKey'
import { headsOf } from '../src/server/reports/verifyAll'
import { stop } from './bootstrap.mjs'
import { runningClusterUrl, signingKeyFile } from './lib/cluster'

const seed = process.argv[2] === undefined ? nowMs() % 1_000_000_000 : Number(process.argv[2])
if (!Number.isInteger(seed)) stop('usage: npm run attack -- [SEED]', 2)
process.stdout.write(`seed ${seed}\n`)

interface Row {
  readonly what: string
  readonly tried: number
  readonly failed: readonly string[]
}

const FUZZ = 2_000
const CUTS = 100
const STRANGERS = 1_000

const medida = await Medida.start()
const ownerUrl = runningClusterUrl(medida.dataFolder) ?? ''
const connection = connect(ownerUrl, 'long')
const inspector = await Visitor.as(medida.url, 'inspector')

async function bodies(): Promise<Row> {
  const { tried, failures } = await fuzz({ url: medida.url, connection, ...FUZZED }, FUZZ, seed)
  return { what: 'bodies at and beyond their bounds', tried, failed: failures }
}

/** Connections to the gauge port that are no gauges, HTTP among them. */
async function strangers(): Promise<Row> {
  const count = async (): Promise<number> => Number((await connection.pool.query('SELECT count(*) AS n FROM reading')).rows[0].n)
  const before = await count()
  for (let at = 0; at < STRANGERS; at += 1) {
    const socket = dial(medida.port + 1, '127.0.0.1').on('error', () => undefined)
    const gone = new Promise<void>((resolve) => socket.once('close', () => resolve()))
    const read = gaugeLine('READ 1 219.9 mm')
    const said = [
      `POST / HTTP/1.1\r\nHost: x\r\n\r\n${gaugeLine('HELLO 1 OM-12')}${read}`,
      `${gaugeLine('HELLO 1 OM-12')}${read}`,
      read,
      `${'x'.repeat(500)}${read}`,
    ]
    socket.write(said[at % said.length] ?? read)
    socket.resume()
    await gone
  }
  const stored = (await count()) - before
  return {
    what: 'connections to the gauge port without a pairing',
    tried: STRANGERS,
    failed: stored === 0 ? [] : [`${stored} readings stored`],
  }
}

async function cuts(): Promise<Row> {
  const { lost, unexplained } = await cutConnections(inspector, ownerUrl, CUTS)
  const alive = (await inspector.get('/')).status === 200
  return {
    what: 'cuts of every database connection, under load',
    tried: CUTS,
    failed: [
      ...(lost > 0 ? [`${lost} acknowledged entries lost`] : []),
      ...unexplained,
      ...(alive ? [] : ['the server is gone']),
    ],
  }
}

async function tampering(): Promise<Row> {
  const key = signingKeyIn(signingKeyFile(medida.dataFolder)).publicKey
  const found = await tamper(ownerUrl, key, await headsOf(connection.db, now()))
  return {
    what: 'tamperings with the database',
    tried: found.length,
    failed: found.filter((one) => !one.found).map(({ what, says }) => `${what}: ${says}`),
  }
}

async function edge(): Promise<Row> {
  const failed: string[] = []
  let tried = 0
  const expects = (what: string, holds: boolean): void => {
    tried += 1
    if (!holds) failed.push(what)
  }
  const page = await fetch(`${medida.url}/sign-in`)
  const policy = page.headers.get('content-security-policy') ?? ''
  expects(
    'scripts in pages are known by hash only',
    /script-src 'self' 'sha256-/.test(policy) && !/script-src[^;]*unsafe-inline/.test(policy),
  )
  expects(
    'private pages are kept by nobody',
    (await fetch(`${medida.url}/`, { redirect: 'manual' })).headers.get('cache-control') === 'no-store',
  )
  for (const next of ['/%09/host', '//host', '/%5Chost', '/.//host', 'https://host']) {
    const answer = await inspector.redirectOf(`/sign-in?next=${next}`)
    expects(`sign-in leads to ${answer} for ${next}`, new URL(answer, medida.url).host === new URL(medida.url).host)
  }
  const elsewhere = await askAs('attacker.example')
  expects('another host is refused', elsewhere === 421)
  return { what: 'the edge', tried, failed }
}

/** Status of a request that names another host, which `fetch` does not let anybody do. */
function askAs(host: string): Promise<number> {
  return new Promise((resolve, reject) => {
    const socket = dial(medida.port, '127.0.0.1', () =>
      socket.write(`GET /sign-in HTTP/1.1\r\nHost: ${host}\r\nConnection: close\r\n\r\n`),
    )
    let said = ''
    socket.on('data', (chunk) => {
      said += chunk.toString()
    })
    socket.once('error', reject)
    socket.once('close', () => resolve(Number(said.split(' ')[1])))
  })
}

async function everything(): Promise<Row> {
  const verified = command('verify', ['--all', '--data', medida.dataFolder])
  return {
    what: 'verification of everything, after all that',
    tried: verified.stdout.split('\n').filter((line) => /^(ok|FAIL) /.test(line)).length,
    failed: verified.stdout.split('\n').filter((line) => line.startsWith('FAIL')),
  }
}

const rows: Row[] = []
try {
  for (const attack of [tampering, strangers, cuts, bodies, edge, everything]) {
    const row = await attack()
    rows.push(row)
    process.stdout.write(`${row.failed.length === 0 ? 'held  ' : 'FAILED'} ${row.what}\n`)
    for (const failure of row.failed.slice(0, 10)) process.stdout.write(`       ${failure}\n`)
  }
} finally {
  await connection.pool.end()
  await medida.clear()
}
process.stdout.write(`\n${'attack'.padEnd(52)}${'tried'.padStart(8)}${'failed'.padStart(8)}\n`)
for (const { what, tried, failed } of rows)
  process.stdout.write(`${what.padEnd(52)}${String(tried).padStart(8)}${String(failed.length).padStart(8)}\n`)
process.exitCode = rows.every(({ failed }) => failed.length === 0) ? 0 : 1
