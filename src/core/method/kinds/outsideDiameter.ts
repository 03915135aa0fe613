import { figureForm } from '../form'
import type { MethodKindOf, Shaped } from '../methodKind'
import { canGiveOfDiameters, diametersGive, reduceDiameter } from '../reduce/diameter'
import { diametersOf } from '../setUp/build'
import { diameterFields } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheet } from '../sheet'

const shape = ({ z, diameterLayout }: Shaping) => z.strictObject({ kind: z.literal('outsideDiameter'), ...diameterLayout })
export type OutsideDiameter = Shaped<typeof shape>

export const outsideDiameter: MethodKindOf<OutsideDiameter> = {
  shape,
  wears: () => 'smaller',
  layout: ({ stations, directions, walk }) => sheet({ stations, directions, walk }),
  form: () => figureForm('length'),
  gives: diametersGive,
  canGive: canGiveOfDiameters,
  reduce: (input) => reduceDiameter(input),
  setUp: diameterFields,
  build: (a) => ({ kind: 'outsideDiameter', ...diametersOf(a) }),
  usualGauge: 'outsideMicrometer',
  slips: { oneWay: true },
}
