import { hasWords } from '../../core/base/search'
import { assemblies } from '../../core/kit/assemblies'
import type { Assembly } from '../../core/kit/assembly'

/** Assemblies that what was typed fits, and the others: one part alone stands last among what is found, so that nothing ends there. */
export function foundBy(words: string): { readonly found: readonly Assembly[]; readonly others: readonly Assembly[] } {
  const typed = words.trim()
  if (typed === '') return { found: assemblies, others: [] }
  const isFound = ({ id, name, also }: Assembly): boolean => id === 'generalPart' || hasWords(`${name} ${also}`, typed)
  return { found: assemblies.filter(isFound), others: assemblies.filter((one) => !isFound(one)) }
}

/** Names for so many of them that nothing on the machine has yet. */
export function freeNames(one: string, count: number, taken: ReadonlySet<string>): string[] {
  const names: string[] = []
  const isFree = (name: string): boolean => !taken.has(name.toLowerCase())
  const isNumbered = [...taken].some((name) => name.startsWith(`${one.toLowerCase()} `))
  if (count === 1 && isFree(one) && !isNumbered) return [one]
  for (let number = 1; names.length < count; number += 1) if (isFree(`${one} ${number}`)) names.push(`${one} ${number}`)
  return names
}
