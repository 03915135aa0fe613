import { differenceOf } from '../../quantity/kind'
import { figureForm, readsBelowZero } from '../form'
import type { MethodKindOf, Shaped } from '../methodKind'
import { reducePoints } from '../reduce/points'
import { pointsOf } from '../setUp/build'
import { pointFields, quantityField, wearsField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { enoughPoints, pointsGive } from '../valuesGiven'

const shape = ({ z, wearsSchema, quantitySchema, pointsLayout }: Shaping) =>
  z.strictObject({ kind: z.literal('meter'), quantity: quantitySchema, wears: wearsSchema, ...pointsLayout })
export type Meter = Shaped<typeof shape>

export const meter: MethodKindOf<Meter> = {
  shape,
  wears: ({ wears }) => wears,
  layout: ({ points, repeatsAtLeast }) => sheetOfPoints(points, repeatsAtLeast),
  form: (method) => figureForm(method.quantity, readsBelowZero(method.quantity)),
  gives: ({ quantity }) => ({
    ...pointsGive(quantity),
    variation: differenceOf(quantity),
    wear: differenceOf(quantity),
  }),
  canGive: (method, name) => enoughPoints(name, method.points.length),
  reduce: reducePoints('variation'),
  setUp: [quantityField, wearsField('larger'), ...pointFields('1')],
  build: (a) => ({ kind: 'meter', quantity: a.choice('quantity'), wears: a.choice('wears'), ...pointsOf(a) }),
  usualGauge: 'thermometer',
  slips: {},
}
