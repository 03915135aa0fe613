import type { LimitBook } from '../book/bookSchema'
import { namingAnew } from '../book/named'
import { withOneMoreAlike } from '../fit/alike'
import type { EqualParts } from '../fit/equalPartsSchema'
import type { Limit } from '../limit/limit'
import { withSteps } from './composition'
import { under } from './renamed'
import { subtreeOf } from './subtree'

type Entry = { readonly id: string }
type Called = Entry & { readonly name: string }

/** The book with a position, and all that stands on it, once more under each of these names. Its figures and limits come along. */
export function copied(
  book: LimitBook,
  root: string,
  names: readonly string[],
  /** What becomes of the names inside. */
  inside: (text: string) => string = (text) => text,
): LimitBook {
  return names.reduce((made, name) => copiedOnce(made, root, name, inside), book)
}

function copiedOnce(book: LimitBook, root: string, name: string, within: (text: string) => string): LimitBook {
  const own = subtreeOf(book, root)
  const origin = book.positions.find(({ id }) => id === root)
  if (!origin) return book
  const used = new Set(
    [...book.positions, ...book.parts, ...book.characteristics, ...book.fits, ...book.procedure].map(({ id }) => id),
  )
  // One mark for all ids of this copy, so that what named each other does so again.
  let mark = 2
  const roots = [...own.positions].sort((a, b) => b.length - a.length)
  const copyOf = (id: string): string => {
    const begin = roots.find((of) => id === of || id.startsWith(`${of}-`)) ?? id
    return `${begin}.${mark}${id.slice(begin.length)}`.slice(-80)
  }
  while ([...own.positions, ...own.parts, ...own.characteristics, ...own.fits].some((id) => used.has(copyOf(id)))) mark += 1
  const inside = new Set([...own.positions, ...own.parts, ...own.characteristics, ...own.fits])
  const idOf = (id: string): string => (inside.has(id) ? copyOf(id) : id)
  const called = (text: string): string => {
    const after = under(text, origin.name, name)
    if (after === text) return `${name}: ${within(text)}`.slice(0, 200)
    return after.startsWith(name) ? `${name}${within(after.slice(name.length))}` : after
  }
  /** Entries of a list once more, each naming what is copied with it. */
  const anew = <T extends Entry>(list: string, items: readonly T[], isOwn: (item: T) => boolean): T[] =>
    items.filter(isOwn).map((item) => ({ ...namingAnew(list, item, idOf), id: copyOf(item.id) }))
  const again = <T extends Called>(list: string, items: readonly T[], of: ReadonlySet<string>): T[] =>
    anew(list, items, ({ id }) => of.has(id)).map((item) => ({ ...item, name: called(item.name) }))
  const ofParts = <T extends Entry & { readonly part: string }>(list: string, items: readonly T[]): T[] =>
    anew(list, items, ({ part }) => own.parts.has(part))
  return {
    ...book,
    positions: [
      ...book.positions,
      ...again('positions', book.positions, own.positions).map((one) =>
        one.id === copyOf(root) ? { ...one, parent: origin.parent } : one,
      ),
    ],
    parts: [
      ...book.parts,
      ...again('parts', book.parts, own.parts).map((part) => ({
        ...part,
        assembly: called(part.assembly),
        position: under(part.position, origin.name, name),
      })),
    ],
    characteristics: [
      ...book.characteristics,
      ...again('characteristics', book.characteristics, own.characteristics).map(unchecked),
    ],
    fits: [...book.fits, ...again('fits', book.fits, own.fits).map(unchecked)],
    crossChecks: [...(book.crossChecks ?? []), ...again('crossChecks', book.crossChecks ?? [], own.crossChecks)],
    // A copy stands at an equal place.
    equalParts: book.characteristics
      .filter(({ id }) => own.characteristics.has(id))
      .reduce<EqualParts[]>((sets, of) => withOneMoreAlike(sets, of, copyOf(of.id)), [...(book.equalParts ?? [])]),
    findingRules: [...book.findingRules, ...ofParts('findingRules', book.findingRules)],
    patterns: [...book.patterns, ...ofParts('patterns', book.patterns)],
    handTests: [...book.handTests, ...ofParts('handTests', book.handTests).map((test) => ({ ...test, name: called(test.name) }))],
    procedure: withSteps(book.procedure, again('procedure', book.procedure, own.steps)),
  }
}

/** What was held against the page for one is to be held for its copy. */
const unchecked = <T extends LimitBook['characteristics'][number] | LimitBook['fits'][number]>(of: T): T => ({
  ...of,
  limits: of.limits.map(waiting),
  ...(of.wants ? { wants: of.wants.map((want) => (want.none ? { ...want, none: waiting(want.none) } : want)) } : {}),
})

const waiting = <L extends Pick<Limit, 'typed'>>(limit: L): L =>
  limit.typed ? { ...limit, typed: { ...limit.typed, check: null } } : limit
