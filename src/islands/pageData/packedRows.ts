/**
 * Many things of one shape as a table: their keys once, what is the same of all of them once, and rows of the rest. Ten
 * thousand readings are a third of their text so, and are read in a third of the time.
 */
export interface PackedRows {
  readonly keys: readonly string[]
  readonly same: Readonly<Record<string, unknown>>
  readonly rows: readonly (readonly unknown[])[]
}

type Row = Readonly<Record<string, unknown>>

/** As a table; as it is where the things are not all of one shape, or too few to be worth it. */
export function packRows(items: readonly Row[]): PackedRows | readonly Row[] {
  const [first] = items
  if (!first || items.length < 2) return items
  const keys = Object.keys(first)
  const isAlike = (item: Row): boolean => {
    const own = Object.keys(item)
    return own.length === keys.length && own.every((key, at) => key === keys[at])
  }
  if (!items.every(isAlike)) return items
  // Only what is no object is the same by being equal.
  const isSame = (key: string): boolean => typeof first[key] !== 'object' || first[key] === null
  const same = keys.filter((key) => isSame(key) && items.every((item) => item[key] === first[key]))
  const others = keys.filter((key) => !same.includes(key))
  return {
    keys,
    same: Object.fromEntries(same.map((key) => [key, first[key]])),
    rows: items.map((item) => others.map((key) => item[key])),
  }
}

/** The things again, with their keys in the order they had. */
export function unpackRows(packed: PackedRows | readonly Row[]): readonly Row[] {
  if (!('rows' in packed)) return packed
  const { keys, same, rows } = packed
  const places = keys.map((key): number => (Object.hasOwn(same, key) ? -1 : 0))
  let next = 0
  for (const [at, place] of places.entries()) {
    if (place < 0) continue
    places[at] = next
    next += 1
  }
  return rows.map((row) => {
    const item: Record<string, unknown> = {}
    for (const [at, key] of keys.entries()) {
      const place = places[at] as number
      item[key] = place < 0 ? same[key] : row[place]
    }
    return item
  })
}
