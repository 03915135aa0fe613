import { point } from '../../quantity/interval'
import { figureForm } from '../form'
import { times } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { sheetOf, type TakenPlace } from '../reduce/places'
import { pointValues } from '../reduce/points'
import { give, holderOf, noFaults, type Outcome, type ReduceInput, term } from '../reduce/taken'
import { choiceField, figureField, placesField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { enoughPoints, pointsGive } from '../valuesGiven'
import { placeAt } from '../where'

const shape = ({ z, placesSchema, positive, figure }: Shaping) =>
  z.strictObject({
    kind: z.literal('torque'),
    fasteners: placesSchema,
    arranged: z.enum(['circle', 'rows']),
    taken: z.enum(['loosening', 'tighteningFurther', 'final']),
    targetNm: figure(positive, 'torque'),
  })
export type Torque = Shaped<typeof shape>

/** Fasteners against their target: lowest and highest as percent of it, extremes, spread. */
function reduceTorque(input: ReduceInput<Torque>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input)
  const { values, largest, smallest } = pointValues(sheet.places, sheet.taken, { quantity: 'torque', guard, spread: 'variation' })
  if (!largest || !smallest) return noFaults(values)
  const percent = 100 / method.targetNm
  const sum = (place: TakenPlace) => [
    term(placeAt(place), place.interval, 'torque'),
    term('target', point(method.targetNm), 'torque'),
  ]
  const [low, high] = [holderOf(sheet.taken, 'smallest'), holderOf(sheet.taken, 'largest')]
  give(values, 'lowestOfTarget', times(smallest, percent), { quantity: 'percent', where: placeAt(low), sum: sum(low) })
  give(values, 'highestOfTarget', times(largest, percent), { quantity: 'percent', where: placeAt(high), sum: sum(high) })
  return noFaults(values)
}

export const torque: MethodKindOf<Torque> = {
  shape,
  wears: () => 'either',
  layout: ({ fasteners }) => sheetOfPoints(fasteners),
  form: () => figureForm('torque'),
  gives: () => ({ ...pointsGive('torque'), variation: 'torque', lowestOfTarget: 'percent', highestOfTarget: 'percent' }),
  canGive: ({ fasteners }, name) => enoughPoints(name, fasteners.length),
  reduce: reduceTorque,
  setUp: [
    placesField('fasteners', '8'),
    choiceField('arranged', 'circle', ['circle', 'rows']),
    choiceField('taken', 'final', ['final', 'loosening', 'tighteningFurther']),
    figureField('target', null, { quantity: 'torque' }),
  ],
  build: (a) => ({
    kind: 'torque',
    fasteners: a.places('fasteners'),
    arranged: a.choice('arranged'),
    taken: a.choice('taken'),
    targetNm: a.positive('target'),
  }),
  usualGauge: 'torqueWrench',
  expects: ({ targetNm }) => targetNm,
  slips: {},
}
