import { figureForm } from '../form'
import type { MethodKindOf, Shaped } from '../methodKind'
import { reducePoints } from '../reduce/points'
import { pointsOf } from '../setUp/build'
import { pointFields } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { enoughPoints, pointsGive } from '../valuesGiven'

const shape = ({ z, pointsLayout }: Shaping) => z.strictObject({ kind: z.literal('grooveWidth'), ...pointsLayout })
export type GrooveWidth = Shaped<typeof shape>

export const grooveWidth: MethodKindOf<GrooveWidth> = {
  shape,
  wears: () => 'larger',
  layout: ({ points, repeatsAtLeast }) => sheetOfPoints(points, repeatsAtLeast),
  form: () => figureForm('length'),
  gives: () => ({ ...pointsGive('length'), variation: 'length', wear: 'length' }),
  canGive: (method, name) => enoughPoints(name, method.points.length),
  reduce: reducePoints('variation'),
  setUp: pointFields(),
  build: (a) => ({ kind: 'grooveWidth', ...pointsOf(a) }),
  usualGauge: 'caliper',
  slips: { oneWay: true },
}
