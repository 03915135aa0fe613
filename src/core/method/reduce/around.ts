import { isPoint, point, subtract } from '../../quantity/interval'
import { bowOf, type HarmonicFit, harmonicFit, type Vector, vectorAt } from '../harmonics'
import { ALIGNMENT } from '../layout'
import type { ClockPlace } from '../method'
import { placeMeans, pointValues } from './points'
import {
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
} from './taken'

/** Readings at clock places as points of a harmonic fit; null while one of them is a bound or a range, or too few are read. */
export function fitAround(
  places: readonly ClockPlace[],
  readings: readonly TakenReading[],
  of: (reading: TakenReading) => string,
): HarmonicFit | null {
  if (!readings.every(({ interval }) => isPoint(interval))) return null
  return harmonicFit(
    readings.flatMap((reading) => {
      const place = places.find(({ id }) => id === of(reading))
      return place ? [{ angleDeg: place.angleDeg, value: reading.interval.low }] : []
    }),
  )
}

/** Standard uncertainty of an amplitude fitted to n readings: u·√(2/n). */
const amplitudeUncertainty = (readings: readonly TakenReading[]): number =>
  worstDifference(readings) * Math.sqrt(1 / readings.length)

const around = (readings: number): string => `${readings} readings around`

/** Gaps at clock positions: extremes, mean, difference of opposite ones, and where the gap is widest (first harmonic). */
export function reduceGapAtPositions(input: ReduceInput<'gapAtPositions'>): Outcome {
  const { method, readings, complete } = input
  const { places } = placeMeans(method, readings, null)
  const values = pointValues(places, readings, { complete, quantity: 'length', spread: 'variation' })
  Object.assign(values, wearOf(method, values, input.nominal))
  const opposite = worstOpposite(method.positions, readings)
  if (opposite)
    values.oppositeDifference = reduced(opposite.interval, {
      quantity: 'length',
      uncertainty: worstDifference(readings),
      where: opposite.where,
      sum: opposite.sum,
      open: openWhile(complete, 'canOnlyGrow'),
    })
  const fit = fitAround(method.positions, readings, ({ station }) => station)
  if (fit) Object.assign(values, eccentricityOf(fit, readings, complete, around(readings.length)))
  return noFaults(values)
}

function eccentricityOf(fit: HarmonicFit, readings: readonly TakenReading[], complete: boolean, where: string): Values {
  const facts = { where, sum: [], open: openWhile(complete, 'eitherWay') } as const
  return {
    eccentricity: reduced(point(fit.firstAmplitude), {
      ...facts,
      quantity: 'length',
      uncertainty: amplitudeUncertainty(readings),
    }),
    eccentricityAngle: reduced(point(fit.highPointDeg), { ...facts, quantity: 'angle', uncertainty: 0 }),
  }
}

/** Angles computed from a count of places are off by rounding. */
const SAME_PLACE_DEG = 1e-6

/** The opposite pair that differs most; opposite is half a turn apart. */
function worstOpposite(places: readonly ClockPlace[], readings: readonly TakenReading[]) {
  const pairs = places.flatMap((a) => {
    const b = places.find((other) => Math.abs(other.angleDeg - a.angleDeg - 180) < SAME_PLACE_DEG)
    const [one, two] = [a, b].map((place) => readings.find(({ station }) => station === place?.id))
    if (!b || !one || !two) return []
    const [high, low] = one.interval.high >= two.interval.high ? [one, two] : [two, one]
    const interval = subtract(high.interval, low.interval)
    return [
      {
        interval: { low: Math.max(0, interval.low), high: interval.high },
        where: `${a.id} against ${b.id}`,
        sum: [
          term(high.station, high.interval, 'length'),
          term(`less ${low.station}`, { low: -low.interval.high, high: -low.interval.low }, 'length'),
        ],
      },
    ]
  })
  return pairs.reduce<(typeof pairs)[number] | null>(
    (worst, pair) => (worst === null || pair.interval.high > worst.interval.high ? pair : worst),
    null,
  )
}

/** What the dial showed at one station of a turned shaft. */
export interface StationRunout {
  readonly station: string
  readonly label: string
  readonly atMm: number | null
  readonly fit: HarmonicFit | null
  readonly readings: readonly TakenReading[]
  /** Distance of the centre from the straight line through the outer stations' centres; null without distances. */
  readonly bow: Vector | null
}

export function runoutStations({
  method,
  readings,
}: Pick<ReduceInput<'runout'>, 'method' | 'readings'>): readonly StationRunout[] {
  const stations = method.stations.map((station) => {
    const own = readings.filter((reading) => reading.station === station.id)
    return {
      station: station.id,
      label: station.label,
      atMm: station.atMm,
      readings: own,
      fit: fitAround(method.angles, own, ({ direction }) => direction),
    }
  })
  const centres = stations
    .flatMap(({ station, atMm, fit }) =>
      fit && atMm !== null ? [{ station, atMm, ...vectorAt(fit.firstAmplitude, fit.highPointDeg) }] : [],
    )
    .sort((a, b) => a.atMm - b.atMm)
  const bows = centres.length >= 3 ? bowOf(centres) : []
  return stations.map((item) => ({ ...item, bow: bows[centres.findIndex(({ station }) => station === item.station)] ?? null }))
}

