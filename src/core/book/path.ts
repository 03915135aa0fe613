/** Where something stands in a file, from its root. */
export type Path = readonly (string | number)[]

/** The value at a path; undefined where the path leads nowhere. */
export function valueAt(value: unknown, path: Path): unknown {
  let at = value
  for (const step of path) {
    if (typeof at !== 'object' || at === null) return undefined
    at = (at as Record<string | number, unknown>)[step]
  }
  return at
}

export const isUnder = (path: Path, above: Path): boolean => above.every((step, at) => path[at] === step)
