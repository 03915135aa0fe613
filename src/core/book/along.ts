import type { BookPosition } from './procedureSchema'

/** Where along the thing it sits on a position comes. */
export type Along = NonNullable<BookPosition['along']>

/** Positions that sit on the same thing, in their order along it; those of which nobody said come after, as the book lists them. */
export const inOrderAlong = <P>(siblings: readonly P[], alongOf: (one: P) => Along | undefined): P[] =>
  [...siblings].sort((a, b) => (alongOf(a)?.order ?? LAST) - (alongOf(b)?.order ?? LAST))
const LAST = 1000
