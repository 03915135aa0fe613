import { text } from './codec'
import { type Column, column, type Sheet } from './column'
import { measuredSheets } from './measuredSheets'
import { openedSheets } from './openedSheets'

/** Every list of a book, in the order a reader works through them. A list that is not here would be lost: a test holds it. */
export const sheets: readonly Sheet[] = [...measuredSheets, ...openedSheets]

/** Fields of the book itself, a line each. */
export const bookColumns: readonly Column[] = [
  column('id', text()),
  column('title', text()),
  column('revision', text()),
  column('issued', text(null)),
  column('currency', text()),
  column('startedFrom.id', text()),
  column('startedFrom.revision', text()),
]

/** The book itself as an entry. */
export const BOOK_LINE: Pick<Sheet, 'columns' | 'defaults' | 'shape'> = {
  columns: bookColumns,
  defaults: {},
  shape: { kind: 'group', fields: [] },
}
