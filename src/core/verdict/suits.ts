import type { LimitBook } from '../book/bookSchema'
import { sidesOf } from '../fit/kinds'

/** Routes of other parts whose work a part is made to suit, by the part: an undersize shell, an oversize piston. */
export type Suits = ReadonlyMap<string, readonly Suited[]>
export interface Suited {
  /** The part that is worked, and the route by which. */
  readonly part: string
  readonly route: string
  /** Route by which the mate itself is made to suit, a shell lined anew; null: a new one is. */
  readonly by: string | null
}

/**
 * What is made to suit what. A route that takes off leaves a size that no mate of the usual one fits: the mates of the fits and
 * rings that it names are made to suit. What is lined or built up anew is itself made to suit, and asks nothing of its mate.
 */
export function suitsOf({ parts, characteristics, fits }: Pick<LimitBook, 'parts' | 'characteristics' | 'fits'>): Suits {
  const partOf = new Map(characteristics.map(({ id, part }) => [id, part]))
  const sides = new Map(fits.map((fit) => [fit.id, sidesOf(fit)]))
  const byId = new Map(parts.map((part) => [part.id, part]))
  const found = new Map<string, Suited[]>()
  for (const { id: part, routes } of parts)
    for (const { id: route, effect, suits = [] } of routes) {
      if (effect !== 'takesOff') continue
      // A ring stands for itself, a fit for its sides.
      for (const of of suits)
        for (const mate of new Set((sides.get(of) ?? [of]).flatMap((side) => partOf.get(side) ?? []))) {
          const named = found.get(mate) ?? []
          if (mate === part || named.some((one) => one.part === part && one.route === route)) continue
          const own = byId
            .get(mate)
            ?.routes.find((one) => (one.effect === 'renews' || one.effect === 'buildsUp') && one.suits?.includes(of))
          found.set(mate, [...named, { part, route, by: own?.id ?? null }])
        }
    }
  return found
}
