import { intervalOf } from '../../quantity/extent'
import type { Interval } from '../../quantity/interval'
import { differenceOf, type Known, largestOf, linear, meanOf, over, smallestOf, spreadOf } from '../known'
import type { Gives } from '../methodKind'
import type { ReductionName } from '../reduction'
import type { Place } from '../slot'
import { placeAt, type Where } from '../where'
import { type SheetPlace, sheetOf, type TakenPlace } from './places'
import { give, giveWear, holderOf, less, noFaults, type Outcome, type ReduceInput, taken, term, type Values } from './taken'

interface DiameterSheet {
  readonly stations: readonly Place[]
  readonly directions: readonly Place[]
}
type DiameterInput = ReduceInput<DiameterSheet>

/** Values at one station or in one direction; null where too few are read for one. */
export interface DiameterGroup {
  readonly id: string
  readonly label: string
  readonly mean: Known | null
  /** Largest less smallest: out-of-round at a station, taper in a direction. */
  readonly spread: Known | null
  readonly taken: readonly TakenPlace[]
  /** Places that belong to it. */
  readonly count: number
}

export interface DiameterDetails {
  readonly stations: readonly DiameterGroup[]
  readonly directions: readonly DiameterGroup[]
}

/**
 * What follows at each station and in each direction. Out-of-round is a difference of diameters and not halved; two
 * directions do not see odd lobes. Readings not taken are left out of the figures, and leave open what they may do.
 */
export function diameterDetails(
  places: readonly SheetPlace[],
  takenPlaces: readonly TakenPlace[],
  { method, guard }: { readonly method: DiameterSheet; readonly guard: number },
): DiameterDetails {
  const group = (id: string, label: string, own: (place: SheetPlace) => boolean): DiameterGroup => {
    const known = places.filter(own).map((place) => place.known)
    return {
      id,
      label,
      mean: over(known, (of) => meanOf(of, guard)),
      spread: over(known, (of) => spreadOf(of, guard)),
      taken: takenPlaces.filter(own),
      count: known.length,
    }
  }
  return {
    stations: method.stations.map(({ id, label }) => group(id, label, ({ station }) => station === id)),
    directions: method.directions.map(({ id, label }) => group(id, label, ({ direction }) => direction === id)),
  }
}

/**
 * Diameters at stations and directions: extremes, mean, out-of-round, taper, barrel, wear. Wear is counted from the station
 * that nothing wears, where there is one.
 */
export function reduceDiameter(input: DiameterInput, unworn?: string): Outcome {
  const { method, guard, nominal, wears } = input
  const quantity = 'length'
  const sheet = sheetOf(input)
  const known = sheet.places.map((place) => place.known)
  const [high, low] = [holderOf(sheet.taken, 'largest'), holderOf(sheet.taken, 'smallest')]
  const largest = over(known, largestOf)
  const smallest = over(known, smallestOf)
  const values: Values = {}
  give(values, 'maximum', largest, { quantity, where: placeAt(high), sum: [term(placeAt(high), high.interval, quantity)] })
  give(values, 'minimum', smallest, { quantity, where: placeAt(low), sum: [term(placeAt(low), low.interval, quantity)] })
  give(
    values,
    'mean',
    over(known, (of) => meanOf(of, guard)),
    {
      quantity,
      where: { code: 'counted', of: 'readings', count: sheet.taken.length },
      sum: sheet.taken.map((place) => term(placeAt(place), place.interval, quantity)),
    },
  )
  const reference = sheet.places.filter(({ station }) => station === unworn)
  // Where the unworn station does not exist here, wear is counted from new like any other.
  if (reference.length > 0) giveWearFromUnworn(values, input, sheet.places, reference)
  else giveWear(values, wears, { largest, smallest }, nominal, guard)

  const details = diameterDetails(sheet.places, sheet.taken, input)
  giveWorst(values, 'outOfRound', details.stations, ({ id }) => ({
    code: 'roundStation',
    station: id,
    directions: method.directions.length,
  }))
  giveWorst(values, 'taper', details.directions, ({ id }) => ({ code: 'direction', direction: id }))
  giveBarrel(values, details, guard)
  return noFaults(values)
}

