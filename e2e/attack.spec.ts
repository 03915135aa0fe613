/** What is written can be read, whatever is sent; and what cannot be read hides nothing beside it. */

import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { v7 } from 'uuid'
import { badRows } from '../attack/badRows'
import { cutConnections } from '../attack/cuts'
import { fuzz } from '../attack/fuzz'
import { tamper } from '../attack/tamper'
import { FUZZED } from '../attack/targets'
import { type Answered, Visitor } from '../attack/visitor'
import { runningClusterUrl, secretsOf, serverUrl, signingKeyFile } from '../scripts/lib/cluster'
import { nowMs } from '../src/clock/clock'
import { connect } from '../src/db/client'
import { signingKeyIn } from '../src/server/reports/signingKey'
import { headsSchema } from '../src/server/reports/verifyAll'
import { onDatabase } from './support/database'
import { command } from './support/medida'
import { expect, inDays, JOB, test } from './support/test'

test.beforeEach(({ medida }) => medida.startOver())

test('two hundred bodies at and beyond every bound: nothing fails, and what is accepted is read back', async ({ medida }) => {
  const connection = connect(runningClusterUrl(medida.dataFolder) ?? '')
  const seed = nowMs() % 1_000_000_000
  const { accepted, failures } = await fuzz({ url: medida.url, connection, ...FUZZED }, 200, seed)
  await connection.pool.end()
  expect(failures, `seed ${seed}`).toEqual([])
  expect(accepted).toBeGreaterThan(15)
})

test('a bad row in any table hides itself alone', async ({ medida }) => {
  const inspector = await Visitor.as(medida.url, 'inspector')
  for (const [table, sql] of badRows) {
    await onDatabase(medida, (client) => client.query(sql))
    const { status, text } = await inspector.get('/')
    expect(`${table}: ${status}`).toBe(`${table}: 200`)
    expect(`${table}: ${text.includes('Unit 1')}`).toBe(`${table}: true`)
  }
  const home = await inspector.get('/')
  expect(home.text.includes('cannot be shown')).toBe(true)
  const job = await inspector.get(`/jobs/${JOB}`)
  expect(job.status).toBe(200)
  const said = [...job.text.matchAll(/<\/b> (A [^<]*left out[^<]*)</g)].map(([, sentence]) => sentence).join('\n')
  for (const named of [/^A reading journal/m, /^A decision /m, /^A note of Mara Ellwood on x/m]) expect(said).toMatch(named)
  expect((await inspector.get('/gauges')).text.includes('The figures of OM-12 cannot be read')).toBe(true)
})

test('addresses and methods that are none get a sentence and 4xx', async ({ medida }) => {
  const inspector = await Visitor.as(medida.url, 'inspector')
  for (const path of ['/jobs/%00', '/jobs/a%00b/bench', '/reports/%ff', '/?next=%00', '/api/jobs/%00/readings', '/api/nothing']) {
    const { status, text } = await inspector.get(path)
    expect(`${path} ${status}`).toMatch(/ 4\d\d$/)
    expect(text.length).toBeGreaterThan(20)
  }
  for (const method of ['TRACE', 'DELETE', 'PUT', 'OPTIONS'])
    expect((await fetch(`${medida.url}/`, { method: method === 'TRACE' ? 'PATCH' : method })).status).toBe(405)
})

test('whatever is altered, cut off or emptied behind the program is found', async ({ medida }) => {
  const heads = join(medida.dataFolder, 'heads.json')
  const before = command('verify', ['--all', '--heads', heads, '--data', medida.dataFolder])
  expect(before.stderr).toBe('')
  expect(before.stdout).not.toContain('FAIL')
  expect(before.status).toBe(0)
  const found = await tamper(
    runningClusterUrl(medida.dataFolder) ?? '',
    signingKeyIn(signingKeyFile(medida.dataFolder)).publicKey,
    headsSchema.parse(JSON.parse(readFileSync(heads, 'utf8'))),
  )
  expect(found.filter((one) => !one.found)).toEqual([])
  expect(found.length).toBeGreaterThan(19)
  // And by the command, against heads that were kept elsewhere.
  await onDatabase(medida, (client) =>
    client.query(
      `SET session_replication_role = 'replica'; DELETE FROM event_log WHERE chain = 'quillmere-u1-2026' AND number > 3`,
    ),
  )
  const after = command('verify', ['--all', '--against', heads, '--data', medida.dataFolder])
  expect(after.status).toBe(1)
  expect(after.stdout).toContain('FAIL the log of quillmere-u1-2026 was cut or made anew')
})

