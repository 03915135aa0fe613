import type { LimitBook } from '../book/bookSchema'
import { NotesDraft } from './draft'
import type { Entry } from './entrySchema'
import { noteKindOf } from './kinds'
import type { NotesState } from './state'

/** Works out where a job stands from its book and its entries, in order. */
export function foldNotes(book: LimitBook, entries: readonly Entry[]): NotesState {
  const draft = new NotesDraft(book)
  for (const { body, by, at } of entries) noteKindOf(body).apply(body, { by, at }, draft)
  return draft.done()
}
