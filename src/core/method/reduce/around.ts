import { point } from '../../quantity/interval'
import type { HarmonicFit } from '../harmonics'
import { absoluteOf, differenceOf, type Known, largestOf, linear, over, spreadOf } from '../known'
import { ALIGNMENT } from '../layout'
import type { ClockPlace } from '../method'
import { ANY_ANGLE, type Around, angleOf, fitAround, harmonicsOf, type KnownVector, lengthOf } from './clockVector'
import { type SheetPlace, sheetOf, type TakenPlace } from './places'
import { pointValues } from './points'
import { give, giveWear, holderOf, noFaults, type Outcome, type ReduceInput, taken, term, type Values } from './taken'

const aroundWords = (readings: number): string => `${readings} readings around`

/** Gaps at clock positions: extremes, mean, difference of opposite ones, and where the gap is widest (first harmonic). */
export function reduceGapAtPositions(input: ReduceInput<'gapAtPositions'>): Outcome {
  const { method, guard, nominal } = input
  const sheet = sheetOf(input)
  const { values, ...extremes } = pointValues(sheet.places, sheet.taken, { quantity: 'length', guard, spread: 'variation' })
  giveWear(values, method, extremes, nominal, guard)
  giveOpposite(values, method.positions, sheet.places, guard)
  const at = placesIn(method.positions, sheet.places, ({ station }) => station)
  const fit = harmonicsOf(at.places, at.known, guard)
  if (fit) giveEccentricity(values, fit.first, aroundWords(sheet.taken.length), guard)
  return noFaults(values)
}

