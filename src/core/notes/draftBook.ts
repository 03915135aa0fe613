import { err, ok, type Result } from '../base/result'
import type { LimitBook } from '../book/bookSchema'
import { plainBook } from '../book/plainBook'
import { plainPosition } from '../book/plainPosition'
import type { BookPosition, BookStep } from '../book/procedureSchema'
import type { Added } from './additions'
import type { NotedPosition, NotedStep, NotesState } from './state'
import { isAddedHere } from './steps'
import type { Typed } from './typedCharacteristic'

/** Why what was typed cannot be made a draft yet. */
export type DraftFault =
  | { readonly code: 'nothingTyped' }
  | { readonly code: 'notAsDocument' | 'notChecked'; readonly names: readonly string[] }

/**
 * What was typed in a job as a draft of a limit book: the job's book with everything typed beside it, its parts and
 * documents, and the positions found on the machine. Refused while somebody still has to hold a limit against its document.
 */
export function draftBook(
  book: LimitBook,
  typed: readonly Typed[],
  added: readonly Added[],
  { positions, steps }: Pick<NotesState, 'positions' | 'steps'>,
  name: { readonly id: string; readonly title: string; readonly revision: string },
): Result<LimitBook, DraftFault> {
  const more = steps.filter(isAddedHere)
  if (typed.length + added.length + more.length + (book.added ?? []).length === 0) return err({ code: 'nothingTyped' })
  const limited = [
    ...typed.map(({ value, check }) => ({ name: value.name, check })),
    ...added.flatMap(({ what, check }) => (what.of === 'fit' && what.limits.length > 0 ? [{ name: what.name, check }] : [])),
  ]
  const wrong = limited.filter(({ check }) => check?.agrees === false)
  if (wrong.length > 0) return err({ code: 'notAsDocument', names: wrong.map(({ name }) => name) })
  const waiting = limited.filter(({ check }) => check === null)
  if (waiting.length > 0) return err({ code: 'notChecked', names: waiting.map(({ name }) => name) })
  const levels = book.levels.map(({ id }) => id)
  const found = positions.filter((position) => position.book === null)
  return ok({
    ...plainBook(book),
    ...name,
    issued: null,
    positions: [...book.positions, ...found.map(positionFound)],
    // A step belongs to levels: a book without any has nowhere to put it.
    procedure: [...book.procedure, ...(levels.length === 0 ? [] : more.map((step) => stepAdded(step, levels)))],
  })
}

const stepAdded = ({ book, id, phase, name, text }: NotedStep, levels: readonly string[]): BookStep => ({
  cautions: [],
  holdPoint: false,
  wait: null,
  removes: [],
  destroys: [],
  measures: [],
  source: null,
  ...book,
  id,
  phase,
  name,
  text,
  levels: [...levels],
})

const positionFound = ({ id, name, parent, count }: NotedPosition): BookPosition => ({
  ...plainPosition,
  id,
  name,
  parent,
  count,
})
