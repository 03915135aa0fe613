import { figureForm } from '../form'
import { type HarmonicFit, harmonicWeights } from '../harmonics'
import { type Known, largestOf, linear, over, spreadOf } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { placesIn } from '../reduce/around'
import { ANY_ANGLE, type Around, angleOf, fitAround, harmonicsOf, type KnownVector, lengthOf } from '../reduce/clockVector'
import { sheetOf, type TakenPlace } from '../reduce/places'
import {
  give,
  holderOf,
  less,
  noFaults,
  type Outcome,
  type ReduceInput,
  type SheetInput,
  term,
  type Values,
} from '../reduce/taken'
import { LETTERS, unusable } from '../setUp/answers'
import { anglesField, field, placesField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheet } from '../sheet'
import type { Where } from '../where'

const shape = ({ z, placesOf, placeSchema, clockSchema, figure }: Shaping) =>
  z.strictObject({
    kind: z.literal('runout'),
    /** Along the shaft, with the distance of each from the first where the bow is wanted. */
    stations: placesOf(placeSchema.extend({ atMm: figure(z.number().min(0).max(1_000_000), 'length').nullable() })),
    angles: clockSchema,
  })
export type Runout = Shaped<typeof shape>

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

export function runoutStations(input: SheetInput & { readonly method: Runout }): readonly StationRunout[] {
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
function reduceRunout(input: ReduceInput<Runout>): Outcome {
  const { guard } = input
  const stations = runoutStations(input)
  const values: Values = {}
  const at = ({ station }: StationRunout): Where => ({ code: 'station', station })
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
    const sum = [term('largest', high.interval, 'length'), less('smallest', low.interval, 'length')]
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
function giveAngleOfWorst(values: Values, stations: readonly StationRunout[], where: Where, guard: number): void {
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

export const runout: MethodKindOf<Runout> = {
  shape,
  wears: () => 'larger',
  layout: ({ stations, angles }) => sheet({ stations, directions: angles }),
  form: () => figureForm('length', true),
  gives: () => ({
    totalIndicated: 'length',
    eccentricity: 'length',
    eccentricityAngle: 'angle',
    secondHarmonic: 'length',
    bow: 'length',
  }),
  canGive: ({ stations, angles }, name) => {
    const weights = harmonicWeights(angles.map(({ angleDeg }) => angleDeg))
    if (name === 'totalIndicated') return angles.length >= 2
    if (name === 'secondHarmonic') return weights?.second != null
    if (name === 'bow') return weights !== null && new Set(stations.flatMap(({ atMm }) => atMm ?? [])).size >= 3
    return weights !== null
  },
  reduce: reduceRunout,
  setUp: [placesField('stations', '1'), field('distances', { start: '' }), anglesField('angles', '8')],
  build: (a) => {
    const stations = a.places('stations', LETTERS)
    const distances = a.list('distances')
    if (distances.length > 0 && distances.length !== stations.length)
      throw unusable('distances', { code: 'distances', stations: stations.length })
    return {
      kind: 'runout',
      stations: stations.map((station, index) => {
        const text = distances[index]
        return { ...station, atMm: text === undefined ? null : a.parse('distances', text, 'length') }
      }),
      angles: a.clock('angles'),
    }
  },
  usualGauge: 'dial',
  expects: () => null,
  slips: { byScale: true },
}
