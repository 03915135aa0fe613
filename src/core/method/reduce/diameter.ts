import { isPoint, largest, meanOf, point, rangeOf, smallest } from '../../quantity/interval'
import { reduceDiameters } from '../diameters'
import { slotLabel } from '../layout'
import { wearsTowards } from '../method'
import type { Reduced } from '../reduction'
import {
  allPoints,
  holderOf,
  noFaults,
  type Outcome,
  openWhile,
  type ReduceInput,
  reduced,
  type TakenReading,
  term,
  type Values,
  wearOf,
  worstDifference,
  worstSize,
} from './taken'

/** Diameters at stations and directions: extremes, mean, out-of-round, taper, barrel, wear. */
export function reduceDiameter(input: ReduceInput<'outsideDiameter' | 'boreDiameter'>): Outcome {
  const { method, readings, complete } = input
  const quantity = 'length'
  const size = worstSize(readings)
  const difference = worstDifference(readings)
  const named = (reading: TakenReading): string => slotLabel(method, reading)
  const intervals = readings.map(({ interval }) => interval)
  const highest = holderOf(readings, 'largest')
  const lowest = holderOf(readings, 'smallest')
  const values: Values = {
    maximum: reduced(largest(intervals), {
      quantity,
      uncertainty: size,
      where: named(highest),
      sum: [term(named(highest), highest.interval, quantity)],
      open: openWhile(complete, 'canOnlyGrow'),
    }),
    minimum: reduced(smallest(intervals), {
      quantity,
      uncertainty: size,
      where: named(lowest),
      sum: [term(named(lowest), lowest.interval, quantity)],
      open: openWhile(complete, 'canOnlyShrink'),
    }),
    mean: reduced(meanOf(intervals), {
      quantity,
      uncertainty: size,
      where: `${readings.length} readings`,
      sum: readings.map((reading) => term(named(reading), reading.interval, quantity)),
      open: openWhile(complete, 'eitherWay'),
    }),
  }
  Object.assign(values, wearFrom(input, values))

  const spread = (own: readonly TakenReading[], where: string): Reduced => {
    const high = holderOf(own, 'largest')
    const low = holderOf(own, 'smallest')
    return reduced(rangeOf(own.map(({ interval }) => interval)), {
      quantity,
      uncertainty: difference,
      where,
      sum: [
        term('largest', high.interval, quantity),
        term('less smallest', { low: -low.interval.high, high: -low.interval.low }, quantity),
      ],
      open: openWhile(complete, 'canOnlyGrow'),
    })
  }
  const worstOf = (groups: readonly { own: readonly TakenReading[]; where: string }[]): Reduced | null =>
    groups
      .filter(({ own }) => own.length >= 2)
      .map(({ own, where }) => spread(own, where))
      .reduce<Reduced | null>((worst, item) => (worst === null || upper(item) > upper(worst) ? item : worst), null)

  const outOfRound = worstOf(
    method.stations.map((station) => ({
      own: readings.filter((reading) => reading.station === station.id),
      where: `at ${station.id}, ${method.directions.length} directions`,
    })),
  )
  if (outOfRound) values.outOfRound = outOfRound
  const taper = worstOf(
    method.directions.map((direction) => ({
      own: readings.filter((reading) => reading.direction === direction.id),
      where: `direction ${direction.id} ${direction.label}`.trim(),
    })),
  )
  if (taper) values.taper = taper
  if (allPoints(readings)) Object.assign(values, barrel(input, difference))
  return noFaults(values)
}

const upper = (value: Reduced): number => value.value ?? value.interval?.high ?? Number.POSITIVE_INFINITY

/** Wear from new; or, for a bore with an unworn station read, from the mean there. */
function wearFrom({ method, readings, nominal }: ReduceInput<'outsideDiameter' | 'boreDiameter'>, values: Values): Values {
  const unworn = method.kind === 'boreDiameter' ? method.unworn : undefined
  const own = readings.filter((reading) => reading.station === unworn)
  if (unworn === undefined || own.length === 0) return wearOf(method, values, nominal)
  const reference = meanOf(own.map(({ interval }) => interval))
  if (!isPoint(reference)) return wearOf(method, values, nominal)
  const { wear } = wearOf(method, values, reference.low)
  if (!wear) return {}
  const label = wearsTowards(method) === 'larger' ? `less unworn, mean at ${unworn}` : `unworn, mean at ${unworn}`
  return {
    wear: {
      ...wear,
      // The gauge's error is in both and cancels.
      uncertainty: worstDifference(readings),
      sum: wear.sum.map((item) => (item.label === 'new' || item.label === 'less new' ? { ...item, label } : item)),
    },
  }
}

/** Mean of the stations between the ends less the mean of the two end stations: + a barrel, − a waist. */
function barrel({ method, readings, complete }: ReduceInput<'outsideDiameter' | 'boreDiameter'>, difference: number): Values {
  if (method.stations.length < 3) return {}
  const at = (station: string, direction: string): number | null =>
    readings.find((reading) => reading.station === station && reading.direction === direction)?.interval.low ?? null
  const { stationMeanMm } = reduceDiameters(method.stations.map((s) => method.directions.map((d) => at(s.id, d.id))))
  const means = stationMeanMm.filter((value) => value !== null)
  const [first, last] = [means[0], means.at(-1)]
  if (means.length < method.stations.length || first === undefined || last === undefined) return {}
  const inner = means.slice(1, -1)
  const middle = inner.reduce((sum, value) => sum + value, 0) / inner.length
  const ends = (first + last) / 2
  return {
    barrel: reduced(point(middle - ends), {
      quantity: 'length',
      uncertainty: difference,
      where: 'between the ends',
      sum: [term('mean between', point(middle), 'length'), term('less mean of the ends', point(-ends), 'length')],
      open: openWhile(complete, 'eitherWay'),
    }),
  }
}
