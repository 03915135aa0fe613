import { asIssue } from '../../base/schemaFault'
import { combineErrors, type Errors } from '../../gauge/errors'
import { boundedError } from '../../gauge/uncertainty'
import type { Interval } from '../../quantity/interval'
import { figureForm } from '../form'
import { absoluteOf, differenceOf, type Known, largestOf, over, settled, spreadOf, times, UNKNOWN, unsettled } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { stripClearance } from '../plasticStrip'
import { type SheetPlace, sheetOf } from '../reduce/places'
import { giveExtremes } from '../reduce/points'
import {
  give,
  giveWear,
  holderOf,
  less,
  type Outcome,
  type ReduceInput,
  type TakenReading,
  taken,
  term,
  type Values,
} from '../reduce/taken'
import type { MethodFault } from '../reduction'
import { type Answers, LETTERS, unusable } from '../setUp/answers'
import { field, figureField, placesField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheet } from '../sheet'
import { placeAt, placeOf } from '../where'

const shape = ({ z, placesSchema, placeSchema, positiveMm, figure }: Shaping) =>
  z.strictObject({
    kind: z.literal('plasticStrip'),
    stations: placesSchema,
    /** Direction the clearance lies in, as the bore and journal name it: the strip lies at the crown. */
    direction: placeSchema,
    /** Widths also read at the strip's ends, besides the crown. */
    sides: z.tuple([placeSchema, placeSchema]).optional(),
    /** Between the outer stations, mm: gives the tilt along. */
    apartMm: positiveMm.optional(),
    scale: z
      .array(z.strictObject({ widthMm: positiveMm, clearanceMm: positiveMm }))
      .min(2)
      .refine((scale) => new Set(scale.map((point) => point.widthMm)).size === scale.length, asIssue('scaleSameWidth'))
      .refine((scale) => {
        const byWidth = [...scale].sort((a, b) => a.widthMm - b.widthMm)
        return byWidth.every((point, index) => index === 0 || point.clearanceMm < (byWidth[index - 1]?.clearanceMm ?? 0))
      }, asIssue('scaleNotFalling')),
    scaleUncertaintyMm: figure(z.number().min(0).max(1), 'length'),
  })
export type PlasticStrip = Shaped<typeof shape>

export interface StripClearance {
  readonly interval: Interval
  readonly errors: Errors
  /** Part of its width lies outside the strip's scale, where nothing is read. */
  readonly outside: boolean
}

/** Clearance under one strip with its errors; the printed scale is the same for every strip of its kind. */
export function stripClearanceOf(method: PlasticStrip, reading: Pick<TakenReading, 'interval' | 'errors'>): StripClearance {
  // A wider strip is a smaller clearance: the ends change places.
  const low = stripClearance(reading.interval.high, method.scale)
  const high = stripClearance(reading.interval.low, method.scale)
  const slope = Math.max(Math.abs(low?.slope ?? 0), Math.abs(high?.slope ?? 0))
  return {
    interval: {
      low: low?.clearanceMm ?? Number.NEGATIVE_INFINITY,
      high: high?.clearanceMm ?? Number.POSITIVE_INFINITY,
    },
    errors: [
      ...combineErrors([[-slope, reading.errors]]),
      ...(method.scaleUncertaintyMm === 0 ? [] : [boundedError('stripScale', 'scale', method.scaleUncertaintyMm)]),
    ],
    outside: low === null || high === null,
  }
}

interface Strip {
  readonly place: SheetPlace
  readonly known: Known
  readonly outside: boolean
}

function stripAt(method: PlasticStrip, place: SheetPlace, guard: number): Strip {
  const width = place.known.interval
  if (width === null) return { place, known: UNKNOWN, outside: false }
  const { interval, errors, outside } = stripClearanceOf(method, { interval: width, errors: place.known.errors })
  const known = settled(interval, errors, guard)
  const isSettled = !outside && place.readings.every(({ doubt }) => doubt === null)
  return { place, known: isSettled ? known : unsettled(known), outside }
}

/** Clearances under strips: extremes and mean at the crown, taper and tilt along, difference of the strip's two ends. */
function reduceStrip(input: ReduceInput<PlasticStrip>): Outcome {
  const { method, guard, nominal } = input
  const sheet = sheetOf(input)
  const strips = sheet.places.map((place) => stripAt(method, place, guard))
  const outside = strips.filter((strip) => strip.outside).map(({ place }) => placeOf(place))
  const faults: MethodFault[] = outside.length > 0 ? [{ code: 'outsideStripScale', places: outside }] : []
  const crown = strips.filter(({ place }) => place.direction === method.direction.id)
  const read = crown.flatMap(({ place, known, outside: off }) =>
    known.interval && !off ? [{ place, known, interval: known.interval }] : [],
  )
  if (read.length === 0) return { values: {}, faults }

  const quantity = 'length'
  // What lies outside its scale has no figure, and leaves open what it may do.
  const all = crown.map(({ known, outside: off }) => (off ? UNKNOWN : known))
  const sumOf = ({ place, interval }: (typeof read)[number]) => [
    term({ ...placeOf(place), code: 'stripWidth' }, taken(place.known), quantity),
    term('byScale', interval, quantity),
  ]
  const [widest, narrowest] = [holderOf(read, 'largest'), holderOf(read, 'smallest')]
  const values: Values = {}
  const { largest, smallest } = giveExtremes(values, all, guard, {
    quantity,
    largest: { where: placeAt(widest.place), sum: sumOf(widest) },
    smallest: { where: placeAt(narrowest.place), sum: sumOf(narrowest) },
    mean: {
      where: { code: 'counted', of: 'strips', count: read.length },
      sum: read.map(({ place, interval }) => term(placeAt(place), interval, quantity)),
    },
  })
  giveWear(values, input.wears, { largest, smallest }, nominal, guard)
  give(
    values,
    'stripTaper',
    over(all, (of) => spreadOf(of, guard)),
    {
      quantity,
      where: { code: 'against', one: placeOf(widest.place), other: placeOf(narrowest.place) },
      sum: [term('largest', widest.interval, quantity), less('smallest', narrowest.interval, quantity)],
    },
  )
  giveTilt(values, method, crown, guard)
  giveSideDifference(values, method, strips, guard)
  return { values, faults }
}

