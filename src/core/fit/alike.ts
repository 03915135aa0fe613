/** Equal places of a machine: which stand for which, and what becomes of them when a place comes or goes. */
import { MAX_PLACES, MAX_SETS } from './equalPartsBounds'
import type { EqualParts } from './equalPartsSchema'

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

/**
 * The sets with a place that is one more of another's kind: in the set of that one, or in a new one called by its name. One more
 * of what is unlike the others is as unlike them; a set or a book that is full takes no more, and the place has no sisters.
 */
export function withOneMoreAlike(
  sets: readonly EqualParts[],
  of: { readonly id: string; readonly name: string },
  more: string,
): EqualParts[] {
  const own = sets.find((set) => set.kind === 'alike' && set.places.includes(of.id))
  if (own?.kind === 'alike') {
    if (own.places.length >= MAX_PLACES) return [...sets]
    const unlike = own.unlike?.includes(of.id) ? { unlike: [...own.unlike, more] } : {}
    return sets.map((set) => (set === own ? { ...own, places: [...own.places, more], ...unlike } : set))
  }
  if (sets.length >= MAX_SETS) return [...sets]
  const taken = new Set(sets.map(({ id }) => id))
  let number = sets.length + 1
  while (taken.has(`alike-${number}`)) number += 1
  return [...sets, { kind: 'alike', id: `alike-${number}`, name: of.name, places: [of.id, more], source: null }]
}
