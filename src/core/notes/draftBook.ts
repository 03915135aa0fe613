import { err, ok, type Result } from '../base/result'
import type { LimitBook } from '../book/bookSchema'
import { plainPosition } from '../book/plainPosition'
import type { BookPosition } from '../book/procedureSchema'
import type { NotedPosition } from './state'
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
  positions: readonly NotedPosition[],
  name: { readonly id: string; readonly title: string; readonly revision: string },
): Result<LimitBook, DraftFault> {
  if (typed.length === 0) return err({ code: 'nothingTyped' })
  const names = (items: readonly Typed[]): string[] => items.map(({ value }) => value.name)
  const wrong = typed.filter(({ check }) => check?.agrees === false)
  if (wrong.length > 0) return err({ code: 'notAsDocument', names: names(wrong) })
  const waiting = typed.filter(({ check }) => check === null)
  if (waiting.length > 0) return err({ code: 'notChecked', names: names(waiting) })
  const found = positions.filter((position) => position.book === null)
  return ok({
    ...book,
    ...name,
    issued: null,
    documents: book.documents.map(({ typed: _, ...document }) => document),
    parts: book.parts.map(({ typed: _, ...part }) => part),
    characteristics: book.characteristics.map(({ typed: _, ...characteristic }) => characteristic),
    positions: [...book.positions, ...found.map(positionFound)],
  })
}

const positionFound = ({ id, name, parent, count }: NotedPosition): BookPosition => ({
  ...plainPosition,
  id,
  name,
  parent,
  count,
})
