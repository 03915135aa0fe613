/** What is noted, taken or refused: told of the database that all use cases share. */
import { expect, test } from 'vitest'
import type { TestDatabase } from '../../../scripts/lib/testDatabase'
import type { EntryBody } from '../../core/notes/entrySchema'
import { standingOn, subjectOf } from '../../core/notes/subject'
import { entriesAfter } from '../../db/queries/notes'
import { newId, refusal } from '../edge/refused.fixture'
import { addEntries } from './addEntries'

/** A note as a page sends it. */
export const note = (body: EntryBody, seen: string | null = null) => ({ entries: [{ id: newId(), seen, body }] })
const tag = { number: '1', face: '', clock: null, matchMark: '', keptWith: [], count: 1, note: '' }

const JOB = 'quillmere-u1-2026'

export function noteCases(database: () => TestDatabase): void {
  const cases: readonly [what: string, body: EntryBody, says: RegExp][] = [
    ['of a tag on a part of another job', { kind: 'tagWritten', position: 'cy-l-cover', tag }, /no position “cy-l-cover”/],
    [
      'that puts a position inside itself',
      { kind: 'positionMoved', position: 'gb', parent: 'gb-cap' },
      /cannot sit inside itself/,
    ],
    [
      'of a picture without its picture',
      {
        kind: 'pictureAdded',
        picture: newId(),
        subject: { kind: 'position', id: 'gb-cap' },
        caption: '',
        sha256: 'a'.repeat(64),
        width: 1,
        height: 1,
      },
      /Send the picture itself/,
    ],
    ['of a step of no book', { kind: 'stepDone', step: 'nose', note: '', licensed: null }, /no step “nose”/],
    ['that skips what makes safe', { kind: 'stepSkipped', step: 'ms-breaker', reason: 'no time' }, /cannot be skipped/],
    ['of more taken out than went in', { kind: 'takenOut', temporary: 'nothing', count: 1 }, /never counted in/],
  ]
  test.each(cases)('%s is refused', async (_what, body, says) => {
    await database().as('inspector', async (context) => {
      const before = (await entriesAfter(context.db, JOB, 0)).map(({ entry }) => entry)
      const seen = standingOn(before).get(subjectOf(body)) ?? null
      expect(await refusal(addEntries(context, JOB, note(body, seen)))).toMatch(says)
      expect(await entriesAfter(context.db, JOB, 0)).toHaveLength(before.length)
    })
  })
  test('sent twice is stored once; another one with its id is refused', async () => {
    await database().as('inspector', async (context) => {
      const before = (await entriesAfter(context.db, JOB, 0)).length
      const body = note({ kind: 'inspected', part: 'shell', note: '' })
      await addEntries(context, JOB, body)
      await addEntries(context, JOB, body)
      const [sent] = body.entries
      const other = {
        entries: [{ ...sent, id: sent?.id ?? '', seen: null, body: { kind: 'inspected', part: 'shaft', note: '' } as const }],
      }
      expect(await refusal(addEntries(context, JOB, other))).toMatch(/^conflict/)
      expect(await entriesAfter(context.db, JOB, 0)).toHaveLength(before + 1)
    })
  })
  test('written without having seen another’s is overtaken, and says whose stands', async () => {
    await database().as('inspector', async (context) => {
      await addEntries(context, JOB, note({ kind: 'tagWritten', position: 'gb-cap', tag }))
      const done = addEntries(context, JOB, note({ kind: 'tagWritten', position: 'gb-cap', tag: { ...tag, number: '2' } }))
      await expect(done).rejects.toMatchObject({ code: 'overtaken', standing: { body: { tag: { number: '1' } } } })
    })
  })
  test('of which one is refused stores none of them', async () => {
    await database().as('inspector', async (context) => {
      const before = (await entriesAfter(context.db, JOB, 0)).length
      const good = note({ kind: 'inspected', part: 'shell', note: '' }).entries
      const bad = note({ kind: 'inspected', part: 'nose', note: '' }).entries
      // As the edge does it: what is refused rolls back.
      await context.db.transaction((db) => addEntries({ ...context, db }, JOB, { entries: [...good, ...bad] })).catch(() => {})
      expect(await entriesAfter(context.db, JOB, 0)).toHaveLength(before)
    })
  })
  test('is not a visitor’s to write; a planner ticks the plan and no more', async () => {
    const looked = note({ kind: 'inspected', part: 'shell', note: 'x' })
    await database().as('visitor', async (context) => {
      expect(await refusal(addEntries(context, JOB, looked))).toMatch(/^notAllowed/)
    })
    await database().as('planner', async (context) => {
      expect(await refusal(addEntries(context, JOB, looked))).toMatch(/^notAllowed/)
      expect(await refusal(addEntries(context, JOB, note({ kind: 'planTicked', item: 'ov-fan', state: 'there' })))).toBe('')
    })
  })
}
