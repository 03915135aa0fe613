import { figureForm } from '../form'
import type { MethodKindOf, Shaped } from '../methodKind'
import { reducePoints } from '../reduce/points'
import { pointsOf } from '../setUp/build'
import { pointFields } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { enoughPoints, pointsGive } from '../valuesGiven'

const shape = ({ z, pointsLayout }: Shaping) => z.strictObject({ kind: z.literal('setDimension'), ...pointsLayout })
export type SetDimension = Shaped<typeof shape>

export const setDimension: MethodKindOf<SetDimension> = {
  shape,
  wears: () => 'either',
  layout: ({ points, repeatsAtLeast }) => sheetOfPoints(points, repeatsAtLeast),
  form: () => figureForm('length', true),
  gives: () => ({ ...pointsGive('length'), variation: 'length' }),
  canGive: (method, name) => enoughPoints(name, method.points.length),
  reduce: reducePoints('variation'),
  setUp: pointFields('1'),
  build: (a) => ({ kind: 'setDimension', ...pointsOf(a) }),
  usualGauge: 'rule',
  slips: {},
}
