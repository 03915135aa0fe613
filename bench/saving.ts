/** Saving readings: one after the other, and fifty benches at once, against a bare server that runs the same statements. */
import { createServer } from 'node:http'
import type { AddressInfo } from 'node:net'
import pg from 'pg'
import { v7 } from 'uuid'
import { DEMO_PASSWORD } from '../demo/quillmere/station'
import { Medida } from '../e2e/support/medida'
import { runningClusterUrl } from '../scripts/lib/cluster'
import type { Figure } from './figure'

const ONE_BY_ONE = 200
const BENCHES = 50
const EACH = 6
const JOB = 'quillmere-g1-2026'

const percentile95 = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)] ?? 0

/** Takes a reading back and reads it again, over and over: every call stores one row at one place. */
type Send = (body: unknown) => Promise<void>

function bodies(place: string, count: number): unknown[] {
  let standing: string | null = null
  return Array.from({ length: count }, () => {
    const id = v7()
    const body = {
      id,
      characteristic: 'air-gap',
      station: place,
      direction: '-',
      repeat: 1,
      stage: 'asFound',
      kind: 'read',
      text: '5.90',
      conditions: null,
      gauge: 'fg-20',
      takenAt: new Date().toISOString(),
      supersedes: standing,
      reason: standing === null ? null : 'measuring the server',
    }
    standing = id
    return body
  })
}

async function timesOf(send: Send): Promise<number[]> {
  const times: number[] = []
  for (const body of bodies('1', ONE_BY_ONE)) {
    const before = performance.now()
    await send(body)
    times.push(performance.now() - before)
  }
  return times.slice(20)
}

/** Readings stored each second by fifty benches that each save one after the other. Twelve places are shared out, one chain each. */
async function throughput(send: Send): Promise<number> {
  const chains = Array.from({ length: BENCHES }, (_, index) => ({ place: String((index % 11) + 2), stage: index }))
  const byPlace = new Map<string, number>()
  for (const { place } of chains) byPlace.set(place, (byPlace.get(place) ?? 0) + EACH)
  const before = performance.now()
  await Promise.all(
    [...byPlace].map(async ([place, count]) => {
      for (const body of bodies(place, count)) await send(body)
    }),
  )
  return (BENCHES * EACH * 1000) / (performance.now() - before)
}

/** The same statements with the same driver and durability and nothing else: no session, no checks, no core. */
async function serveBare(connectionString: string): Promise<{ url: string; close: () => Promise<void> }> {
  const pool = new pg.Pool({ connectionString, max: 10 })
  // The database may end while a connection still says good-bye; without a listener that would end the whole run.
  pool.on('error', () => {})
  const server = createServer((request, response) => {
    const chunks: Buffer[] = []
    request.on('data', (chunk: Buffer) => chunks.push(chunk))
    request.on('end', async () => {
      const body = JSON.parse(Buffer.concat(chunks).toString()) as Record<string, string | number | null>
      const client = await pool.connect()
      try {
        await client.query('BEGIN')
        await client.query(
          'SELECT j.book_id, m.units FROM job j JOIN machine m ON m.id = j.machine_id WHERE j.id = $1 FOR UPDATE OF j',
          [JOB],
        )
        await client.query(
          'SELECT * FROM reading r JOIN "user" u ON u.id = r.taken_by WHERE job_id = $1 AND characteristic = $2 AND stage = $3 AND r.station = $4 AND direction = $5 AND repeat = $6',
          [JOB, body.characteristic, body.stage, body.station, body.direction, body.repeat],
        )
        await client.query('SELECT * FROM gauge WHERE id = $1', [body.gauge])
        await client.query(
          `INSERT INTO reading (id, job_id, characteristic, station, direction, repeat, stage, text, kind, default_unit, value, gauge_id, taken_by, taken_at, supersedes, reason)
           VALUES ($1, $2, $3, $4, $5, $6, $7, $8, 'point', 'mm', 5.9, $9, 'demo-inspector', $10, $11, $12)`,
          [
            body.id,
            JOB,
            body.characteristic,
            body.station,
            body.direction,
            body.repeat,
            body.stage,
            body.text,
            body.gauge,
            body.takenAt,
            body.supersedes,
            body.reason,
          ],
        )
        await client.query('INSERT INTO event_log (user_id, verb, subject, detail) VALUES ($1, $2, $3, $4)', [
          'demo-inspector',
          'reading.accepted',
          JOB,
          JSON.stringify({ reading: body.id }),
        ])
        await client.query("SELECT pg_notify('medida_job', $1)", [`${JOB} ${body.id}`])
        await client.query('COMMIT')
        response.end('{}')
      } catch (error) {
        await client.query('ROLLBACK')
        response.statusCode = 500
        response.end(String(error))
      } finally {
        client.release()
      }
    })
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}/`,
    close: async () => {
      server.closeAllConnections()
      server.close()
      await pool.end()
    },
  }
}

const sendTo =
  (url: string, headers: Readonly<Record<string, string>>): Send =>
  async (body) => {
    const answer = await fetch(url, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body: JSON.stringify(body),
    })
    if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`)
    await answer.arrayBuffer()
  }

export async function savingFigures(): Promise<Figure[]> {
  const measured = { ours: [] as number[], bare: [] as number[], oursEach: 0, bareEach: 0 }
  // Each on a database of its own, so that both store the same rows at the same places.
  const medida = await Medida.start()
  try {
    const signedIn = await fetch(`${medida.url}/api/auth/sign-in/username`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', origin: medida.url },
      body: JSON.stringify({ username: 'inspector', password: DEMO_PASSWORD }),
    })
    const cookie = signedIn.headers
      .getSetCookie()
      .map((line) => line.split(';')[0])
      .join('; ')
    const ours = sendTo(`${medida.url}/api/jobs/${JOB}/readings`, { cookie, origin: medida.url })
    measured.ours = await timesOf(ours)
    measured.oursEach = await throughput(ours)
    await medida.startOver()
    const bare = await serveBare(runningClusterUrl(medida.dataFolder) ?? '')
    measured.bare = await timesOf(sendTo(bare.url, {}))
    measured.bareEach = await throughput(sendTo(bare.url, {}))
    await bare.close()
  } finally {
    await medida.clear()
  }
  return [
    {
      name: 'saving a reading, 95th percentile',
      figure: percentile95(measured.ours),
      baseline: percentile95(measured.bare),
      unit: 'ms',
      bar: { kind: 'ratio', atMost: 2.5 },
    },
    {
      name: `time for each reading of ${BENCHES} benches saving at once`,
      figure: 1000 / measured.oursEach,
      baseline: 1000 / measured.bareEach,
      unit: 'ms',
      bar: { kind: 'told' },
    },
  ]
}
