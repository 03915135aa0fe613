/** Earlier readings taken over from a table, on a real database: whole or not at all, and once. */
import { expect, test } from 'vitest'
import type { TestDatabase } from '../../../../scripts/lib/testDatabase'
import type { Progress } from '../../../contract/longWork'
import { readingsOf } from '../../../db/queries/readings'
import type { Refused } from '../../edge/refused'
import { newId, refusal } from '../../edge/refused.fixture'
import { importedBy, importHistory } from './importHistory'

/** Told of the database that all use cases share. */
export function historyCases(database: () => TestDatabase): void {
  const HEAD = 'overhaul;date;running_hours;characteristic;station;direction;stage;reading;gauge'
  const rows = ['219,985', '219,984', '219,986', '219,984', '219,985', '219,986'].map(
    (size, at) => `First overhaul;2009-05-11;4 100;Shaft journal Ø;${'ABC'[at >> 1]};${(at % 2) + 1};as found;${size};`,
  )
  const table = (...more: string[]) => new TextEncoder().encode(`${[HEAD, ...rows, ...more].join('\n')}\n`)
  const fields = () => ({ id: newId(), source: 'Record sheets, folder 3' })
  test('is taken over whole, and once', async () => {
    await database().as('planner', async (context) => {
      const about = fields()
      const taken = { overhauls: 1, readings: 6 }
      expect(await importHistory(context, 'quillmere-unit-1', about, table())).toMatchObject({ ...taken, stored: true })
      expect(await importHistory(context, 'quillmere-unit-1', about, table())).toMatchObject({ ...taken, stored: false })
      const other = table('First overhaul;2009-05-11;4 100;End float of the shaft;;;as found;0.30;')
      expect(await refusal(importHistory(context, 'quillmere-unit-1', about, other))).toMatch(/^conflict/)
      expect(
        (await readingsOf(context.db, `${about.id}:1`)).length + (await readingsOf(context.db, `${about.id}:0`)).length,
      ).toBe(6)
    })
  })
  test('of which one row cannot be read stores nothing, and says which', async () => {
    await database().as('planner', async (context) => {
      const about = fields()
      const done = importHistory(context, 'quillmere-unit-1', about, table('First overhaul;2009-05-11;4 100;Piston;A;1;;60;'))
      const error = await done.then(
        () => null,
        (refused: Refused) => refused,
      )
      expect(error?.issues.map(({ message }) => message).join()).toMatch(/no characteristic “Piston”/)
      expect(await importHistory(context, 'quillmere-unit-1', about, table())).toMatchObject({ stored: true })
    })
  })
  test('that is cancelled while it is stored leaves nothing, and says so to whoever asks what became of it', async () => {
    await database().as('planner', async (context) => {
      const about = fields()
      const cancelled = new AbortController()
      const said: string[] = []
      const say = ({ stage, done, of }: Progress): void => {
        said.push(`${stage} ${done}/${of}`)
        if (stage === 'storing') cancelled.abort()
      }
      const long = { say, signal: cancelled.signal }
      // Each overhaul is a place to stop at; of a single one it is stored and rolled back.
      expect(await refusal(importHistory(context, 'quillmere-unit-1', about, table(), long))).toMatch(/^notPossible: Cancelled/)
      expect(said).toEqual(['reading 0/1', 'storing 0/6'])
      expect(await importedBy(context, 'quillmere-unit-1', about.id)).toBeNull()
      expect(await readingsOf(context.db, `${about.id}:1`)).toEqual([])
      const done = await importHistory(context, 'quillmere-unit-1', about, table())
      expect(await importedBy(context, 'quillmere-unit-1', about.id)).toEqual({ ...done, stored: false })
    })
  })
  test('is the planner’s', async () => {
    await database().as('visitor', async (context) => {
      expect(await refusal(importHistory(context, 'quillmere-unit-1', fields(), table()))).toMatch(/^notAllowed/)
    })
  })
}