test('the role of the server changes nothing that is recorded, and cannot make itself able to', async ({ medida }) => {
  const { serverPassword } = secretsOf(medida.dataFolder)
  const client = new pg.Client({ connectionString: serverUrl(runningClusterUrl(medida.dataFolder) ?? '', serverPassword) })
  await client.connect()
  const denied = [
    'UPDATE reading SET value = 1',
    'DELETE FROM event_log',
    'TRUNCATE report',
    `UPDATE gauge SET maximum_permissible_error = 1`,
    `UPDATE job SET running_hours = 1`,
    `UPDATE limit_book SET title = 'x'`,
    // An administrator changes name, role and place of a person; who somebody is, and that they were there, stays.
    `UPDATE "user" SET username = 'inspector2'`,
    `UPDATE "user" SET id = 'other'`,
    'DELETE FROM "user"',
    'DELETE FROM account',
    `UPDATE account SET user_id = 'demo-admin'`,
    'ALTER TABLE reading DISABLE TRIGGER ALL',
    `SET session_replication_role = 'replica'`,
    'CREATE TEMP TABLE report (job_id text)',
    'CREATE TABLE public.report2 (job_id text)',
    'CREATE FUNCTION public.refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RETURN NEW; END $$',
    'DROP TABLE reading',
    'SET ROLE medida',
  ]
  for (const sql of denied) await expect(client.query(sql), sql).rejects.toThrow(/permission denied|must be owner/)
  await client.end()
})

test('nobody renames themselves, and the sign-in library answers only what it must', async ({ medida }) => {
  const inspector = await Visitor.as(medida.url, 'inspector')
  const calls = [
    'update-user',
    'change-email',
    'change-password',
    'set-password',
    'delete-user',
    'is-username-available',
    'list-sessions',
    'admin/list-users',
    'forget-password',
    'sign-up/email',
  ]
  for (const call of calls) {
    const { status } = await inspector.post(`/api/auth/${call}`, { name: 'Tobias Renn', username: 'inspector' })
    expect(`${call} ${status}`).toBe(`${call} 404`)
  }
  const stranger = Visitor.stranger(medida.url)
  const said = new Set<string>()
  for (const username of ['inspector', 'nobody'])
    said.add(JSON.stringify(await stranger.post('/api/auth/sign-in/username', { username, password: 'wrong wrong wrong' })))
  expect(said.size).toBe(1)
  expect([...said][0]).toContain('INVALID_USERNAME_OR_PASSWORD')
})

test('every connection to the database cut under load: nothing acknowledged is lost, and the server lives', async ({
  medida,
}) => {
  const inspector = await Visitor.as(medida.url, 'inspector')
  const { acknowledged, lost, unexplained } = await cutConnections(inspector, runningClusterUrl(medida.dataFolder) ?? '', 20)
  expect({ lost, unexplained }).toEqual({ lost: 0, unexplained: [] })
  expect(acknowledged).toBeGreaterThan(40)
})

/** How long an answer takes, s. */
async function timed(ask: () => Promise<Answered>): Promise<Answered & { seconds: number }> {
  const before = performance.now()
  const answer = await ask()
  return { ...answer, seconds: (performance.now() - before) / 1000 }
}

test('a database that is stopped or frozen: a page says so in time, and all goes on when it is back', async ({ medida }) => {
  const inspector = await Visitor.as(medida.url, 'inspector')
  const postmaster = Number(readFileSync(join(medida.dataFolder, 'postgres', 'postmaster.pid'), 'utf8').split('\n')[0])
  const back = async (): Promise<void> => {
    for (const giveUp = Date.now() + 20_000; Date.now() < giveUp; ) if ((await inspector.get('/')).status === 200) return
    throw new Error('it did not come back')
  }

  // Frozen: with all its processes, so that no connection is answered and none is refused.
  const processes = [postmaster, ...childrenOf(postmaster)]
  for (const pid of processes) process.kill(pid, 'SIGSTOP')
  const frozen = await timed(() => inspector.get('/'))
  for (const pid of processes) process.kill(pid, 'SIGCONT')
  expect(frozen.status).toBe(503)
  expect(frozen.text.includes('The database does not answer')).toBe(true)
  expect(frozen.seconds).toBeLessThan(25)
  await back()

  // Ended by itself: the cluster is started again, and the server goes on.
  process.kill(postmaster, 'SIGKILL')
  const stopped = await timed(() => inspector.get('/'))
  expect([200, 503]).toContain(stopped.status)
  expect(stopped.seconds).toBeLessThan(5)
  await back()
  const written = await inspector.post(`/api/jobs/${JOB}/entries`, {
    entries: [{ id: v7(), seen: null, body: { kind: 'putIn', temporary: 'blank-1', name: 'Blank', where: 'port', count: 1 } }],
  })
  expect(written.status).toBe(200)
})