/** Runout: total indicated reading, eccentricity and oval part of the worst station, bow along the shaft. */
export function reduceRunout(input: ReduceInput<'runout'>): Outcome {
  const { method, readings, complete } = input
  const stations = runoutStations(input)
  const uncertainty = worstDifference(readings)
  const values: Values = {}
  const open = openWhile(complete, 'canOnlyGrow')
  const at = ({ station, label }: StationRunout): string => `at ${station} ${label}`.trim()

  const swept = stations
    .filter((item) => item.readings.length >= 2)
    .flatMap((item) => {
      const total = pointValues(
        placeMeans(
          method,
          item.readings.map((reading) => ({ ...reading, station: reading.direction })),
          null,
        ).places,
        item.readings,
        {
          complete: true,
          quantity: 'length',
          spread: 'totalIndicated',
        },
      ).totalIndicated
      return total ? [{ item, total }] : []
    })
  const widest = swept.reduce<(typeof swept)[number] | null>(
    (best, next) =>
      best === null || (next.total.value ?? next.total.interval?.high ?? 0) > (best.total.value ?? best.total.interval?.high ?? 0)
        ? next
        : best,
    null,
  )
  if (widest) values.totalIndicated = { ...widest.total, uncertainty, where: at(widest.item), open }

  const fitted = stations.flatMap((item) => (item.fit ? [{ item, fit: item.fit }] : []))
  const most = fitted.reduce<(typeof fitted)[number] | null>(
    (best, next) => (best === null || next.fit.firstAmplitude > best.fit.firstAmplitude ? next : best),
    null,
  )
  if (most) Object.assign(values, eccentricityOf(most.fit, most.item.readings, complete, at(most.item)))
  const oval = fitted
    .filter(({ fit }) => fit.secondAmplitude !== null)
    .reduce<(typeof fitted)[number] | null>(
      (best, next) => (best === null || (next.fit.secondAmplitude ?? 0) > (best.fit.secondAmplitude ?? 0) ? next : best),
      null,
    )
  if (oval)
    values.secondHarmonic = reduced(point(oval.fit.secondAmplitude ?? 0), {
      quantity: 'length',
      uncertainty: amplitudeUncertainty(oval.item.readings),
      where: at(oval.item),
      sum: [],
      open: openWhile(complete, 'eitherWay'),
    })
  const bent = stations.flatMap((item) => (item.bow ? [{ item, by: Math.hypot(item.bow.x, item.bow.y) }] : []))
  const bow = bent.reduce<(typeof bent)[number] | null>((best, next) => (best === null || next.by > best.by ? next : best), null)
  if (bow)
    values.bow = reduced(point(bow.by), {
      quantity: 'length',
      uncertainty: amplitudeUncertainty(bow.item.readings) * Math.SQRT2,
      where: at(bow.item),
      sum: [],
      open: openWhile(complete, 'eitherWay'),
    })
  return noFaults(values)
}

/** Two shafts at a coupling by rim and face readings of a dial turned with one of them: offset, and angle between the axes. */
export function reduceAlignment({ method, readings, complete }: ReduceInput<'alignment'>): Outcome {
  const of = (kind: string): TakenReading[] => readings.filter(({ direction }) => direction === kind)
  const values: Values = {}
  const rim = of(ALIGNMENT.rim)
  const face = of(ALIGNMENT.face)
  const open = openWhile(complete, 'eitherWay')
  const rimFit = fitAround(method.positions, rim, ({ station }) => station)
  if (rimFit) {
    // The dial turns about one axis and reads the other's rim: its first harmonic is the offset itself.
    values.offset = reduced(point(rimFit.firstAmplitude), {
      quantity: 'length',
      uncertainty: amplitudeUncertainty(rim),
      where: `${rim.length} rim readings`,
      sum: [],
      open,
    })
    values.offsetAngle = reduced(point(rimFit.highPointDeg), {
      quantity: 'angle',
      uncertainty: 0,
      where: 'clockwise from the top',
      sum: [],
      open,
    })
  }
  const faceFit = fitAround(method.positions, face, ({ station }) => station)
  if (faceFit && method.faceDiameterMm !== null) {
    const perMetre = 2000 / method.faceDiameterMm
    values.angularity = reduced(point(faceFit.firstAmplitude * perMetre), {
      quantity: 'slope',
      uncertainty: amplitudeUncertainty(face) * perMetre,
      where: `${face.length} face readings`,
      sum: [
        term('face, first harmonic', point(faceFit.firstAmplitude), 'length'),
        term('on the radius', point(method.faceDiameterMm / 2), 'length'),
      ],
      open,
    })
    values.angularityAngle = reduced(point(faceFit.highPointDeg), {
      quantity: 'angle',
      uncertainty: 0,
      where: 'clockwise from the top',
      sum: [],
      open,
    })
  }
  return noFaults(values)
}
