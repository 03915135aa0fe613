/** The way to a figure: told in other words, or in other terms, by a later core without the figure being another. */
const WAY: ReadonlySet<string> = new Set(['trace', 'sum'])

/**
 * Where results as signed differ from those of today, as paths. By another core than signed them, what is said besides is no
 * difference, because it was not signed; nor is the way to a figure, as long as the figure is the same.
 */
export function differingPaths(signed: unknown, today: unknown, path: string, sameCore: boolean): string[] {
  if (signed === today) return []
  if (signed === null || today === null || typeof signed !== 'object' || typeof today !== 'object') return [path]
  const [before, now] = [signed as Record<string, unknown>, today as Record<string, unknown>]
  const keys = new Set([...Object.keys(before), ...(sameCore || Array.isArray(signed) ? Object.keys(now) : [])])
  return [...keys]
    .filter((key) => sameCore || !WAY.has(key))
    .flatMap((key) => differingPaths(before[key], now[key], `${path}.${key}`, sameCore))
}
