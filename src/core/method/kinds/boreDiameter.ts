import type { MethodKindOf, Shaped } from '../methodKind'
import { canGiveOfDiameters, diametersGive, reduceDiameter } from '../reduce/diameter'
import { diametersOf } from '../setUp/build'
import { diameterFields, figureField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheet } from '../sheet'

const shape = ({ z, positiveMm, diameterLayout, figure }: Shaping) =>
  z.strictObject({
    kind: z.literal('boreDiameter'),
    masterMm: positiveMm.nullable(),
    /** The master may be off by so much, ±; common to all that is read on it. */
    masterWithinMm: figure(z.number().min(0).max(1), 'length').optional(),
    /** Station that nothing wears: wear is counted from it where it is read. */
    unworn: z.string().min(1).max(8).optional(),
    ...diameterLayout,
  })
export type BoreDiameter = Shaped<typeof shape>

export const boreDiameter: MethodKindOf<BoreDiameter> = {
  shape,
  faults: ({ unworn, stations }) =>
    unworn === undefined || stations.some(({ id }) => id === unworn) ? [] : [{ code: 'noUnwornStation', station: unworn }],
  wears: () => 'larger',
  layout: ({ stations, directions, walk }) => sheet({ stations, directions, walk }),
  form: ({ masterMm }) => ({ kind: 'quantity', quantity: 'length', signed: false, masterMm, pair: false }),
  gives: diametersGive,
  canGive: canGiveOfDiameters,
  reduce: (input) => reduceDiameter(input, input.method.unworn),
  setUp: [...diameterFields, figureField('master', '')],
  build: (a) => ({ kind: 'boreDiameter', ...diametersOf(a), masterMm: a.figureOrNull('master') }),
  usualGauge: 'boreGauge',
  slips: { oneWay: true },
}
