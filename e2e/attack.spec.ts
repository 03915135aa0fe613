/** What is written can be read, whatever is sent; and what cannot be read hides nothing beside it. */
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import pg from 'pg'
import { badRows } from '../attack/badRows'
import { fuzz } from '../attack/fuzz'
import { tamper } from '../attack/tamper'
import { FUZZED } from '../attack/targets'
import { Visitor } from '../attack/visitor'
import { runningClusterUrl, secretsOf, serverUrl, signingKeyFile } from '../scripts/lib/cluster'
import { connect } from '../src/db/client'
import { signingKeyIn } from '../src/server/signingKey'
import { headsSchema } from '../src/server/verifyAll'
import { onDatabase } from './support/database'
import { command } from './support/medida'
import { expect, JOB, test } from './support/test'

test.beforeEach(({ medida }) => medida.startOver())

test('a thousand bodies at and beyond every bound: nothing fails, and what is accepted is read back', async ({ medida }) => {
  const connection = connect(runningClusterUrl(medida.dataFolder) ?? '')
  const seed = Date.now() % 1_000_000_000
  const { accepted, failures } = await fuzz({ url: medida.url, connection, ...FUZZED }, 1000, seed)
  await connection.pool.end()
  expect(failures, `seed ${seed}`).toEqual([])
  expect(accepted).toBeGreaterThan(100)
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
    `UPDATE "user" SET role = 'reviewer'`,
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
  for (const username of ['inspector', 'nobody-at-all'])
    said.add(JSON.stringify(await stranger.post('/api/auth/sign-in/username', { username, password: 'wrong wrong wrong' })))
  expect(said.size).toBe(1)
})
