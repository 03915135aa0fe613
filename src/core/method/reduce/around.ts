import { combineErrors, type Errors, standardUncertainty } from '../../gauge/errors'
import { type Interval, point } from '../../quantity/interval'
import { type HarmonicFit, type HarmonicWeights, harmonicFit, harmonicWeights } from '../harmonics'
import { absoluteOf, differenceOf, type Known, largestOf, linear, over, spreadOf, UNKNOWN } from '../known'
import { ALIGNMENT } from '../layout'
import type { ClockPlace } from '../method'
import { type SheetPlace, sheetOf, type TakenPlace } from './places'
import { pointValues } from './points'
import { give, giveWear, holderOf, noFaults, type Outcome, type ReduceInput, taken, term, type Values } from './taken'

/** A vector of which each part is known to some ends: x along the angle 0, y along the angle of a quarter turn. */
interface KnownVector {
  readonly x: Known
  readonly y: Known
}

/** Readings around a circle: the first and second harmonic, as far as they are read. */
interface Around {
  readonly first: KnownVector
  readonly second: KnownVector | null
}

/** Harmonics of the places in their order; null while too few are read to tell them apart. */
function harmonicsOf(places: readonly ClockPlace[], known: readonly Known[], guard: number): Around | null {
  const read = known.flatMap((value, index) => (value.interval === null ? [] : [index]))
  const fittedTo = (indices: readonly number[]): Around | null => {
    const weights = harmonicWeights(indices.map((index) => places[index]?.angleDeg ?? 0))
    return (
      weights && {
        first: vector(weights.first, indices, known, guard),
        second: weights.second && vector(weights.second, indices, known, guard),
      }
    )
  }
  const now = fittedTo(read)
  if (now === null || read.length === known.length) return now
  // What is still to be read turns and stretches the whole curve.
  const open = ({ x, y }: KnownVector): KnownVector => ({
    x: { ...UNKNOWN, interval: x.interval, errors: x.errors },
    y: { ...UNKNOWN, interval: y.interval, errors: y.errors },
  })
  return { first: open(now.first), second: now.second && open(now.second) }
}

function vector(
  weights: HarmonicWeights['first'],
  indices: readonly number[],
  known: readonly Known[],
  guard: number,
): KnownVector {
  const of = (part: readonly number[]): Known =>
    linear(
      part.map((weight, at) => [weight, known[indices[at] ?? -1] ?? UNKNOWN] as const),
      guard,
    )
  return { x: of(weights.cos), y: of(weights.sin) }
}

/** Where a curve of dial readings is highest; for drawings. Null while one of them is a bound or a range, or too few are read. */
export function fitAround<T extends { readonly interval: Interval }>(
  places: readonly ClockPlace[],
  read: readonly T[],
  of: (item: T) => string,
): HarmonicFit | null {
  if (read.some(({ interval: { low, high } }) => low !== high)) return null
  return harmonicFit(
    read.flatMap((own) => {
      const place = places.find(({ id }) => id === of(own))
      return place ? [{ angleDeg: place.angleDeg, value: own.interval.low }] : []
    }),
  )
}

/** Least and greatest length of a vector in a box. */
function lengthIn(x: Interval, y: Interval): Interval {
  const nearest = ({ low, high }: Interval): number => (low > 0 ? low : high < 0 ? high : 0)
  const farthest = ({ low, high }: Interval): number => Math.max(Math.abs(low), Math.abs(high))
  return { low: Math.hypot(nearest(x), nearest(y)), high: Math.hypot(farthest(x), farthest(y)) }
}

/** Largest standard uncertainty of a vector in any direction: the root of the larger eigenvalue of its covariance. */
function worstDirection({ x, y }: KnownVector): number {
  const [ux, uy] = [standardUncertainty(x.errors), standardUncertainty(y.errors)]
  const both = standardUncertainty(
    combineErrors([
      [Math.SQRT1_2, x.errors],
      [Math.SQRT1_2, y.errors],
    ]),
  )
  const covariance = both * both - (ux * ux + uy * uy) / 2
  const half = (ux * ux + uy * uy) / 2
  return Math.sqrt(half + Math.hypot((ux * ux - uy * uy) / 2, covariance))
}

