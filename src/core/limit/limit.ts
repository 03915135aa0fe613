import type { ReductionName } from '../method/reduction'

/** Where a figure stands: a document of the book and its page. */
export interface Source {
  readonly document: string
  readonly page: string
}

/** A limit on one reduced value, one side. Lengths in mm. */
export interface Limit {
  readonly id: string
  readonly judges: ReductionName
  readonly side: 'upper' | 'lower'
  /** The warning before the wear limit, where the book gives one. */
  readonly plan: number | null
  readonly wear: number
  /** What the maker wants once it is passed: mend by a route where one can, or replace in any case. */
  readonly whenPassed: 'mend' | 'replace'
  /** Routes that mend this limit, where not every route of the characteristic does; empty: none. */
  readonly mendedBy?: readonly string[] | undefined
  readonly instruction: string
  readonly source: Source
}
