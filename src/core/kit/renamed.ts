import type { LimitBook } from '../book/bookSchema'

/** Names that begin with the one that is changed change with it. */
export const under = (name: string, from: string, to: string): string =>
  name === from ? to : name.startsWith(`${from}: `) ? `${to}${name.slice(from.length)}`.slice(0, 200) : name

/** The book with a position called otherwise, and everything that is called after it. */
export function renamed(book: LimitBook, root: string, name: string): LimitBook {
  const from = book.positions.find(({ id }) => id === root)?.name
  if (from === undefined) return book
  const anew = <T extends { readonly name: string }>(items: readonly T[]): T[] =>
    items.map((item) => ({ ...item, name: under(item.name, from, name) }))
  return {
    ...book,
    positions: anew(book.positions),
    parts: anew(book.parts).map((part) => ({
      ...part,
      assembly: under(part.assembly, from, name),
      ...(part.alsoIn ? { alsoIn: part.alsoIn.map((of) => under(of, from, name)) } : {}),
      position: under(part.position, from, name),
    })),
    characteristics: anew(book.characteristics),
    fits: anew(book.fits),
    crossChecks: anew(book.crossChecks ?? []),
    equalParts: anew(book.equalParts ?? []),
    handTests: anew(book.handTests),
    procedure: anew(book.procedure),
  }
}
