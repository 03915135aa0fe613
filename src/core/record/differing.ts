/** Words about a figure or a verdict, and the terms it came from: a later core may tell them otherwise without it being another. */
const WORDS: ReadonlySet<string> = new Set(['trace', 'sum', 'reason', 'settledBy'])

/**
 * Where results as signed differ from those of today, as paths. By another core than signed them, what is said besides is no
 * difference, because it was not signed; nor is how a figure or a verdict is explained, as long as it is the same.
 */
export function differingPaths(signed: unknown, today: unknown, path: string, sameCore: boolean): string[] {
  if (signed === today) return []
  if (signed === null || today === null || typeof signed !== 'object' || typeof today !== 'object') return [path]
  const [before, now] = [signed as Record<string, unknown>, today as Record<string, unknown>]
  const keys = new Set([...Object.keys(before), ...(sameCore || Array.isArray(signed) ? Object.keys(now) : [])])
  return [...keys]
    .filter((key) => sameCore || !WORDS.has(key))
    .flatMap((key) => differingPaths(before[key], now[key], `${path}.${key}`, sameCore))
}
