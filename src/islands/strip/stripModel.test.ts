import { expect, test } from 'vitest'
import bookJson from '../../../demo/quillmere/book.json' with { type: 'json' }
import { bookSchema } from '../../core/book/bookSchema'
import type { Entry, EntryBody } from '../../core/notes/entrySchema'
import { foldNotes } from '../../core/notes/fold'
import { foldedAtFirst, nextTagNumber, nextTrayName, treeRows } from './stripModel'

const book = bookSchema.parse(bookJson)
const after = (...bodies: EntryBody[]) =>
  foldNotes(
    book,
    bodies.map(
      (body, index): Entry => ({
        id: `01990000-0000-7000-8000-${String(index).padStart(12, '0')}`,
        by: 'x',
        at: '2026-11-24T08:00:00.000Z',
        body,
      }),
    ),
  )
const out = (position: string): EntryBody => ({ kind: 'laidOut', position, tray: 'Tray 1', after: null })
const tagged = (position: string, number: string): EntryBody => ({
  kind: 'tagWritten',
  position,
  tag: { number, face: '', clock: null, matchMark: '', keptWith: [], count: 1, note: '' },
})
const NONE: ReadonlySet<string> = new Set()

test('the whole machine, depth first, with what is out below each branch', () => {
  const rows = treeRows(after(out('gb-cap'), out('gb-guard')), [], NONE, '')
  expect(rows).toHaveLength(205)
  expect(rows.slice(0, 4).map(({ id, depth }) => [id, depth])).toEqual([
    ['unit', 0],
    ['gb', 1],
    ['gb-guard', 2],
    ['gb-guard-gasket', 2],
  ])
  expect(rows[0]).toMatchObject({ out: 2, below: 204 })
  expect(rows.find(({ id }) => id === 'gb')).toMatchObject({ out: 2, below: 10 })
})

test('a folded branch hides what is below and still counts it', () => {
  const rows = treeRows(after(out('gb-cap')), [], new Set(['gb']), '')
  expect(rows.some(({ id }) => id === 'gb-cap')).toBe(false)
  expect(rows.find(({ id }) => id === 'gb')).toMatchObject({ open: false, out: 1, below: 10 })
})

test.each([
  { name: 'by letters', wanted: 'oil guard', ids: ['gb-guard', 'gb-guard-gasket'] },
  { name: 'by tag number', wanted: '41', ids: ['gb-cap'] },
  { name: 'in folded branches too', wanted: 'shear pin 7', ids: ['gv-07-pin'] },
  { name: 'none', wanted: 'crankshaft', ids: [] },
])('found $name', ({ wanted, ids }) => {
  const rows = treeRows(after(tagged('gb-cap', '41')), [], new Set(['gv-07', 'gv']), wanted)
  expect(rows.map(({ id }) => id)).toEqual(ids)
})

test('a large machine begins folded below its assemblies, but for what is out or looked for', () => {
  const folded = foldedAtFirst(after(out('gv-03-pin')), 'gv-11-stem')
  expect(folded.has('gv-01')).toBe(true)
  expect(['gb', 'gv', 'gv-03', 'gv-11'].filter((id) => folded.has(id))).toEqual([])
})

test('the next number and the next tray follow what is in use', () => {
  expect([nextTagNumber(after()), nextTrayName(after())]).toEqual(['1', 'Tray 1'])
  const used = after(out('gb-cap'), tagged('gb-cap', '12'), tagged('gb-guard', 'A3'))
  expect([nextTagNumber(used), nextTrayName(used)]).toEqual(['13', 'Tray 2'])
})
