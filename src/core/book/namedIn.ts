import type { Path } from './path'

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

const BY_LIST: Readonly<Record<NamedList, readonly string[]>> = {
  parts: ['part', 'within', 'parts', 'foundOn', 'mendOn', 'chain'],
  characteristics: [
    ...['characteristic', 'mends', 'confirm', 'measures', 'direct', 'runsIn', 'bore', 'journal', 'strip', 'seat'],
    ...['housing', 'shaft', 'drive', 'before', 'depth', 'spigot', 'thickness', 'keyway', 'key', 'groove', 'ring', 'opens'],
    ...['closes', 'gap', 'pad', 'places', 'unlike', 'bores', 'journals', 'leftBy'],
  ],
  variants: ['variant'],
  documents: ['document'],
  levels: ['levels', 'grows'],
  cautions: ['cautions'],
  positions: ['removes', 'destroys', 'keptWith', 'parent', 'between'],
  routes: ['route', 'mendedBy'],
  fits: ['suits'],
}
const LIST_OF = new Map(Object.entries(BY_LIST).flatMap(([list, keys]) => keys.map((key) => [key, list as NamedList] as const)))

/** The list whose entries a text of a book names by their ids; null where it is a text like any other. */
export function listNamedAt(list: string, path: Path): NamedList | null {
  const key = path.findLast((step): step is string => typeof step === 'string') ?? ''
  // What floats is a size, as everything that a fit is made of.
  if (list === 'fits' && key === 'part') return 'characteristics'
  return LIST_OF.get(key) ?? null
}
