import type { Known } from '../known'
import type { ClockPlace } from '../slot'
import type { Where } from '../where'
import { angleOf, type KnownVector, lengthOf } from './clockVector'
import type { SheetPlace } from './places'
import { give, type Values } from './taken'

/** The clock places that belong to the sheet here, with what is known there. */
export function placesIn(
  clock: readonly ClockPlace[],
  places: readonly SheetPlace[],
  of: (place: SheetPlace) => string,
): { readonly places: readonly ClockPlace[]; readonly known: readonly Known[] } {
  const found = clock.flatMap((place) => {
    const own = places.find((other) => of(other) === place.id)
    return own ? [{ place, known: own.known }] : []
  })
  return { places: found.map(({ place }) => place), known: found.map(({ known }) => known) }
}

/** Where a circle of readings lies off its centre. */
export function giveEccentricity(values: Values, of: KnownVector, where: Where, guard: number): void {
  give(values, 'eccentricity', lengthOf(of, guard), { quantity: 'length', where })
  give(values, 'eccentricityAngle', angleOf(of, guard), { quantity: 'angle', where })
}
