import { figureForm } from '../form'
import { absoluteOf, largestOf, over } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { sheetOf } from '../reduce/places'
import { pointValues } from '../reduce/points'
import { give, holderOf, type Outcome, type ReduceInput, taken, term } from '../reduce/taken'
import { pointsOf } from '../setUp/build'
import { placesField, repeatabilityField, repeatsField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { enoughPoints, pointsGive } from '../valuesGiven'
import { placeAt } from '../where'

const shape = ({ z, pointsLayout }: Shaping) => z.strictObject({ kind: z.literal('markShift'), ...pointsLayout })
export type MarkShift = Shaped<typeof shape>

/** Marks on nuts and parts: the one that lies farthest from where it was, to either side. */
function reduceMarks(input: ReduceInput<MarkShift>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input, method.repeatabilityLimit)
  const { values } = pointValues(sheet.places, sheet.taken, { quantity: 'angle', guard, spread: 'variation' })
  const distances = sheet.places.map(({ known }) => absoluteOf(known))
  const read = sheet.taken.map((place) => ({ place, interval: taken(absoluteOf(place.known)) }))
  if (read.length === 0) return { values, faults: sheet.faults }
  const { place } = holderOf(read, 'largest')
  give(values, 'largestAngle', over(distances, largestOf), {
    quantity: 'angle',
    where: placeAt(place),
    sum: [term(placeAt(place), place.interval, 'angle')],
  })
  return { values, faults: sheet.faults }
}

export const markShift: MethodKindOf<MarkShift> = {
  shape,
  wears: () => 'either',
  layout: ({ points, repeatsAtLeast }) => sheetOfPoints(points, repeatsAtLeast),
  form: () => figureForm('angle', true),
  gives: () => ({ ...pointsGive('angle'), variation: 'angle', largestAngle: 'angle' }),
  canGive: (method, name) => enoughPoints(name, method.points.length),
  reduce: reduceMarks,
  setUp: [placesField('points', '4'), repeatsField('1'), repeatabilityField('angle', '')],
  build: (a) => ({ kind: 'markShift', ...pointsOf(a) }),
  usualGauge: 'protractor',
  expects: () => null,
  slips: { byScale: true },
}
