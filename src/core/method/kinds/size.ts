import { figureForm } from '../form'
import type { MethodKindOf, Shaped } from '../methodKind'
import { reducePoints } from '../reduce/points'
import { pointsOf } from '../setUp/build'
import { choiceField, pointFields, wearsField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { enoughPoints, pointsGive } from '../valuesGiven'

const shape = ({ z, wearsSchema, pointsLayout }: Shaping) =>
  z.strictObject({
    kind: z.literal('size'),
    what: z.enum(['length', 'width', 'thickness', 'height', 'depth']),
    wears: wearsSchema,
    ...pointsLayout,
  })
export type Size = Shaped<typeof shape>

export const size: MethodKindOf<Size> = {
  shape,
  wears: ({ wears }) => wears,
  layout: ({ points, repeatsAtLeast }) => sheetOfPoints(points, repeatsAtLeast),
  form: () => figureForm('length'),
  gives: () => ({ ...pointsGive('length'), parallelism: 'length', wear: 'length' }),
  canGive: (method, name) => enoughPoints(name, method.points.length),
  reduce: reducePoints('parallelism'),
  setUp: [
    choiceField('what', 'thickness', ['length', 'width', 'thickness', 'height', 'depth']),
    wearsField('smaller'),
    ...pointFields(),
  ],
  build: (a) => ({ kind: 'size', what: a.choice('what'), wears: a.choice('wears'), ...pointsOf(a) }),
  usualGauge: 'caliper',
  slips: { oneWay: true },
}
