/** What no text of a person holds and no database keeps: NUL, and half of a pair of surrogates. */
const isPlain = (text: string): boolean => !text.includes('\0') && text.isWellFormed()

/** Path of the first text in what came from outside that cannot be kept; null when all can. */
export function unplainPath(value: unknown, path = ''): string | null {
  if (typeof value === 'string') return isPlain(value) ? null : path
  if (typeof value !== 'object' || value === null) return null
  for (const [key, item] of Object.entries(value)) {
    const here = path === '' ? key : `${path}.${key}`
    const found = isPlain(key) ? unplainPath(item, here) : path
    if (found !== null) return found
  }
  return null
}
