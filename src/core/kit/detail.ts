import { err, ok, type Result } from '../base/result'
import type { Along } from '../book/along'
import type { LimitBook } from '../book/bookSchema'
import type { BookPosition } from '../book/procedureSchema'
import type { ComposeFault } from './compose'
import { subtreeOf } from './subtree'

/** What a person says of a position after it was added. */
export interface PositionDetail extends Pick<BookPosition, 'count' | 'clock' | 'loose' | 'thread' | 'special' | 'asks'> {
  /** Position that holds it; null: the machine itself. */
  readonly into: string | null
  /** Null: nobody says where along it; left out: as it was. */
  readonly along?: Along | null | undefined
  readonly faces: readonly string[]
  readonly keptWith: readonly string[]
}

/** The book with a position as it is said to be: where it sits, how many, how it lies, what it stays with, what is asked of it. */
export function detailed(book: LimitBook, id: string, detail: PositionDetail): Result<LimitBook, ComposeFault> {
  const { into, along, faces, keptWith, ...plain } = detail
  const known = new Set(book.positions.map((one) => one.id))
  const unknown = [into, ...keptWith].find((other) => other !== null && !known.has(other))
  if (unknown != null) return err({ code: 'noPosition', position: unknown })
  if (into !== null && subtreeOf(book, id).positions.has(into)) return err({ code: 'intoItself' })
  return ok({
    ...book,
    positions: book.positions.map((one) => {
      if (one.id !== id) return one
      const { along: was, ...before } = one
      const place = along === undefined ? was : along
      return {
        ...before,
        ...plain,
        parent: into,
        ...(place ? { along: place } : {}),
        faces: [...new Set(faces)],
        keptWith: keptWith.filter((other) => other !== id),
      }
    }),
  })
}

/** Sides that change places when a thing is mirrored. */
const SIDES = [
  ['left', 'right'],
  ['upper', 'lower'],
  ['inner', 'outer'],
  ['drive side', 'free side'],
] as const
type Sides = readonly (readonly [string, string])[]

const has = (text: string, word: string): boolean => new RegExp(`\\b${word}\\b`, 'i').test(text)

/** The sides that a name speaks of: mirrored, only these change. The upper half of a left bearing is the upper half of the right one. */
export const sidesIn = (name: string): Sides => SIDES.filter((pair) => pair.some((word) => has(name, word)))

/** A text for the other side: left becomes right, and the reverse. */
export function mirrored(text: string, sides: Sides = sidesIn(text)): string {
  if (sides.length === 0) return text
  const other = new Map(sides.flatMap(([a, b]) => [[a, b] as const, [b, a] as const]))
  const words = [...other.keys()].sort((a, b) => b.length - a.length)
  return text.replace(new RegExp(`\\b(${words.join('|')})\\b`, 'gi'), (word) => {
    const made = other.get(word.toLowerCase()) ?? word
    return /^[A-Z]/.test(word) ? `${made.charAt(0).toUpperCase()}${made.slice(1)}` : made
  })
}
