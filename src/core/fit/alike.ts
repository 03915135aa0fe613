/** Equal places of a machine: which stand for which, and what becomes of them when a place comes or goes. */
import type { EqualParts } from './equalPartsSchema'

/** As many sets as a book may have. */
export const MAX_SETS = 2000

/** Everything a set names. */
const placesIn = (set: EqualParts): readonly string[] => (set.kind === 'pairing' ? [...set.bores, ...set.journals] : set.places)

/** The sisters of each characteristic: the other equal places of its machine, by what the book says and by nothing else. */
export function sistersIn(sets: readonly EqualParts[]): ReadonlyMap<string, ReadonlySet<string>> {
  const unlike = new Set(sets.flatMap((set) => (set.kind === 'alike' ? (set.unlike ?? []) : [])))
  const sisters = new Map<string, Set<string>>()
  for (const set of sets) {
    const places = set.kind === 'pairing' ? [] : set.places.filter((id) => !unlike.has(id))
    for (const id of places) {
      const own = sisters.get(id) ?? new Set()
      sisters.set(id, own)
      for (const other of places) if (other !== id) own.add(other)
    }
  }
  return sisters
}

/** A set without what is gone; null where too few are left to be one. */
export function equalPartsWithout(set: EqualParts, stays: (id: string) => boolean): EqualParts | null {
  if (set.kind !== 'alike') return placesIn(set).every(stays) ? set : null
  const places = set.places.filter(stays)
  if (places.length < 2) return null
  const { unlike, ...rest } = set
  const left = unlike?.filter(stays) ?? []
  return { ...rest, places, ...(left.length > 0 ? { unlike: left } : {}) }
}

/** The sets with a place that is one more of another's kind: in the set of that one, or in a new one called by this name. */
export function withOneMoreAlike(
  sets: readonly EqualParts[],
  of: { readonly id: string; readonly name: string },
  more: string,
): EqualParts[] {
  const at = sets.findIndex((set) => set.kind === 'alike' && set.places.includes(of.id))
  if (at >= 0)
    return sets.map((set, index) => (index === at && set.kind === 'alike' ? { ...set, places: [...set.places, more] } : set))
  if (sets.length >= MAX_SETS) return [...sets]
  const id = `alike-${of.id}`.slice(0, 80)
  const taken = sets.some((set) => set.id === id)
  return [
    ...sets,
    { kind: 'alike', id: taken ? `alike-${more}`.slice(0, 80) : id, name: of.name, places: [of.id, more], source: null },
  ]
}
