import { figureForm } from '../form'
import { harmonicWeights } from '../harmonics'
import { absoluteOf, differenceOf, largestOf, over } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { giveEccentricity, placesIn } from '../reduce/around'
import { harmonicsOf } from '../reduce/clockVector'
import { type SheetPlace, sheetOf } from '../reduce/places'
import { pointValues } from '../reduce/points'
import {
  give,
  giveWear,
  holderOf,
  less,
  noFaults,
  type Outcome,
  type ReduceInput,
  taken,
  term,
  type Values,
} from '../reduce/taken'
import { anglesField, wearsField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import type { ClockPlace } from '../slot'
import { enoughPoints, pointsGive } from '../valuesGiven'

const shape = ({ z, clockSchema, wearsSchema }: Shaping) =>
  z.strictObject({ kind: z.literal('gapAtPositions'), positions: clockSchema, wears: wearsSchema })
export type GapAtPositions = Shaped<typeof shape>

/** Gaps at clock positions: extremes, mean, difference of opposite ones, and where the gap is widest (first harmonic). */
function reduceGapAtPositions(input: ReduceInput<GapAtPositions>): Outcome {
  const { method, guard, nominal, wears } = input
  const sheet = sheetOf(input)
  const { values, ...extremes } = pointValues(sheet.places, sheet.taken, { quantity: 'length', guard, spread: 'variation' })
  giveWear(values, wears, extremes, nominal, guard)
  giveOpposite(values, method.positions, sheet.places, guard)
  const at = placesIn(method.positions, sheet.places, ({ station }) => station)
  const fit = harmonicsOf(at.places, at.known, guard)
  if (fit) giveEccentricity(values, fit.first, { code: 'counted', of: 'around', count: sheet.taken.length }, guard)
  return noFaults(values)
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
  const [high, low, more, fewer] = a.high >= b.high ? [one, two, a, b] : [two, one, b, a]
  give(
    values,
    'oppositeDifference',
    over(
      pairs.map(({ difference }) => difference),
      largestOf,
    ),
    {
      quantity: 'length',
      where: { code: 'opposite', along: 'station', one: one.station, other: two.station },
      sum: [
        term({ code: 'station', station: high.station }, more, 'length'),
        less({ code: 'station', station: low.station }, fewer, 'length'),
      ],
    },
  )
}

export const gapAtPositions: MethodKindOf<GapAtPositions> = {
  shape,
  wears: ({ wears }) => wears,
  layout: ({ positions }) => sheetOfPoints(positions),
  form: () => figureForm('length'),
  gives: () => ({
    ...pointsGive('length'),
    variation: 'length',
    wear: 'length',
    oppositeDifference: 'length',
    eccentricity: 'length',
    eccentricityAngle: 'angle',
  }),
  canGive: ({ positions }, name) => {
    const angles = positions.map(({ angleDeg }) => angleDeg)
    if (name === 'eccentricity' || name === 'eccentricityAngle') return harmonicWeights(angles) !== null
    if (name === 'oppositeDifference') return angles.some((a) => angles.some((b) => Math.abs(b - a - 180) < SAME_PLACE_DEG))
    return enoughPoints(name, angles.length)
  },
  reduce: reduceGapAtPositions,
  setUp: [anglesField('positions', '4'), wearsField('larger')],
  build: (a) => ({ kind: 'gapAtPositions', positions: a.clock('positions'), wears: a.choice('wears') }),
  usualGauge: 'feeler',
  slips: {},
}
