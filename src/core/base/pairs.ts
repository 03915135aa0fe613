import { err, ok, type Result } from './result'

/** Reads `left = right; left = right` (or one pair a line); the fault is the first item that is no pair. */
export function pairsIn(text: string): Result<readonly (readonly [left: string, right: string])[], string> {
  const pairs: [string, string][] = []
  for (const item of text.split(/[;\n]/).map((one) => one.trim())) {
    if (item === '') continue
    const [left, right, ...more] = item.split('=').map((half) => half.trim())
    if (!left || !right || more.length > 0) return err(item)
    pairs.push([left, right])
  }
  return ok(pairs)
}
