/**
 * `npm test`: every check there is, one after the other; the last line counts them.
 *
 * `--clock MOMENT` (ISO 8601) runs them as if that moment were now, in every process and every page; `--no-browser` leaves the
 * end-to-end tests out.
 */
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { parseArgs } from 'node:util'
import { nowMs } from '../src/clock/clock'
import { root, stop } from './bootstrap.mjs'
import { ensureChromium, ensurePostgres } from './lib/debian'

interface Count {
  readonly passed: number
  readonly failed: number
}

const results = mkdtempSync(join(tmpdir(), 'medida-test-'))
const vitestReport = join(results, 'vitest.json')
const playwrightReport = join(results, 'playwright.json')

/** The program of a package, from its bin folder: no shell and no npx in between. */
const bin = (name: string): string => join(root, 'node_modules', '.bin', name)

const { values: options } = parseArgs({ options: { clock: { type: 'string' }, 'no-browser': { type: 'boolean' } } })

/** What moves the clock of every process of the run; nothing where none was asked for. */
function movedClock(moment: string | undefined): NodeJS.ProcessEnv {
  if (moment === undefined) return {}
  const ahead = Date.parse(moment) - nowMs()
  if (Number.isNaN(ahead)) stop(`--clock ${moment} is no moment. Give one as 2028-02-29T12:00:00Z.`)
  const preload = `--import=${pathToFileURL(join(root, 'scripts', 'lib', 'movedClock.mjs')).href}`
  return {
    MEDIDA_CLOCK: moment,
    MEDIDA_CLOCK_AHEAD: String(ahead),
    NODE_OPTIONS: [process.env.NODE_OPTIONS, preload].filter(Boolean).join(' '),
  }
}
const clock = movedClock(options.clock)

const environment = (): NodeJS.ProcessEnv => {
  const { DATABASE_URL: _, ...own } = process.env // the tests bring a database of their own
  return { ...own, ...clock, ASTRO_TELEMETRY_DISABLED: '1' }
}

function run(title: string, program: string, args: readonly string[], env: NodeJS.ProcessEnv = {}): boolean {
  process.stdout.write(`\n── ${title}\n`)
  const stdio = ['ignore', 'inherit', 'inherit'] as const
  return spawnSync(program, args, { cwd: root, stdio: [...stdio], env: { ...environment(), ...env } }).status === 0
}

/** A check of the sources: all of them at once, each with what it says when it has ended. */
const check = (title: string, program: string, args: readonly string[]): Promise<Count> =>
  new Promise((resolve) => {
    const child = spawn(bin(program), args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'], env: environment() })
    const said: Buffer[] = []
    child.stdout.on('data', (chunk: Buffer) => said.push(chunk))
    child.stderr.on('data', (chunk: Buffer) => said.push(chunk))
    child.once('close', (code) => {
      process.stdout.write(`\n── ${title}\n${Buffer.concat(said).toString()}`)
      resolve(code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 })
    })
  })

function vitest(): Count {
  // Use cases are tested on a database of their own.
  ensurePostgres()
  const succeeded = run('Unit tests', bin('vitest'), [
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile=${vitestReport}`,
  ])
  if (!existsSync(vitestReport)) return { passed: 0, failed: 1 }
  const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(vitestReport, 'utf8')) as {
    numPassedTests: number
    numFailedTests: number
  }
  // A file that cannot be loaded fails the run without a failed test in it.
  return { passed: numPassedTests, failed: succeeded ? numFailedTests : Math.max(1, numFailedTests) }
}

function endToEnd(): Count {
  ensurePostgres()
  const env = { MEDIDA_CHROMIUM: ensureChromium(), PLAYWRIGHT_JSON_OUTPUT_NAME: playwrightReport }
  const succeeded = run('End-to-end tests', bin('playwright'), ['test', '--reporter=list,json'], env)
  if (!existsSync(playwrightReport)) return { passed: 0, failed: 1 }
  const { stats } = JSON.parse(readFileSync(playwrightReport, 'utf8')) as {
    stats: { expected: number; unexpected: number; flaky: number; skipped: number }
  }
  const failed = stats.unexpected + stats.flaky + stats.skipped // a test that did not run has not passed
  return { passed: stats.expected, failed: succeeded ? failed : Math.max(1, failed) }
}

const checks = await Promise.all([
  check('Format and lint', 'biome', ['ci', '--error-on-warnings', '.']),
  check('Types', 'astro', ['check']),
  check('Arrows between rooms', 'depcruise', [
    'src',
    'scripts',
    'demo',
    'e2e',
    'attack',
    'bench',
    '--config',
    '.dependency-cruiser.cjs',
  ]),
  check('Dead code', 'knip', []),
])
const counts: readonly Count[] = [...checks, vitest(), ...(options['no-browser'] ? [] : [endToEnd()])]
rmSync(results, { recursive: true, force: true })
const total = counts.reduce((sum, { passed, failed }) => ({ passed: sum.passed + passed, failed: sum.failed + failed }), {
  passed: 0,
  failed: 0,
})
process.stdout.write(`\n${total.passed} passed, ${total.failed} failed\n`)
process.exitCode = total.failed > 0 ? 1 : 0
