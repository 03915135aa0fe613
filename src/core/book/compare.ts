import { isPlainObject } from '../base/plainObject'
import type { LimitBook } from './bookShapeSchema'

/** One field of an entry that two revisions say differently; null: one of them says nothing. */
export interface ChangedField {
  readonly path: readonly (string | number)[]
  readonly from: unknown
  readonly to: unknown
}

export interface ChangedEntry {
  /** The list it stands in; limits of a characteristic or a fit stand in `limits`. */
  readonly list: string
  readonly id: string
  readonly name: string
  readonly kind: 'added' | 'gone' | 'changed'
  /** What of it changed; of one that is added or gone, all that it says. */
  readonly fields: readonly ChangedField[]
  /** The characteristic or fit whose figures these are, for their units. */
  readonly of: string | null
}

type Entry = Readonly<Record<string, unknown>>

/** Lists of a book whose entries have an id, in the order in which a reader asks for them. */
const LISTS = [
  'documents',
  'variants',
  'parts',
  'characteristics',
  'fits',
  'equalParts',
  'crossChecks',
  'levels',
  'cautions',
  'procedure',
  'positions',
  'joints',
  'temporaries',
  'findingRules',
  'patterns',
  'handTests',
] as const
/** Who typed and checked a figure is no part of what a book says. */
const MARKS = new Set(['typed'])
/** Limits are compared one by one, by what they judge. */
const LIMITS = ['limits', 'limitsBy'] as const

/** What one revision of a book says otherwise than another: entries added, gone and changed, limits each by itself. */
export function compareBooks(from: LimitBook, to: LimitBook): readonly ChangedEntry[] {
  return LISTS.flatMap((list) => {
    const [before, after] = [entriesOf(from, list), entriesOf(to, list)]
    const hasLimits = list === 'characteristics' || list === 'fits'
    const own = compared(list, hasLimits ? before.map(plain) : before, hasLimits ? after.map(plain) : after, null)
    if (!hasLimits) return own
    const limits = [...new Map([...before, ...after].map((entry) => [String(entry.id), entry])).values()].flatMap((entry) => {
      const limitsIn = (entries: readonly Entry[]): readonly Entry[] =>
        LIMITS.flatMap((key) => (entries.find(({ id }) => id === entry.id)?.[key] ?? []) as Entry[]).map(asLimit)
      const [old, now] = [limitsIn(before), limitsIn(after)]
      // What is new or gone altogether is said once.
      const isBoth = before.some(({ id }) => id === entry.id) && after.some(({ id }) => id === entry.id)
      return isBoth ? compared('limits', old, now, String(entry.id)).map((one) => ({ ...one, name: String(entry.name) })) : []
    })
    return [...own, ...limits]
  })
}

const entriesOf = (book: LimitBook, list: (typeof LISTS)[number]): readonly Entry[] =>
  ((book as unknown as Record<string, unknown>)[list] ?? []) as Entry[]

const plain = ({ limits: _, limitsBy: __, ...entry }: Entry): Entry => entry

/** A limit by the value it judges: two revisions need not give it one id. */
function asLimit({ id: _, ...limit }: Entry): Entry {
  const at = isPlainObject(limit.at) ? ` ${limit.at.station} ${limit.at.direction}` : ''
  return { ...limit, id: `${limit.judges} ${limit.side}${at}` }
}

function compared(list: string, before: readonly Entry[], after: readonly Entry[], of: string | null): ChangedEntry[] {
  const old = new Map(before.map((entry) => [entry.id, entry]))
  const now = new Set(after.map(({ id }) => id))
  const as = (entry: Entry, kind: ChangedEntry['kind'], fields: readonly ChangedField[] = []): ChangedEntry => ({
    list,
    id: String(entry.id),
    name:
      [entry.name, entry.title, entry.text, entry.id].find((text): text is string => typeof text === 'string' && text !== '') ??
      '',
    kind,
    fields,
    of: of ?? (list === 'characteristics' || list === 'fits' ? String(entry.id) : null),
  })
  return [
    ...before.filter(({ id }) => !now.has(id)).map((entry) => as(entry, 'gone', differences(entry, {}, []))),
    ...after.flatMap((entry) => {
      const was = old.get(entry.id)
      if (!was) return [as(entry, 'added', differences({}, entry, []))]
      const fields = differences(was, entry, [])
      return fields.length === 0 ? [] : [as(entry, 'changed', fields)]
    }),
  ]
}

/** Fields that differ, as deep as both are entries with fields; lists as a whole. */
function differences(from: unknown, to: unknown, path: readonly (string | number)[]): ChangedField[] {
  // What one of them leaves out altogether is told field by field too.
  if (isPlainObject(from) && to == null) return differences(from, {}, path)
  if (isPlainObject(to) && from == null) return differences({}, to, path)
  if (isPlainObject(from) && isPlainObject(to))
    return [...new Set([...Object.keys(from), ...Object.keys(to)])]
      .filter((key) => !MARKS.has(key))
      .flatMap((key) => differences(from[key], to[key], [...path, key]))
  return JSON.stringify(from) === JSON.stringify(to) ? [] : [{ path, from: from ?? null, to: to ?? null }]
}
