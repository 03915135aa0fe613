/** The start command: what it says when it cannot start, and that a second start keeps everything. */
import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import pg from 'pg'
import { runningClusterUrl } from '../scripts/lib/cluster'
import { command, freePort, Medida } from './support/medida'
import { expect, test } from './support/test'

const rowsOf = async (medida: Medida): Promise<Record<string, number>> => {
  const client = new pg.Client({ connectionString: runningClusterUrl(medida.dataFolder) ?? '' })
  await client.connect()
  const counts: Record<string, number> = {}
  for (const table of ['"user"', 'machine', 'machine_hours', 'job', 'reading', 'job_entry', 'picture', 'report'])
    counts[table] = Number((await client.query(`SELECT count(*) AS n FROM ${table}`)).rows[0].n)
  await client.end()
  return counts
}

test.beforeAll(({ medida }) => medida.startOver())

test('a second start loses nothing, seeds nothing twice and prints address and accounts', async ({ medida }) => {
  const before = await rowsOf(medida)
  expect(before).toMatchObject({ '"user"': 6, machine: 14, job: 25, report: 12 })
  await medida.end('SIGINT')
  expect(runningClusterUrl(medida.dataFolder)).toBeNull()
  await medida.startAgain()
  expect(await rowsOf(medida)).toEqual(before)
  expect(medida.output).toContain(`http://127.0.0.1:${medida.port}`)
  expect(medida.output).toMatch(/reviewer\s+reviewer/)
})

test('the same data folder cannot be started twice', async ({ medida }) => {
  const second = command('start', ['--port', String(await freePort()), '--data', medida.dataFolder])
  expect(second.status).toBe(1)
  expect(second.stderr).toContain('Medida already runs on')
})

const refusals: { name: string; args: (port: number) => string[]; env?: NodeJS.ProcessEnv; says: RegExp }[] = [
  { name: 'a port that is none', args: () => ['--port', 'many'], says: /^--port many is not a port/m },
  { name: 'an option that is none', args: () => ['--colour', 'blue'], says: /Options: --port NUMBER, --data FOLDER, --fresh/ },
  {
    name: 'a database that cannot be reached',
    args: (port) => ['--port', String(port)],
    env: { DATABASE_URL: 'postgres://nobody@127.0.0.1:1/none' },
    says: /^The database of DATABASE_URL cannot be reached/m,
  },
  {
    name: '--fresh on a database of others',
    args: (port) => ['--port', String(port), '--fresh'],
    env: { DATABASE_URL: 'postgres://nobody@127.0.0.1:1/none' },
    says: /Medida does not own/,
  },
]

for (const { name, args, env, says } of refusals)
  test(`${name}: one sentence that says what to do`, async () => {
    const refused = command('start', args(await freePort()), env)
    expect(refused.status).toBe(1)
    expect(refused.stderr).toMatch(says)
    expect(refused.stderr).not.toContain('    at ')
  })

test('a port in use: one sentence that says what to do', async () => {
  const port = await freePort()
  const taken = createServer()
  await new Promise<void>((resolve) => taken.listen(port, '127.0.0.1', resolve))
  const refused = command('start', ['--port', String(port), '--data', join(tmpdir(), 'medida-never-made')])
  taken.close()
  expect(refused.status).toBe(1)
  expect(refused.stderr).toContain(
    `Port ${port} is in use. Stop what uses it, or give another one: npm start -- --port ${port + 1}`,
  )
})

test('a broken cluster: one sentence that says what to do; --fresh starts over', async () => {
  const medida = await Medida.start()
  await medida.end('SIGINT')
  writeFileSync(join(medida.dataFolder, 'postgres', 'global', 'pg_control'), 'not a control file')
  const args = ['--port', String(medida.port), '--data', medida.dataFolder]
  const broken = command('start', args)
  expect(broken.status).toBe(1)
  expect(broken.stderr).toMatch(/The database cluster in .* does not start/)
  expect(broken.stderr).toContain('--fresh')
  // What starts over is laid out anew; that the demo comes with it, every other spec begins with.
  await medida.startAgain(['--fresh', '--empty'])
  expect(await rowsOf(medida)).toMatchObject({ job: 0, report: 0 })
  await medida.clear()
})

test('DATABASE_URL: uses that database and starts none of its own', async ({ medida }) => {
  const admin = new pg.Client({ connectionString: runningClusterUrl(medida.dataFolder) ?? '' })
  await admin.connect()
  await admin.query('CREATE DATABASE elsewhere')
  await admin.query(`CREATE ROLE station LOGIN PASSWORD 'station'`)
  await admin.end()
  const address = Object.assign(new URL(runningClusterUrl(medida.dataFolder) ?? ''), { pathname: '/elsewhere' }).href
  const dataFolder = mkdtempSync(join(tmpdir(), 'medida-e2e-'))
  const args = ['--empty']
  const other = await Medida.start({ DATABASE_URL: address, dataFolder, args })
  expect((await fetch(`${other.url}/sign-in`)).status).toBe(200)
  expect(readdirSync(dataFolder)).toEqual(['secrets.json'])
  expect(other.output).toContain('as a role that could change what is recorded')
  await other.end('SIGINT')

  // With a role that owns nothing beside the owner's, the promise holds.
  const server = Object.assign(new URL(address), { username: 'station', password: 'station' }).href
  const apart = await Medida.start({ DATABASE_URL: server, DATABASE_OWNER_URL: address, dataFolder, args })
  expect(apart.output).not.toContain('could change what is recorded')
  expect((await fetch(`${apart.url}/first`)).status).toBe(200)
  await apart.end('SIGINT')
  rmSync(dataFolder, { recursive: true, force: true })
})
