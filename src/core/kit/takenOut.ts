import type { NamedList } from '../base/namedList'
import type { LimitBook } from '../book/bookSchema'
import { namingOnly } from '../book/named'
import { equalPartsWithout } from '../fit/alike'
import { subtreeOf } from './subtree'

/** The book without a position and all that stands on it; what only names it names it no more. */
export function takenOut(book: LimitBook, root: string): LimitBook {
  const gone = subtreeOf(book, root)
  const isLeft = (of: ReadonlySet<string>) => (one: { readonly id: string }) => !of.has(one.id)
  const isCharacteristic = (id: string): boolean => !gone.characteristics.has(id)
  const left: LimitBook = {
    ...book,
    positions: book.positions.filter(isLeft(gone.positions)),
    parts: book.parts.filter(isLeft(gone.parts)),
    characteristics: book.characteristics.filter(isLeft(gone.characteristics)),
    fits: book.fits.filter(isLeft(gone.fits)),
    crossChecks: (book.crossChecks ?? []).filter(isLeft(gone.crossChecks)),
    // What becomes of a set is the set's own rule.
    equalParts: (book.equalParts ?? []).flatMap((set) => equalPartsWithout(set, isCharacteristic) ?? []),
    // A rule for what is found on a part that is gone is never for what is found on the one that it decides.
    findingRules: book.findingRules.filter(({ foundOn }) => foundOn === undefined || !gone.parts.has(foundOn)),
    procedure: book.procedure.filter(isLeft(gone.steps)),
  }
  const goneIn: Partial<Record<NamedList, ReadonlySet<string>>> = {
    positions: gone.positions,
    parts: gone.parts,
    characteristics: gone.characteristics,
    fits: new Set([...gone.fits, ...gone.characteristics]),
  }
  return withoutGoneRoutes(namingOnly(left, (id, names) => !goneIn[names]?.has(id)))
}

/** A route that mends nothing any more went with what it mended: nothing is mended by it. */
function withoutGoneRoutes(book: LimitBook): LimitBook {
  const routes = new Map(book.parts.map((part) => [part.id, new Set(part.routes.map(({ id }) => id))]))
  const all = new Set([...routes.values()].flatMap((of) => [...of]))
  return namingOnly(book, (id, names, { part }) => names !== 'routes' || (routes.get(String(part)) ?? all).has(id))
}