/** The clock places that belong to the sheet here, with what is known there. */
function placesIn(
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

function giveEccentricity(values: Values, of: KnownVector, where: string, guard: number): void {
  give(values, 'eccentricity', lengthOf(of, guard), { quantity: 'length', where })
  give(values, 'eccentricityAngle', angleOf(of, guard), { quantity: 'angle', where })
}

/** Angles computed from a count of places are off by rounding. */
const SAME_PLACE_DEG = 1e-6

/** The opposite pair that differs most; opposite is half a turn apart. */
function giveOpposite(values: Values, clock: readonly ClockPlace[], places: readonly SheetPlace[], guard: number): void {
  const at = (id: string): SheetPlace | undefined => places.find(({ station }) => station === id)
  const pairs = clock.flatMap((a) => {
    const b = clock.find((other) => Math.abs(other.angleDeg - a.angleDeg - 180) < SAME_PLACE_DEG)
    const [one, two] = [at(a.id), b && at(b.id)]
    return one && two ? [{ one, two, difference: absoluteOf(differenceOf(one.known, two.known, guard)) }] : []
  })
  const read = pairs.flatMap((pair) => (pair.difference.interval ? [{ ...pair, interval: pair.difference.interval }] : []))
  if (read.length === 0) return
  const { one, two } = holderOf(read, 'largest')
  const [a, b] = [taken(one.known), taken(two.known)]
  const [high, low, more, less] = a.high >= b.high ? [one, two, a, b] : [two, one, b, a]
  give(
    values,
    'oppositeDifference',
    over(
      pairs.map(({ difference }) => difference),
      largestOf,
    ),
    {
      quantity: 'length',
      where: `${one.station} against ${two.station}`,
      sum: [term(high.station, more, 'length'), term(`less ${low.station}`, { low: -less.high, high: -less.low }, 'length')],
    },
  )
}

/** What the dial showed at one station of a turned shaft. */
export interface StationRunout {
  readonly station: string
  readonly label: string
  readonly atMm: number | null
  readonly taken: readonly TakenPlace[]
  /** The curve itself, where all that is read are figures: for its drawing. */
  readonly fit: HarmonicFit | null
  readonly totalIndicated: Known | null
  readonly harmonics: Around | null
  /** Distance of the centre from the straight line through the outer stations' centres; null without distances. */
  readonly bow: KnownVector | null
}

export function runoutStations(
  input: Pick<ReduceInput<'runout'>, 'method' | 'readings' | 'slots' | 'guard'>,
): readonly StationRunout[] {
  const { method, guard } = input
  const sheet = sheetOf(input)
  const stations = method.stations.flatMap(({ id, label, atMm }) => {
    const own = sheet.places.filter(({ station }) => station === id)
    const read = sheet.taken.filter(({ station }) => station === id)
    const at = placesIn(method.angles, own, ({ direction }) => direction)
    return own.length === 0
      ? []
      : [
          {
            station: id,
            label,
            atMm,
            taken: read,
            fit: fitAround(method.angles, read, ({ direction }) => direction),
            totalIndicated: over(at.known, (of) => spreadOf(of, guard)),
            harmonics: harmonicsOf(at.places, at.known, guard),
          },
        ]
  })
  const along = stations
    .flatMap((station) => (station.atMm === null ? [] : [{ ...station, atMm: station.atMm }]))
    .sort((a, b) => a.atMm - b.atMm)
  const [first, last] = [along[0], along.at(-1)]
  return stations.map((station): StationRunout => {
    const centre = station.harmonics?.first
    const [from, to] = [first?.harmonics?.first, last?.harmonics?.first]
    if (along.length < 3 || !centre || !from || !to || !first || !last || station.atMm === null || first.atMm === last.atMm)
      return { ...station, bow: null }
    const share = (station.atMm - first.atMm) / (last.atMm - first.atMm)
    const bent = (part: 'x' | 'y'): Known =>
      linear(
        [
          [1, centre[part]],
          [share - 1, from[part]],
          [-share, to[part]],
        ],
        guard,
      )
    return { ...station, bow: { x: bent('x'), y: bent('y') } }
  })
}

/** Runout: total indicated reading, eccentricity and oval part of the worst station, bow along the shaft. */
export function reduceRunout(input: ReduceInput<'runout'>): Outcome {
  const { guard } = input
  const stations = runoutStations(input)
  const values: Values = {}
  const at = ({ station, label }: StationRunout): string => `at ${station} ${label}`.trim()
  /** The largest over the stations; those of which nothing is known yet may have a larger one. */
  const worst = (
    name: 'totalIndicated' | 'eccentricity' | 'secondHarmonic' | 'bow',
    of: (station: StationRunout) => Known | null,
    canHave: (station: StationRunout) => boolean = () => true,
  ): StationRunout | null => {
    const each = stations.filter(canHave).map((station) => ({ station, known: of(station) }))
    const read = each.flatMap(({ station, known }) => (known?.interval ? [{ station, interval: known.interval }] : []))
    if (read.length === 0) return null
    const { station } = holderOf(read, 'largest')
    give(
      values,
      name,
      over(
        each.map(({ known }) => known ?? NOT_READ),
        largestOf,
      ),
      { quantity: 'length', where: at(station) },
    )
    return station
  }
  const widest = worst('totalIndicated', ({ totalIndicated }) => totalIndicated)
  if (widest && values.totalIndicated) {
    const [high, low] = [holderOf(widest.taken, 'largest'), holderOf(widest.taken, 'smallest')]
    const sum = [
      term('largest', high.interval, 'length'),
      term('less smallest', { low: -low.interval.high, high: -low.interval.low }, 'length'),
    ]
    values.totalIndicated = { ...values.totalIndicated, sum }
  }
  const most = worst('eccentricity', ({ harmonics }) => harmonics && lengthOf(harmonics.first, guard))
  if (most) giveAngleOfWorst(values, stations, at(most), guard)
  worst('secondHarmonic', ({ harmonics }) => (harmonics?.second ? lengthOf(harmonics.second, guard) : null))
  worst(
    'bow',
    ({ bow }) => bow && lengthOf(bow, guard),
    ({ atMm }) => atMm !== null && input.method.stations.filter((station) => station.atMm !== null).length >= 3,
  )
  return noFaults(values)
}

const NOT_READ: Known = {
  interval: null,
  reach: { low: 0, high: Number.POSITIVE_INFINITY },
  guarded: { low: 0, high: Number.POSITIVE_INFINITY },
  errors: [],
}

/** Angle of the largest eccentricity: while another station may hold that, its angle is as possible. */
function giveAngleOfWorst(values: Values, stations: readonly StationRunout[], where: string, guard: number): void {
  const fitted = stations.flatMap(({ harmonics }) =>
    harmonics ? [{ length: lengthOf(harmonics.first, guard), angle: angleOf(harmonics.first, guard) }] : [],
  )
  const isOpen = fitted.length < stations.length
  const read = fitted.flatMap(({ length, angle }) =>
    length.interval && angle.interval ? [{ interval: length.interval, angle, length }] : [],
  )
  if (read.length === 0) return
  const holder = holderOf(read, 'largest')
  const others = read.filter((other) => other !== holder)
  const mayHold =
    (pick: 'reach' | 'guarded') =>
    (other: (typeof read)[number]): boolean =>
      other.length[pick].high >= holder.length[pick].low
  const anywhere = { reach: ANY_ANGLE, guarded: ANY_ANGLE }
  give(
    values,
    'eccentricityAngle',
    {
      ...holder.angle,
      ...(isOpen || others.some(mayHold('reach')) ? anywhere : {}),
      ...(others.some(mayHold('guarded')) ? { guarded: ANY_ANGLE } : {}),
    },
    { quantity: 'angle', where },
  )
}

/** Two shafts at a coupling by rim and face readings of a dial turned with one of them: offset, and angle between the axes. */
export function reduceAlignment(input: ReduceInput<'alignment'>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input)
  const values: Values = {}
  const of = (kind: string) => {
    const at = placesIn(
      method.positions,
      sheet.places.filter(({ direction }) => direction === kind),
      ({ station }) => station,
    )
    return { fit: harmonicsOf(at.places, at.known, guard), read: at.known.filter(({ interval }) => interval !== null).length }
  }
  const rim = of(ALIGNMENT.rim)
  if (rim.fit) {
    // The dial turns about one axis and reads the other's rim: its first harmonic is the offset itself.
    give(values, 'offset', lengthOf(rim.fit.first, guard), { quantity: 'length', where: `${rim.read} rim readings` })
    give(values, 'offsetAngle', angleOf(rim.fit.first, guard), { quantity: 'angle', where: 'clockwise from the top' })
  }
  const face = of(ALIGNMENT.face)
  if (face.fit && method.faceDiameterMm !== null) {
    const perMetre = 2000 / method.faceDiameterMm
    const { x, y } = face.fit.first
    const slope = { x: scaled(x, perMetre), y: scaled(y, perMetre) }
    const length = lengthOf(slope, guard)
    give(values, 'angularity', length, {
      quantity: 'slope',
      where: `${face.read} face readings`,
      sum: [
        term('face, first harmonic', taken(lengthOf(face.fit.first, guard)), 'length'),
        term('on the radius', point(method.faceDiameterMm / 2), 'length'),
      ],
    })
    give(values, 'angularityAngle', angleOf(face.fit.first, guard), { quantity: 'angle', where: 'clockwise from the top' })
  }
  return noFaults(values)
}

const scaled = (value: Known, factor: number): Known => linear([[factor, value]], 0)
