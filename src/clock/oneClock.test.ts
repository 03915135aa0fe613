/** Nobody asks what time it is but the one clock: not the sources, not the commands, not the demo, and not the database. */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { dayOf } from './clock'

/** Every way to ask: an argument that is none, the static call, the function without `new`, and what a database calls now. */
const ASKS = [
  /\bnew Date(?!\s*\(\s*[^\s)])(?![\w$])/,
  /(?<!new )(?<![\w$.])Date\s*\(/,
  /\bDate\s*(\?\.|\.)\s*now\b/,
  /\bDate\s*\[/,
  /\bperformance\s*(\?\.|\.)\s*(now|timeOrigin)\b/,
  /\bTemporal\s*\.\s*Now\b/,
  /\bprocess\s*\.\s*hrtime\b/,
  /\bDateTimeFormat\(\s*[^)]*\)\s*\.\s*format(ToParts)?\(\s*\)/,
  /\b(?:now|clock_timestamp|statement_timestamp|transaction_timestamp|localtimestamp)\(\)(?=[^\n]*['"`])/i,
  /\b(?:CURRENT_TIMESTAMP|CURRENT_DATE|CURRENT_TIME|LOCALTIMESTAMP)\b/,
  /\bdefaultNow\b/,
]
/** What the clock itself gives is asked with its name, which SQL in a string never is. */
const OWN = /\$\{[^}]*\}/g

const asks = (text: string): string[] =>
  text
    .split('\n')
    .filter((line) => !/^\s*(\/?\*|\/\/)/.test(line))
    .filter((line) => ASKS.some((way) => way.test(line.replace(OWN, ''))))

const SOURCES = ['src', 'scripts', 'demo']
const files = SOURCES.flatMap((folder) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.(ts|tsx|astro|js|mjs|mts)$/.test(file) && !/\.test\.tsx?$/.test(file))
    .map((file) => join(folder, file)),
).filter((file) => file !== join('src', 'clock', 'clock.ts') && file !== join('scripts', 'lib', 'movedClock.mjs'))

test('nothing asks what time it is but the one clock', () => {
  expect(files.length).toBeGreaterThan(900)
  expect(files.flatMap((file) => asks(readFileSync(file, 'utf8')).map((line) => `${file}: ${line.trim()}`))).toEqual([])
})

test.each([
  'const at = new Date()',
  'const at = new Date( )',
  'const at = new Date',
  'const at = Date()',
  'const at = Date.now()',
  'const at = [1].map(Date.now)',
  "const at = Date['now']()",
  'const at = performance.now() + performance.timeOrigin',
  'const day = Intl.DateTimeFormat("en-CA").format()',
  'sql`WHERE expires_at > now()`',
  'sql`DEFAULT CURRENT_TIMESTAMP`',
  "at: instant('at').notNull().defaultNow(),",
])('%s asks', (line) => {
  expect(asks(line)).toEqual([line])
})

test.each(['new Date(at)', "new Date(day + 'T12:00')", 'Date.parse(text)', 'at: now()', 'readonly at: Date'])(
  '%s asks nothing',
  (line) => {
    expect(asks(line)).toEqual([])
  },
)

test.each([
  [new Date(2028, 1, 29, 0, 0), '2028-02-29'],
  [new Date(2028, 1, 29, 23, 59, 59, 999), '2028-02-29'],
  [new Date(2028, 2, 1), '2028-03-01'],
  [new Date(2027, 11, 31, 23, 59), '2027-12-31'],
  // Where clocks are put on or back in this night, the hour is there once, twice or not at all: the day is the same.
  [new Date(2027, 2, 28, 2, 30), '2027-03-28'],
  [new Date(2027, 9, 31, 2, 30), '2027-10-31'],
])('%s is a moment of the day %s where this process stands', (at, day) => {
  expect(dayOf(at)).toBe(day)
})
