import { differenceOf, type QuantityKind } from '../../quantity/kind'
import { type Known, largestOf, meanOf, medianKnown, over, smallestOf, spreadOf } from '../known'
import { placeAt, placeOf, type Where } from '../where'
import { type SheetPlace, sheetOf, type TakenPlace } from './places'
import { give, giveWear, holderOf, less, type Outcome, type ReduceInput, term, type Values } from './taken'

export interface PointsOptions {
  readonly quantity: QuantityKind
  readonly guard: number
  /** Name of largest minus smallest place. */
  readonly spread: 'range' | 'parallelism' | 'variation' | 'totalIndicated'
}

export interface PointValues {
  readonly values: Values
  readonly largest: Known | null
  readonly smallest: Known | null
}

type Told = Pick<Parameters<typeof give>[3], 'where' | 'sum'>

/** Largest, smallest and mean of values that are known, each with where it comes from. */
export function giveExtremes(
  values: Values,
  known: readonly Known[],
  guard: number,
  told: { readonly quantity: QuantityKind; readonly largest: Told; readonly smallest: Told; readonly mean: Told },
): { readonly largest: Known | null; readonly smallest: Known | null } {
  const { quantity } = told
  const [largest, smallest] = [over(known, largestOf), over(known, smallestOf)]
  give(values, 'maximum', largest, { quantity, ...told.largest })
  give(values, 'minimum', smallest, { quantity, ...told.smallest })
  give(
    values,
    'mean',
    over(known, (of) => meanOf(of, guard)),
    { quantity, ...told.mean },
  )
  return { largest, smallest }
}

/** Largest, smallest, mean, median and spread over the places of a set. */
export function pointValues(
  places: readonly SheetPlace[],
  taken: readonly TakenPlace[],
  { quantity, guard, spread }: PointsOptions,
): PointValues {
  const values: Values = {}
  if (taken.length === 0) return { values, largest: null, smallest: null }
  const known = places.map((place) => place.known)
  const [high, low] = [holderOf(taken, 'largest'), holderOf(taken, 'smallest')]
  const sumAt = (place: TakenPlace) =>
    place.readings.map((reading) =>
      term(place.readings.length > 1 ? { code: 'repeat', repeat: reading.repeat } : placeAt(place), reading.interval, quantity),
    )
  const all = taken.map((place) => term(placeAt(place), place.interval, quantity))
  const readings = taken.reduce((sum, place) => sum + place.readings.length, 0)
  const where: Where =
    taken.length === 1
      ? { code: 'counted', of: 'readings', count: readings }
      : { code: 'counted', of: 'places', count: taken.length }
  const { largest, smallest } = giveExtremes(values, known, guard, {
    quantity,
    largest: { where: placeAt(high), sum: sumAt(high) },
    smallest: { where: placeAt(low), sum: sumAt(low) },
    mean: { where, sum: taken.length === 1 ? sumAt(high) : all },
  })
  if (taken.length >= 3) give(values, 'median', over(known, medianKnown), { quantity, where, sum: all })
  give(
    values,
    spread,
    over(known, (of) => spreadOf(of, guard)),
    {
      quantity: differenceOf(quantity),
      where: { code: 'against', one: placeOf(high), other: placeOf(low) },
      sum: [term('largest', high.interval, quantity), less('smallest', low.interval, quantity)],
    },
  )
  return { values, largest, smallest }
}

/** Points read one after the other: extremes, mean, median, spread, wear of the judged extreme. */
export const reducePoints =
  (spread: PointsOptions['spread']) =>
  (input: ReduceInput<{ readonly repeatabilityLimit: number | null }>): Outcome => {
    const { method, readings, nominal, guard, wears } = input
    const { places, taken, faults } = sheetOf(input, method.repeatabilityLimit)
    const quantity = input.quantityAt(readings[0] ?? { station: '' })
    const { values, ...extremes } = pointValues(places, taken, { quantity, guard, spread })
    giveWear(values, wears, extremes, nominal, guard)
    return { values, faults }
  }
