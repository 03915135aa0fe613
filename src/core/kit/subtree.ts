import type { LimitBook } from '../book/bookSchema'
import { linksOf } from '../fit/kinds'
import { kindOf } from '../method/kinds'

/** What belongs to a position of a composed book: itself, what sits in it, and everything known of that. */
export interface Subtree {
  readonly positions: ReadonlySet<string>
  readonly parts: ReadonlySet<string>
  readonly characteristics: ReadonlySet<string>
  readonly fits: ReadonlySet<string>
  readonly crossChecks: ReadonlySet<string>
  readonly steps: ReadonlySet<string>
}

/** Everything that stands on a position; all empty where the book has no such position. */
export function subtreeOf(book: LimitBook, root: string): Subtree {
  const positions = new Set(book.positions.some(({ id }) => id === root) ? [root] : [])
  for (let grew = positions.size > 0; grew; ) {
    const more = book.positions.filter(({ id, parent }) => parent !== null && positions.has(parent) && !positions.has(id))
    for (const { id } of more) positions.add(id)
    grew = more.length > 0
  }
  // A part that is fitted elsewhere too stays.
  const elsewhere = new Set(book.positions.flatMap(({ id, part }) => (part === null || positions.has(id) ? [] : [part])))
  const parts = new Set(
    book.positions.flatMap(({ id, part }) => (part !== null && positions.has(id) && !elsewhere.has(part) ? [part] : [])),
  )
  const characteristics = new Set(book.characteristics.flatMap(({ id, part }) => (parts.has(part) ? [id] : [])))
  for (let grew = true; grew; ) {
    const more = book.characteristics.filter(
      ({ id, method }) =>
        !characteristics.has(id) && (kindOf(method).needs?.(method) ?? []).some((of) => characteristics.has(of)),
    )
    for (const { id } of more) characteristics.add(id)
    grew = more.length > 0
  }
  const fits = book.fits.filter(
    (fit) => linksOf(fit).some(({ characteristic }) => characteristics.has(characteristic)) || parts.has(fit.mendOn),
  )
  const crossChecks = (book.crossChecks ?? []).filter(({ names }) =>
    Object.values(names).some(({ characteristic }) => characteristics.has(characteristic)),
  )
  const begins = [...positions].map((id) => `${id}-step-`)
  const steps = book.procedure.filter(({ id }) => begins.some((prefix) => id.startsWith(prefix)))
  const idsOf = (items: readonly { readonly id: string }[]): ReadonlySet<string> => new Set(items.map(({ id }) => id))
  return { positions, parts, characteristics, fits: idsOf(fits), crossChecks: idsOf(crossChecks), steps: idsOf(steps) }
}
