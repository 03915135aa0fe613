/** A table of a standard as it is kept: where it stands, and its rows in the order of their columns. */
export interface StandardTable {
  readonly standard: string
  readonly edition: string
  readonly clause: string
  readonly unit: string
  readonly columns: readonly string[]
  readonly rows: unknown
}

/** The rows of a table, by what its columns hold; standards.test.ts holds every table to them. */
export const rowsOf = <R>({ rows }: StandardTable): R => rows as R
