import type { UnitSystem } from '../quantity/unitSystem'

/** What the sheets and columns of a book are called: the words are `core/words`'. */
export interface SheetNames {
  /** The sheet of the book itself. */
  readonly book: string
  /** The first column of a sheet whose rows belong to an entry of another one. */
  readonly of: string
  /** The last column: what has none of its own. */
  readonly further: string
  readonly units: Readonly<Record<UnitSystem, string>>
  sheet(id: string): string
  /** A column, or a line of the sheet of the book itself. */
  header(sheet: string, key: string): string
}