/** Processes that a process started, by Linux’s own list. */
const childrenOf = (pid: number): number[] =>
  readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(' ').filter(Boolean).map(Number)

test('twenty machines of one name at once are one; the same id with other contents is refused', async ({ medida }) => {
  const inspector = await Visitor.as(medida.url, 'inspector')
  const made = await Promise.all(
    Array.from({ length: 20 }, () =>
      inspector.post('/api/machines', { id: v7(), station: 'Oldmill', name: 'Pump 7', units: 'metric' }),
    ),
  )
  expect(made.filter(({ status }) => status === 200)).toHaveLength(1)
  expect(made.filter(({ status }) => status === 409)).toHaveLength(19)

  const twice = async (path: string, body: object, other: object): Promise<number[]> => {
    const send = (sent: object) => inspector.post(path, sent)
    return [(await send(body)).status, (await send(body)).status, (await send({ ...body, ...other })).status]
  }
  const reading = {
    id: v7(),
    characteristic: 'ring-gap-1',
    station: 'g',
    direction: '-',
    repeat: 1,
    stage: 'asFound',
    kind: 'read',
    text: '0.95',
    conditions: null,
    gauge: 'fg-02',
    takenAt: `${inDays(-1)}T10:00:00Z`,
    supersedes: null,
    reason: null,
  }
  const path = `/api/jobs/${JOB}`
  expect(await twice(`${path}/readings`, reading, { takenAt: `${inDays(-1)}T11:00:00Z` })).toEqual([200, 200, 409])
  expect(await twice(`${path}/readings`, reading, { conditions: { zero: 0.01, temperature: null } })).toEqual([200, 200, 409])
  expect(await twice(`${path}/confirmations`, { id: v7(), step: 'order', note: '' }, { note: 'by telephone' })).toEqual([
    200, 200, 409,
  ])
  const gauge = {
    id: v7(),
    replaces: null,
    code: 'CA-77',
    name: 'Caliper 150',
    kind: 'caliper',
    resolution: '0.01',
    maximumPermissibleError: '0.02',
    expanded: '0.01',
    coverage: '2',
    repeatability: '0.004',
    corrections: '25 = 0.01; 50 = -0.01',
    expansion: '11.5',
    least: '0',
    greatest: '150',
    calibrationDue: inDays(200),
  }
  expect(await twice('/api/gauges', gauge, { maximumPermissibleError: '0.03' })).toEqual([200, 200, 409])
  const pump = (JSON.parse(made.find(({ status }) => status === 200)?.text ?? '{}') as { id: string }).id
  const job = {
    id: v7(),
    level: null,
    runningHours: 12_000,
    readOn: inDays(-1),
    reason: 'Hours due',
    complaint: '',
    returnBy: null,
    mustRunHours: 8000,
    practice: false,
    policy: { acceptance: { kind: 'simple' }, mustLastTheInterval: false, clearanceBy: 'measuredParts' },
    hoursNote: null,
  }
  expect(await twice(`/api/machines/${pump}/jobs`, job, { complaint: 'noisy' })).toEqual([200, 200, 409])
  const table = (name: string) =>
    `overhaul;date;running_hours;characteristic;station;direction;reading\n${name};2001-05-01;900;journal;A;1;219.95`
  const about = { id: v7(), source: 'Record sheets' }
  const history = '/api/machines/quillmere-unit-1/history'
  expect((await inspector.upload(history, about, table('First'))).status).toBe(200)
  expect((await inspector.upload(history, about, table('First'))).status).toBe(200)
  expect((await inspector.upload(history, about, table('Second'))).status).toBe(409)
  const again = await inspector.upload(history, { ...about, id: v7() }, table('First'))
  expect(again.status).toBe(409)
  expect(again.text).toContain('is on record already')
})
