import { figureForm } from '../form'
import type { MethodKindOf, Shaped } from '../methodKind'
import { reducePoints } from '../reduce/points'
import { pointsOf } from '../setUp/build'
import { field, pointFields } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { enoughPoints, pointsGive } from '../valuesGiven'

const shape = ({ z, pointsLayout }: Shaping) =>
  z.strictObject({ kind: z.literal('remainingThickness'), what: z.string().min(1).max(40), ...pointsLayout })
export type RemainingThickness = Shaped<typeof shape>

export const remainingThickness: MethodKindOf<RemainingThickness> = {
  shape,
  wears: () => 'smaller',
  layout: ({ points, repeatsAtLeast }) => sheetOfPoints(points, repeatsAtLeast),
  form: () => figureForm('length'),
  gives: () => ({ ...pointsGive('length'), variation: 'length', wear: 'length' }),
  canGive: (method, name) => enoughPoints(name, method.points.length),
  reduce: reducePoints('variation'),
  setUp: [field('what', { start: 'lining' }), ...pointFields('4')],
  build: (a) => ({ kind: 'remainingThickness', what: a.words('what'), ...pointsOf(a) }),
  usualGauge: 'caliper',
  slips: { oneWay: true },
}
