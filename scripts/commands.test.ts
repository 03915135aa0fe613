/** The commands that need neither server nor database, as people run them. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'

const folder = mkdtempSync(join(tmpdir(), 'medida-commands-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

function npmRun(script: string, ...args: string[]): { status: number | null; stdout: string; stderr: string } {
  const done = spawnSync('npm', ['run', script, '--', ...args], { encoding: 'utf8' })
  return { status: done.status, stdout: done.stdout, stderr: done.stderr }
}
function file(name: string, content: unknown): string {
  const path = join(folder, name)
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content))
  return path
}
const example = () => JSON.parse(readFileSync('docs/examples/quillmere-unit-1.json', 'utf8'))

describe('npm run evaluate', () => {
  test('prints results, verdicts and traces as JSON, and nothing else', () => {
    const { status, stdout } = npmRun('evaluate', 'docs/examples/quillmere-unit-1.json')
    expect(status).toBe(0)
    const results = JSON.parse(stdout) as { parts: { id: string; verdict: string; votes: { trace: unknown[] }[] }[] }
    expect(Object.fromEntries(results.parts.map(({ id, verdict }) => [id, verdict]))).toEqual({
      shaft: 'reuse',
      shell: 'recondition',
      'thrust-bearing': 'reuse',
      'servo-cylinder': 'reuse',
      'ring-1': 'replace',
      'ring-2': 'reuse',
      'rod-seals': 'replace',
    })
    expect(results.parts[0]?.votes[0]?.trace.length).toBeGreaterThan(5)
  })

  test('a broken file exits 2 and lists every fault with its path', () => {
    const record = example()
    record.job.runningHours = -1
    record.job.readings[0].stage = 'someday'
    record.colour = 'blue'
    const { status, stdout, stderr } = npmRun('evaluate', file('broken.json', record))
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' })
    expect(stderr).toContain('job.runningHours:')
    expect(stderr).toContain('job.readings[0].stage:')
    expect(stderr).toContain('colour')
  })

  test.each([
    ['a file that is not there', () => [join(folder, 'none.json')], /cannot be read/],
    ['a file that is not JSON', () => [file('text.json', '{"a":')], /is not JSON/],
    ['no file', () => [], /usage: npm run evaluate/],
  ])('%s exits 2', (_, args, says) => {
    const { status, stderr } = npmRun('evaluate', ...args())
    expect(status).toBe(2)
    expect(stderr).toMatch(says)
  })
})

describe('npm run check-book', () => {
  const book = () => JSON.parse(readFileSync('demo/quillmere/book.json', 'utf8'))

  test('a book that holds together, and a record with one in it', () => {
    expect(npmRun('check-book', 'demo/quillmere/book.json')).toMatchObject({ status: 0 })
    expect(npmRun('check-book', 'docs/examples/quillmere-unit-1.json').stdout).toMatch(/7 parts, 7 characteristics, no fault/)
  })

  test('everything that is wrong is told at once, each at its place', () => {
    const broken = book()
    broken.parts[0].assembly = ''
    broken.characteristics[1].part = 'attic'
    broken.characteristics[2].limits[0].wear = 'thick'
    delete broken.procedure[0].phase
    broken.colour = 'blue'
    const { status, stdout } = npmRun('check-book', file('broken-book.json', broken))
    expect(status).toBe(2)
    for (const says of [
      /^5 faults:$/m,
      /Parts › Turbine shaft › Assembly: must not be empty/,
      /Characteristics › Bearing bore Ø › Part: no part “attic” in this book/,
      /Characteristics › Clearance by strip › Limits › .* › Wear limit: must be a number/,
      /Steps › .* › Phase: is missing: one of makeSafe/,
      /The whole book: not known here: colour/,
    ])
      expect(stdout).toMatch(says)
  })

  test('what is no file of a book exits 2 with a sentence', () => {
    const { status, stdout } = npmRun('check-book', file('text.txt', 'hello'))
    expect(status).toBe(2)
    expect(stdout).toMatch(/neither a spreadsheet/)
  })
})

describe('npm run reference', () => {
  const good = {
    id: 'q-1',
    input: { text: '1 in', quantity: 'length', default_unit: 'mm' },
    expected: { accepted: true, value_mm: 25.4 },
    tolerance: { abs: 1e-9 },
  }

  test('a line per case, topics not done are not counted, totals last', () => {
    const { status, stdout } = npmRun('reference', 'reference')
    expect(status).toBe(0)
    expect(stdout).toContain('ok bore-reduction bore-01\n')
    expect(stdout).toContain('not yet gauge-study\n')
    expect(stdout).not.toContain('FAIL')
    expect(stdout.trim().split('\n').slice(-14)).toEqual([
      'assignment: 10 of 10 ok',
      'bore-reduction: 10 of 10 ok',
      'conformity: 13 of 13 ok',
      'iso286-fits: 20 of 20 ok',
      'iso286-limits: 20 of 20 ok',
      'outliers-repeatability: 12 of 12 ok',
      'plastic-strip-and-wire: 11 of 11 ok',
      'quantity-parsing: 20 of 20 ok',
      'runout-harmonics: 8 of 8 ok',
      'shim-selection: 10 of 10 ok',
      'spring: 8 of 8 ok',
      'temperature: 10 of 10 ok',
      'torque: 10 of 10 ok',
      'trend-regression: 9 of 9 ok',
    ])
  })

  test('a wrong value fails, says what it expected and got, and exits 1', () => {
    const directory = mkdtempSync(join(folder, 'wrong-'))
    const wrong = { ...good, id: 'q-2', expected: { accepted: true, value_mm: 25.5 } }
    const unreadable = { ...good, id: 'q-3', input: { text: 7 } }
    writeFileSync(
      join(directory, 'quantity-parsing.json'),
      JSON.stringify({ topic: 'quantity-parsing', cases: [good, wrong, unreadable] }),
    )
    const { status, stdout } = npmRun('reference', directory)
    expect(status).toBe(1)
    expect(stdout).toContain('ok quantity-parsing q-1')
    expect(stdout).toMatch(/FAIL quantity-parsing q-2 expected \{.*25\.5.*\} got \{.*25\.4.*\}/)
    expect(stdout).toMatch(/FAIL quantity-parsing q-3 expected .* got error/)
    expect(stdout).toContain('quantity-parsing: 1 of 3 ok')
  })

  test('a folder without topics exits 2', () => {
    expect(npmRun('reference', join(folder, 'nowhere')).status).toBe(2)
  })
})