/**
 * Standard uncertainty of the length of a vector: along it, and what the one across it adds. Near nothing the first
 * order says nothing of that: the second order is added (GUM 5.1.2, note), at most the whole of it.
 */
const lengthUncertainty = (across: number, length: number): number =>
  Math.sqrt(across ** 2 + (length > across ? across ** 4 / (2 * length ** 2) : across ** 2))

/** Errors so large together; for a value that no sum of others gives. */
const scaledTo = (errors: Errors, uncertainty: number): Errors => {
  const own = standardUncertainty(errors)
  return own === 0 ? [] : combineErrors([[uncertainty / own, errors]])
}

/** Length of a vector: of an eccentricity, an offset, a bow. */
function lengthOf(of: KnownVector, guard: number): Known {
  const { x, y } = of
  const worst = worstDirection(of)
  const interval = x.interval && y.interval && lengthIn(x.interval, y.interval)
  const reach = lengthIn(x.reach, y.reach)
  const band = guard * lengthUncertainty(worst, reach.low)
  const shown = lengthUncertainty(worst, interval?.low ?? 0)
  const larger = standardUncertainty(x.errors) >= standardUncertainty(y.errors) ? x : y
  return {
    interval,
    reach,
    guarded: { low: Math.max(0, reach.low - band), high: reach.high + band },
    errors: scaledTo(larger.errors, shown),
  }
}

const DEG = 180 / Math.PI
const TURN_DEG = 360
const ANY_ANGLE: Interval = { low: 0, high: TURN_DEG }
/** Standard deviation of an angle of which nothing is known. */
const ANY_ANGLE_UNCERTAINTY = TURN_DEG / Math.sqrt(12)

const angleAt = (x: number, y: number): number => {
  const degrees = (Math.atan2(y, x) * DEG + TURN_DEG) % TURN_DEG
  return degrees === TURN_DEG ? 0 : degrees
}

/** Angles that a vector in a box may have; all of them where it may be nothing or where they pass through the top. */
function anglesIn(x: Interval, y: Interval): Interval {
  if (x.low <= 0 && x.high >= 0 && y.low <= 0 && y.high >= 0) return ANY_ANGLE
  if (![x.low, x.high, y.low, y.high].every(Number.isFinite)) return ANY_ANGLE
  const middle = angleAt((x.low + x.high) / 2, (y.low + y.high) / 2)
  const off = [x.low, x.high].flatMap((cx) =>
    [y.low, y.high].map((cy) => {
      const by = angleAt(cx, cy) - middle
      return by > TURN_DEG / 2 ? by - TURN_DEG : by < -TURN_DEG / 2 ? by + TURN_DEG : by
    }),
  )
  return onTheDial({ low: middle + Math.min(...off), high: middle + Math.max(...off) })
}

const onTheDial = (angles: Interval): Interval => (angles.low < 0 || angles.high >= TURN_DEG ? ANY_ANGLE : angles)

/** Direction of a vector, degrees; as uncertain as its length is small. */
function angleOf(of: KnownVector, guard: number): Known {
  const { x, y } = of
  const worst = worstDirection(of)
  const interval = x.interval && y.interval && anglesIn(x.interval, y.interval)
  const reach = anglesIn(x.reach, y.reach)
  const uncertainty = (length: number): number =>
    length === 0 ? ANY_ANGLE_UNCERTAINTY : Math.min(ANY_ANGLE_UNCERTAINTY, (worst / length) * DEG)
  const band = guard * uncertainty(lengthIn(x.reach, y.reach).low)
  const shown = x.interval && y.interval ? uncertainty(lengthIn(x.interval, y.interval).low) : 0
  const larger = standardUncertainty(x.errors) >= standardUncertainty(y.errors) ? x : y
  return {
    interval,
    reach,
    guarded: reach === ANY_ANGLE ? ANY_ANGLE : onTheDial({ low: reach.low - band, high: reach.high + band }),
    errors: scaledTo(larger.errors, shown),
  }
}

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
