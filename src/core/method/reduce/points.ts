import { repeatabilityUncertainty } from '../../gauge/uncertainty'
import { type Interval, largest, meanOf, medianOf, rangeOf, smallest } from '../../quantity/interval'
import { differenceOf, type QuantityKind } from '../../quantity/kind'
import { quantityAt, slotLabel, slotsOf } from '../layout'
import type { Method, Place } from '../method'
import type { MethodFault, Open } from '../reduction'
import { reduceRepeats } from '../repeats'
import { allPoints, openWhile, reduced, type TakenReading, term, type Values, worstDifference, worstSize } from './taken'

/** One place with the mean of its repeats. */
export interface PlaceMean {
  readonly place: string
  readonly label: string
  readonly interval: Interval
  readonly readings: readonly TakenReading[]
  readonly uncertainty: number
  /** All its repeats are read and agree: its mean stays as it is. */
  readonly settled: boolean
}

export interface PointsResult {
  readonly places: readonly PlaceMean[]
  readonly faults: readonly MethodFault[]
}

/** Means of the repeats at each place in the order of the sheet; repeats that disagree beyond the limit are a fault. */
export function placeMeans(
  method: Method,
  readings: readonly TakenReading[],
  limit: number | null,
  places?: readonly Place[],
): PointsResult {
  const at = new Map<string, TakenReading[]>()
  for (const reading of readings) {
    if (places && !places.some(({ id }) => id === reading.station)) continue
    const own = at.get(reading.station)
    if (own) own.push(reading)
    else at.set(reading.station, [reading])
  }
  const faults: MethodFault[] = []
  const means = [...at].map(([place, own]): PlaceMean => {
    const first = own[0]
    if (!first) throw new Error('a place in the map has a reading')
    // The label of the place without its repeat.
    const label = slotLabel(method, first).replace(/(, )?repeat \d+$/, '')
    const points = allPoints(own)
    const repeats = points
      ? reduceRepeats(
          own.map(({ interval }) => interval.low),
          limit ?? Number.MAX_VALUE,
        )
      : null
    if (repeats?.exceedsRepeatability)
      faults.push({
        code: 'repeatsDisagree',
        at: label,
        range: repeats.range,
        limitValue: limit ?? 0,
        sticksOut: repeats.sticksOut === null ? null : (own[repeats.sticksOut]?.repeat ?? null),
      })
    return {
      place,
      label,
      interval: meanOf(own.map(({ interval }) => interval)),
      readings: own,
      uncertainty: meanUncertainty(own, repeats),
      settled: own.length >= repeatsAt(method, first) && !repeats?.exceedsRepeatability,
    }
  })
  return { places: means, faults }
}

/** How many repeats its place asks for. */
const repeatsAt = (method: Method, { station, direction }: TakenReading): number =>
  slotsOf(method).filter((slot) => slot.station === station && slot.direction === direction).length

/**
 * What is open about a value that one of the places holds. Places still to be read can only push it further; one whose
 * own repeats are missing or disagree may take it back.
 */
export const openAt = (holder: PlaceMean, places: readonly PlaceMean[], complete: boolean, further: Open): Open =>
  openWhile(complete && places.every(({ settled }) => settled), holder.settled ? further : 'eitherWay')

/** Size uncertainty, or what the spread of the repeats says where it is more than their steps explain. */
function meanUncertainty(own: readonly TakenReading[], repeats: ReturnType<typeof reduceRepeats> | null): number {
  const size = worstSize(own)
  if (repeats === null || repeats.sampleStandardDeviation === null) return size
  const spread = repeatabilityUncertainty(repeats.sampleStandardDeviation, own.length)
  return Math.hypot(size, Math.max(0, spread))
}

export interface PointsOptions {
  readonly complete: boolean
  readonly quantity: QuantityKind
  /** Name of largest minus smallest place. */
  readonly spread: 'range' | 'parallelism' | 'variation' | 'totalIndicated'
}

/** Largest, smallest, mean, median and spread over the places of a set. */
export function pointValues(places: readonly PlaceMean[], readings: readonly TakenReading[], options: PointsOptions): Values {
  const { complete, quantity, spread } = options
  if (places.length === 0) return {}
  const intervals = places.map(({ interval }) => interval)
  const uncertainty = Math.max(...places.map((place) => place.uncertainty))
  const high = places.reduce((best, place) => (place.interval.high > best.interval.high ? place : best))
  const low = places.reduce((best, place) => (place.interval.low < best.interval.low ? place : best))
  const sumAt = (place: PlaceMean) =>
    place.readings.map((reading) =>
      term(place.readings.length > 1 ? `repeat ${reading.repeat}` : place.label, reading.interval, quantity),
    )
  const all = places.map((place) => term(place.label, place.interval, quantity))
  const over = places.length === 1 ? `${readings.length} reading${readings.length === 1 ? '' : 's'}` : `${places.length} places`
  const values: Values = {
    maximum: reduced(largest(intervals), {
      quantity,
      uncertainty,
      where: high.label,
      sum: sumAt(high),
      open: openAt(high, places, complete, 'canOnlyGrow'),
    }),
    minimum: reduced(smallest(intervals), {
      quantity,
      uncertainty,
      where: low.label,
      sum: sumAt(low),
      open: openAt(low, places, complete, 'canOnlyShrink'),
    }),
    mean: reduced(meanOf(intervals), {
      quantity,
      uncertainty,
      where: over,
      sum: places.length === 1 ? sumAt(high) : all,
      open: openAt(high, places, complete, 'eitherWay'),
    }),
  }
  if (places.length >= 3)
    values.median = reduced(medianOf(intervals), {
      quantity,
      uncertainty,
      where: over,
      sum: all,
      open: openAt(high, places, complete, 'eitherWay'),
    })
  if (places.length >= 2)
    values[spread] = reduced(rangeOf(intervals), {
      quantity: differenceOf(quantity),
      uncertainty: worstDifference(readings),
      where: `${high.label} against ${low.label}`,
      sum: [
        term('largest', high.interval, quantity),
        term('less smallest', { low: -low.interval.high, high: -low.interval.low }, quantity),
      ],
      open: openAt(high.settled ? low : high, places, complete, 'canOnlyGrow'),
    })
  return values
}

export const quantityOfPoints = (method: Method, readings: readonly TakenReading[]): QuantityKind =>
  quantityAt(method, readings[0] ?? { station: '' })
