/** Lists whose entries are named elsewhere in a book by their ids. */
export type NamedList =
  | 'parts'
  | 'characteristics'
  | 'variants'
  | 'documents'
  | 'levels'
  | 'cautions'
  | 'positions'
  | 'routes'
  /** A fit, or a ring by its gap. */
  | 'fits'