const PER_METRE = 1000

function giveTilt(values: Values, method: PlasticStrip, crown: readonly Strip[], guard: number): void {
  const at = (station: string | undefined) => crown.find(({ place }) => place.station === station)
  const first = at(method.stations[0]?.id)
  const last = at(method.stations.at(-1)?.id)
  if (!first || !last || first === last || method.apartMm === undefined || first.outside || last.outside) return
  const difference = differenceOf(first.known, last.known, guard)
  if (!difference.interval) return
  const [one, other] = [taken(first.known), taken(last.known)]
  give(values, 'tilt', times(difference, PER_METRE / method.apartMm), {
    quantity: 'slope',
    where: { ...placeOf(first.place), code: 'widerIsPositive' },
    sum: [
      term(placeAt(first.place), one, 'length'),
      less(placeAt(last.place), other, 'length'),
      term('apart', { low: method.apartMm, high: method.apartMm }, 'length'),
    ],
  })
}

/** The larger difference of clearance between the two ends of a strip: a cap or a shell that lies askew. */
function giveSideDifference(values: Values, method: PlasticStrip, strips: readonly Strip[], guard: number): void {
  const [one, two] = method.sides ?? []
  if (!one || !two) return
  const pairs = method.stations.flatMap(({ id: station }) => {
    const side = (id: string) => strips.find(({ place }) => place.station === station && place.direction === id)
    const [a, b] = [side(one.id), side(two.id)]
    if (!a || !b) return []
    const known = a.outside || b.outside ? UNKNOWN : absoluteOf(differenceOf(a.known, b.known, guard))
    return [{ station, a, b, known }]
  })
  const read = pairs.flatMap((pair) => (pair.known.interval ? [{ ...pair, interval: pair.known.interval }] : []))
  if (read.length === 0) return
  const { station, a, b } = holderOf(read, 'largest')
  const [more, fewer] = taken(a.known).high >= taken(b.known).high ? [a, b] : [b, a]
  give(
    values,
    'sideDifference',
    over(
      pairs.map(({ known }) => known),
      largestOf,
    ),
    {
      quantity: 'length',
      where: { code: 'station', station },
      sum: [term(placeAt(more.place), taken(more.known), 'length'), less(placeAt(fewer.place), taken(fewer.known), 'length')],
    },
  )
}

function stripScale(a: Answers) {
  const scale = a
    .pairs('scale')
    .map(([width, clearance]) => ({
      widthMm: a.parse('scale', width, 'length'),
      clearanceMm: a.parse('scale', clearance, 'length'),
    }))
    .sort((one, other) => one.widthMm - other.widthMm)
  const falls = scale.every((point, index) => {
    const before = scale[index - 1]
    return !before || (point.widthMm > before.widthMm && point.clearanceMm < before.clearanceMm)
  })
  if (scale.length < 2 || !falls) throw unusable('scale', { code: 'scale' })
  return scale
}

export const plasticStrip: MethodKindOf<PlasticStrip> = {
  shape,
  wears: () => 'larger',
  layout: ({ stations, direction, sides }) => sheet({ stations, directions: [direction, ...(sides ?? [])] }),
  hidesDirections: ({ sides }) => sides === undefined,
  form: () => figureForm('length'),
  gives: () => ({
    maximum: 'length',
    minimum: 'length',
    mean: 'length',
    wear: 'length',
    stripTaper: 'length',
    tilt: 'slope',
    sideDifference: 'length',
  }),
  canGive: ({ stations, apartMm, sides }, name) => {
    if (name === 'stripTaper') return stations.length >= 2
    if (name === 'tilt') return stations.length >= 2 && apartMm !== undefined
    return name !== 'sideDifference' || sides !== undefined
  },
  reduce: reduceStrip,
  setUp: [
    placesField('stations', '2'),
    field('direction', { start: 'vertical' }),
    field('scale', {
      start: null,
    }),
    figureField('scaleUncertainty', '0'),
  ],
  build: (a) => ({
    kind: 'plasticStrip',
    stations: a.places('stations', LETTERS),
    direction: { id: '1', label: a.words('direction') },
    scale: stripScale(a),
    scaleUncertaintyMm: a.figureOrNull('scaleUncertainty') ?? 0,
  }),
  usualGauge: 'stripScale',
  readOtherwise: true,
  slips: { byScale: true },
}
