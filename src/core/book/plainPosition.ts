import type { BookPosition } from './procedureSchema'

/** What holds of a position until somebody says more of it. */
export const plainPosition: Omit<BookPosition, 'id' | 'name' | 'parent'> = {
  part: null,
  count: 1,
  faces: [],
  clock: null,
  keptWith: [],
  loose: null,
  thread: null,
  special: null,
  asks: 'nothing',
  form: 'round',
  stations: [],
}
