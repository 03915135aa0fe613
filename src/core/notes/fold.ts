import type { LimitBook } from '../book/bookSchema'
import { WorkDraft } from './draft'
import type { Entry } from './entrySchema'
import { noteKindOf } from './kinds'
import type { WorkState } from './state'

/** Works out where a job stands from its book and its entries, in order. */
export function foldWork(book: LimitBook, entries: readonly Entry[]): WorkState {
  const draft = new WorkDraft(book)
  for (const { body, by, at } of entries) noteKindOf(body).apply(body, { by, at }, draft)
  return draft.done()
}
