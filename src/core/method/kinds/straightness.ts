import { figureForm } from '../form'
import { absoluteOf, type Known, largestOf, over } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { type Sheet, sheetOf } from '../reduce/places'
import { pointValues } from '../reduce/points'
import { give, holderOf, less, type Outcome, type ReduceInput, taken, term, type Values, wornFrom } from '../reduce/taken'
import { pointsOf } from '../setUp/build'
import { pointFields } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { enoughPoints, pointsGive } from '../valuesGiven'
import { placeAt } from '../where'

const shape = ({ z, pointsLayout }: Shaping) => z.strictObject({ kind: z.literal('straightness'), ...pointsLayout })
export type Straightness = Shaped<typeof shape>

/** A line read at points: extremes, mean, spread, and how far off new the worst point lies. */
function reduceStraightness(input: ReduceInput<Straightness>): Outcome {
  const { method, nominal, guard } = input
  const sheet = sheetOf(input, method.repeatabilityLimit)
  const { values } = pointValues(sheet.places, sheet.taken, { quantity: 'length', guard, spread: 'totalIndicated' })
  giveFarthest(values, sheet, nominal, guard)
  return { values, faults: sheet.faults }
}

/** A line is left to either side: what lies below it is as far off as what stands above. */
function giveFarthest(values: Values, { places, taken: read }: Sheet, nominal: Known | null, guard: number): void {
  if (nominal === null || read.length === 0) return
  const off = read.map((place) => ({ place, interval: taken(absoluteOf(place.known)) }))
  const { place, interval } = holderOf(off, 'largest')
  const farthest = over(
    places.map(({ known }) => absoluteOf(known)),
    largestOf,
  )
  give(values, 'wear', farthest && wornFrom(farthest, nominal, 'larger', guard), {
    quantity: 'length',
    where: placeAt(place),
    sum: [term('farthest', interval, 'length'), less('new', taken(nominal), 'length')],
  })
}

export const straightness: MethodKindOf<Straightness> = {
  shape,
  wears: () => 'larger',
  layout: ({ points, repeatsAtLeast }) => sheetOfPoints(points, repeatsAtLeast),
  form: () => figureForm('length', true),
  gives: () => ({ ...pointsGive('length'), totalIndicated: 'length', wear: 'length' }),
  canGive: (method, name) => enoughPoints(name, method.points.length),
  reduce: reduceStraightness,
  setUp: pointFields('4'),
  build: (a) => ({ kind: 'straightness', ...pointsOf(a) }),
  usualGauge: 'dial',
  expects: () => null,
  slips: { byScale: true },
}
