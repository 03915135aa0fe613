/** A backup made while people work, restored into an empty place, with everything in it verified. */
import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { backUpUnderLoad } from '../attack/backupUnderLoad'
import { Visitor } from '../attack/visitor'
import { onDatabase } from './support/database'
import { command, Medida } from './support/medida'
import { expect, JOB, test } from './support/test'

test.beforeEach(({ medida }) => medida.startOver())

test('a backup under load holds all that was acknowledged before it, and nothing half', async ({ medida }) => {
  const folder = mkdtempSync(join(tmpdir(), 'medida-backup-'))
  const file = join(folder, 'one.backup')
  const inspector = await Visitor.as(medida.url, 'inspector')
  const before = await backUpUnderLoad(inspector, 50, () => run('backup', [file, '--data', medida.dataFolder]))
  expect(before.length).toBeGreaterThan(49)
  expect(statSync(`${file}.keys`).mode & 0o077).toBe(0)
  expect(command('restore', [file, '--data', medida.dataFolder]).stderr).toContain('holds a database')

  const elsewhere = mkdtempSync(join(tmpdir(), 'medida-restored-'))
  const restored = command('restore', [file, '--data', elsewhere])
  expect(restored.stderr).toBe('')
  expect(restored.stdout).not.toContain('FAIL')
  expect(restored.stdout).toContain('ok   signed by this installation')
  expect(restored.stdout).toContain('ok   nothing was cut off since')
  expect(restored.status).toBe(0)

  const copy = await Medida.start({ dataFolder: elsewhere, asItIs: true })
  const stored = await onDatabase(copy, async (client) =>
    Number((await client.query('SELECT count(*) AS n FROM job_entry WHERE id = ANY($1::uuid[])', [before])).rows[0].n),
  )
  expect(stored).toBe(before.length)
  const there = await Visitor.as(copy.url, 'inspector')
  for (const page of ['/', `/jobs/${JOB}`, '/evidence', '/gauges']) expect((await there.get(page)).status).toBe(200)
  await copy.clear() // and its folder
  rmSync(folder, { recursive: true, force: true })
})

test('a restore that is cancelled leaves the place as it was', async ({ medida }) => {
  const folder = mkdtempSync(join(tmpdir(), 'medida-backup-'))
  const file = join(folder, 'one.backup')
  await run('backup', [file, '--data', medida.dataFolder])
  const elsewhere = `${mkdtempSync(join(tmpdir(), 'medida-restored-'))}-anew`
  const restore = spawn(process.execPath, [script('restore'), file, '--data', elsewhere], { stdio: ['ignore', 'ignore', 'pipe'] })
  let said = ''
  restore.stderr.on('data', (chunk: Buffer) => {
    said += chunk.toString()
  })
  const ended = new Promise<number | null>((resolve) => restore.once('exit', resolve))
  await expect.poll(() => existsSync(join(elsewhere, 'postgres', 'postmaster.pid')), { timeout: 60_000 }).toBe(true)
  restore.kill('SIGINT')
  expect(await ended).toBe(130)
  expect(said).toContain('is as it was')
  expect(existsSync(elsewhere)).toBe(false)
  rmSync(folder, { recursive: true, force: true })
})

test('backups are made by themselves, the oldest go, and the shop floor says when the last one was made', async ({ medida }) => {
  const inspector = await Visitor.as(medida.url, 'inspector')
  expect((await inspector.get('/')).text.includes('No backup has been made yet')).toBe(true)
  const folder = mkdtempSync(join(tmpdir(), 'medida-backups-'))
  await medida.end('SIGINT')
  await medida.startAgain(['--backups', folder, '--backup-hours', '0.002', '--backup-keep', '1'])
  const backups = (): string[] => readdirSync(folder).filter((name) => name.endsWith('.backup'))
  await expect.poll(() => backups().length, { timeout: 120_000 }).toBe(1)
  const [first] = backups()
  await expect.poll(() => backups().length === 1 && backups()[0] !== first, { timeout: 180_000 }).toBe(true)
  expect(existsSync(join(folder, `${first}.keys`))).toBe(false)
  const again = await Visitor.as(medida.url, 'inspector')
  expect((await again.get('/')).text).toMatch(/Last backup <span[^>]*>20\d\d-/)
  rmSync(folder, { recursive: true, force: true })
})

const script = (name: string): string => join(import.meta.dirname, '..', 'scripts', `${name}.mjs`)

/** Runs a command beside what else is going on here. */
function run(name: string, args: readonly string[]): Promise<void> {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, [script(name), ...args], { stdio: 'ignore' })
    child.once('error', reject)
    child.once('exit', (code) => (code === 0 ? resolve() : reject(new Error(`${name} ended with ${code}`))))
  })
}
