import { figureForm } from '../form'
import type { MethodKindOf, Shaped } from '../methodKind'
import { reducePoints } from '../reduce/points'
import { pointsOf } from '../setUp/build'
import { choiceField, pointFields } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { enoughPoints, pointsGive } from '../valuesGiven'

const shape = ({ z, pointsLayout }: Shaping) =>
  z.strictObject({ kind: z.literal('backlash'), what: z.enum(['backlash', 'toothThickness', 'span']), ...pointsLayout })
export type Backlash = Shaped<typeof shape>

export const backlash: MethodKindOf<Backlash> = {
  shape,
  wears: ({ what }) => (what === 'backlash' ? 'larger' : 'smaller'),
  layout: ({ points, repeatsAtLeast }) => sheetOfPoints(points, repeatsAtLeast),
  form: () => figureForm('length'),
  gives: () => ({ ...pointsGive('length'), variation: 'length', wear: 'length' }),
  canGive: (method, name) => enoughPoints(name, method.points.length),
  reduce: reducePoints('variation'),
  setUp: [choiceField('what', 'backlash', ['backlash', 'toothThickness', 'span']), ...pointFields('4')],
  build: (a) => ({ kind: 'backlash', what: a.choice('what'), ...pointsOf(a) }),
  usualGauge: 'dial',
  slips: {},
}
