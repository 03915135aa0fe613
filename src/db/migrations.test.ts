import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from 'vitest'

const journal = JSON.parse(readFileSync('drizzle/meta/_journal.json', 'utf8')) as {
  entries: { idx: number; when: number; tag: string }[]
}

test('migrations are numbered without gaps, stamped in order, and each has its file', () => {
  expect(journal.entries.map(({ idx }) => idx)).toEqual(journal.entries.map((_, index) => index))
  // Drizzle skips in silence what is stamped earlier than the last applied one.
  expect(journal.entries.map(({ when }) => when)).toEqual(journal.entries.map(({ when }) => when).sort((a, b) => a - b))
  expect(
    readdirSync('drizzle')
      .filter((name) => name.endsWith('.sql'))
      .sort(),
  ).toEqual(journal.entries.map(({ tag }) => `${tag}.sql`))
})
