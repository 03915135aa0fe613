import { err, ok, type Result } from '../base/result'
import { slug } from '../base/slug'
import type { LimitBook, Part } from '../book/bookSchema'
import type { AdditionOf } from '../notes/additionSchema'
import { type AdditionFault, routeMade } from '../notes/additions'
import type { UnitSystem } from '../quantity/unitSystem'

/** What a person says of a way to bring a part back: another one, or one that the book has, by its id. */
export interface RouteTyped {
  readonly what: AdditionOf<'route'>
  /** Null: another route, or another step of one. */
  readonly replaces: string | null
}

/** The book with a route as it was typed from its document; what the form does not ask stays as it was. */
export function withRoute(
  book: LimitBook,
  { what, replaces }: RouteTyped,
  system: UnitSystem,
): Result<LimitBook, readonly AdditionFault[]> {
  const part = book.parts.find(({ id }) => id === what.part)
  const before = part?.routes.find(({ id }) => id === replaces)
  if (!part || (replaces !== null && !before)) return err([{ code: 'noPart', id: what.part }])
  const others = part.routes.filter((route) => route !== before)
  const made = routeMade(book, { ...part, routes: others }, before?.id ?? freeId(others, what.name), what, system)
  if (!made.ok) return made
  const { sides, restores } = before ?? {}
  const route = { ...(sides === undefined ? {} : { sides }), ...(restores === undefined ? {} : { restores }), ...made.value }
  const routes = before ? part.routes.map((one) => (one === before ? route : one)) : [...part.routes, route]
  const { id, title, revision } = what.source.document
  return ok({
    ...book,
    documents: book.documents.some((one) => one.id === id) ? book.documents : [...book.documents, { id, title, revision }],
    parts: book.parts.map((one) => (one === part ? { ...part, routes } : one)),
  })
}

/** An id that no other route of the part has. */
function freeId(others: Part['routes'], name: string): string {
  const wanted = slug(name) || 'route'
  const taken = new Set(others.map(({ id }) => id))
  for (let number = 1; ; number += 1) {
    const id = number === 1 ? wanted : `${wanted}-${number}`
    if (!taken.has(id)) return id
  }
}
