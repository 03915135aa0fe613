/** Every verdict of every demo overhaul with its strongest reason in one sentence, kept where people read them: `explained.json`. */
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { evaluate } from '../src/core/evaluate/evaluate'
import { speakerOf } from '../src/core/words/speaker'
import { reasonOf, settledBy } from '../src/core/words/votes'
import { pastOverhauls } from './pastOverhauls.fixture'

const FILE = join(import.meta.dirname, 'explained.json')

const explained = Object.fromEntries(
  pastOverhauls.map(({ id, record }) => {
    const speaker = speakerOf(record.book, record.machine.units)
    const sentences = evaluate(record).parts.map(({ id: part, verdict, votes: [strongest] }) => {
      if (!strongest) throw new Error(`nothing speaks of ${part}`)
      const settles = verdict === 'hold' ? settledBy(speaker, strongest) : null
      return [part, `${verdict}: ${reasonOf(speaker, strongest)}${settles ? `. ${settles}` : ''}`] as const
    })
    return [id, Object.fromEntries(sentences)]
  }),
)

test('each verdict of the demo is explained in one sentence', () => {
  // EXPLAINED=write: after a change that is meant, and read through.
  if (process.env.EXPLAINED === 'write') writeFileSync(FILE, `${JSON.stringify(explained, null, 2)}\n`)
  expect(explained).toEqual(JSON.parse(readFileSync(FILE, 'utf8')))
})