/** The largest spread of the groups that have one; those that are still to be read may have a larger one. */
function giveWorst(
  values: Values,
  name: 'outOfRound' | 'taper',
  groups: readonly DiameterGroup[],
  where: (group: DiameterGroup) => Where,
): void {
  const spreads = groups.flatMap((group) =>
    group.spread ? [{ group, spread: group.spread, interval: taken(group.spread) }] : [],
  )
  if (spreads.length === 0) return
  const { group } = holderOf(spreads, 'largest')
  const [high, low] = [holderOf(group.taken, 'largest'), holderOf(group.taken, 'smallest')]
  const open = groups.flatMap(({ spread, count }) => (spread === null && count >= 2 ? [STILL_OPEN] : []))
  give(values, name, over([...spreads.map(({ spread }) => spread), ...open], largestOf), {
    quantity: 'length',
    where: where(group),
    sum: [term('largest', high.interval, 'length'), less('smallest', low.interval, 'length')],
  })
}

/** A spread that is not read yet: it may be anything from nothing up. */
const AT_LEAST_NOTHING: Interval = { low: 0, high: Number.POSITIVE_INFINITY }
const STILL_OPEN: Known = { interval: null, reach: AT_LEAST_NOTHING, guarded: AT_LEAST_NOTHING, errors: [] }

/** Wear of each place from the mean of the unworn station, place by place: an error of the gauge that both have cancels. */
function giveWearFromUnworn(
  values: Values,
  { wears, guard }: DiameterInput,
  places: readonly SheetPlace[],
  reference: readonly SheetPlace[],
): void {
  const known = reference.map((place) => place.known)
  const unworn = over(known, (of) => meanOf(of, guard))
  const larger = wears === 'larger'
  const extreme = larger ? values.maximum : values.minimum
  if (unworn === null || !extreme) return
  const wear = over(
    places.map((place) => (larger ? differenceOf(place.known, unworn, guard) : differenceOf(unworn, place.known, guard))),
    largestOf,
  )
  const mean = taken(unworn)
  const at = { code: 'unwornMean', station: reference[0]?.station ?? '' } as const
  const size = intervalOf(extreme)
  give(values, 'wear', wear, {
    quantity: 'length',
    where: extreme.where,
    sum: larger
      ? [term('largest', size, 'length'), less(at, mean, 'length')]
      : [term(at, mean, 'length'), less('smallest', size, 'length')],
  })
}

/** Mean of the stations between the ends less the mean of the two end stations: + a barrel, − a waist. */
function giveBarrel(values: Values, { stations }: DiameterDetails, guard: number): void {
  const means = stations.flatMap(({ mean }) => mean ?? [])
  const [first, last] = [means[0], means.at(-1)]
  if (stations.length < 3 || means.length < stations.length || !first || !last) return
  const between = meanOf(means.slice(1, -1), guard)
  const ends = meanOf([first, last], guard)
  const [middle, outer] = [taken(between), taken(ends)]
  give(
    values,
    'barrel',
    linear(
      [
        [1, between],
        [-1, ends],
      ],
      guard,
    ),
    {
      quantity: 'length',
      where: { code: 'betweenEnds' },
      sum: [term('meanBetween', middle, 'length'), less('meanOfEnds', outer, 'length')],
    },
  )
}

/** Values of diameters at stations and directions. */
export const diametersGive = (): Gives => ({
  maximum: 'length',
  minimum: 'length',
  mean: 'length',
  wear: 'length',
  outOfRound: 'length',
  taper: 'length',
  barrel: 'length',
})

/** What they need of the sheet. */
export function canGiveOfDiameters({ stations, directions }: DiameterSheet, name: ReductionName): boolean {
  if (name === 'outOfRound') return directions.length >= 2
  if (name === 'taper') return stations.length >= 2
  return name !== 'barrel' || stations.length >= 3
}
