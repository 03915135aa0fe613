/** The demo books with what somebody has noted in a job, for tests of what may be noted next and where things stand. */
import { bookSchema, type LimitBook } from '../src/core/book/bookSchema'
import type { EntryBody } from '../src/core/notes/entrySchema'
import { foldNotes } from '../src/core/notes/fold'
import { jobSteps } from '../src/core/notes/steps'
import { additionsIn } from '../src/core/notes/typedBook'
import larkhollowJson from './larkhollow/book.json' with { type: 'json' }
import { madeSafe } from './madeSafe'
import { entry } from './noted'
import quillmereJson from './quillmere/book.json' with { type: 'json' }

export const quillmere = bookSchema.parse(quillmereJson)
export const larkhollow = bookSchema.parse(larkhollowJson)
export const CHECK = new Set(['bearing-check'])
export const NOON = '2026-11-24T12:00:00.000Z'

export const safe = (book: unknown, level: string): EntryBody[] =>
  madeSafe(book, level, { name: 'Rufus Dane', licence: 'QPS-E 14' }).flatMap(({ what }) =>
    what.kind === 'drawnPicture' ? [] : [what],
  )

export const contextOf = (
  bodies: readonly EntryBody[],
  book: LimitBook = quillmere,
  levels: ReadonlySet<string> = CHECK,
  at = '2026-11-24T08:00:00.000Z',
) => {
  const entries = bodies.map((body) => entry(body, at))
  const noted = foldNotes(book, entries)
  return {
    book,
    noted,
    steps: jobSteps(book, noted, levels),
    planItems: new Set(['bc-dial']),
    system: 'metric' as const,
    confirmedSafe: false,
    added: additionsIn(entries),
    decidedRoutes: new Set<string>(),
    settings: [],
    author: new Set(['Ida Marsh']),
    typed: [],
    readings: new Map<string, string>(),
    nowMs: Date.parse(NOON),
  }
}
export const done = (step: string, licensed: { name: string; licence: string } | null = null): EntryBody => ({
  kind: 'stepDone',
  step,
  note: '',
  licensed,
})
export const tag = { number: '1', face: '', clock: null, matchMark: '', keptWith: [], count: 1, note: '' }

export const SAFE = safe(quillmereJson, 'bearing-check')
