import { err, ok, type Result } from '../base/result'
import type { LimitBook } from '../book/bookSchema'
import type { BookPosition } from '../book/procedureSchema'
import type { WorkPosition } from './state'
import type { Typed } from './typedCharacteristic'

/**
 * What was typed in a job as a draft of a limit book: the job's book with everything typed beside it, its parts and
 * documents, and the positions found on the machine. Refused while somebody still has to hold a limit against its document.
 */
export function draftBook(
  book: LimitBook,
  typed: readonly Typed[],
  positions: readonly WorkPosition[],
  name: { readonly id: string; readonly title: string; readonly revision: string },
): Result<LimitBook, string> {
  if (typed.length === 0) return err('Nothing was typed in this job: there is nothing to make a draft of.')
  const names = (items: readonly Typed[]): string => items.map(({ value }) => value.name).join(', ')
  const wrong = typed.filter(({ check }) => check?.agrees === false)
  if (wrong.length > 0) return err(`Not in agreement with the document: ${names(wrong)}. Type them anew first.`)
  const waiting = typed.filter(({ check }) => check === null)
  if (waiting.length > 0) return err(`Not checked by a second person yet: ${names(waiting)}.`)
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

const positionFound = ({ id, name, parent, count }: WorkPosition): BookPosition => ({
  id,
  name,
  parent,
  part: null,
  count,
  faces: [],
  clock: null,
  keptWith: [],
  loose: null,
  thread: null,
  special: null,
  asks: 'nothing',
  form: 'round',
  stations: [],
})
