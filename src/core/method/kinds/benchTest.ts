import { exceeds } from '../../quantity/decimal'
import type { Interval } from '../../quantity/interval'
import { differenceOf as kindOfDifference, type QuantityKind } from '../../quantity/kind'
import { figureForm, readsBelowZero } from '../form'
import type { MethodKindOf, Shaped } from '../methodKind'
import { counted } from '../reduce/counted'
import { sheetOf } from '../reduce/places'
import { pointValues } from '../reduce/points'
import { give, noFaults, type Outcome, type ReduceInput } from '../reduce/taken'
import { type Answers, NUMERALS, unusable } from '../setUp/answers'
import { field, quantityField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { enoughPoints, pointsGive } from '../valuesGiven'

const shape = ({ z, quantitySchema, placesOf, placeSchema, anyValue, figure }: Shaping) =>
  z.strictObject({
    kind: z.literal('benchTest'),
    quantity: quantitySchema,
    points: placesOf(
      placeSchema.extend({ least: figure(anyValue, 'read').nullable(), greatest: figure(anyValue, 'read').nullable() }),
    ),
  })
export type BenchTest = Shaped<typeof shape>

/** Points of a test rig, each against its own band, with its own doubt. */
function reduceBenchTest(input: ReduceInput<BenchTest>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input)
  const { values } = pointValues(sheet.places, sheet.taken, { quantity: method.quantity, guard, spread: 'variation' })
  const judged = sheet.places.map(({ station, direction, known }) => {
    const band = method.points.find(({ id }) => id === station)
    const below = (value: number): boolean => band?.least != null && exceeds(band.least, value, method.quantity)
    const above = (value: number): boolean => band?.greatest != null && exceeds(value, band.greatest, method.quantity)
    const ends = (of: Interval | null) => ({
      surely: of !== null && (below(of.high) || above(of.low)),
      perhaps: of !== null && (below(of.low) || above(of.high)),
    })
    return { place: { station, direction }, taken: ends(known.interval), reach: ends(known.reach), guarded: ends(known.guarded) }
  })
  const number = (of: 'taken' | 'reach' | 'guarded'): Interval => ({
    low: judged.filter((point) => point[of].surely).length,
    high: judged.filter((point) => point[of].perhaps).length,
  })
  const failed = judged.filter(({ taken: { perhaps } }) => perhaps).map(({ place }) => place)
  give(values, 'failedPoints', counted(number('taken'), number('reach'), number('guarded')), {
    quantity: 'count',
    where: failed.length === 0 ? { code: 'noneOf', count: sheet.taken.length } : { code: 'places', places: failed },
  })
  return noFaults(values)
}

function testPoints(a: Answers) {
  const quantity = a.choice<QuantityKind>('quantity')
  return a.pairs('points').map(([name, band], index) => {
    const [least = '', greatest = '', ...more] = band.split('..').map((end) => end.trim())
    if (more.length > 0 || (least === '' && greatest === '') || !band.includes('..'))
      throw unusable('points', { code: 'band', text: band })
    const end = (text: string): number | null => (text === '' ? null : a.parse('points', text, quantity))
    return { id: NUMERALS(index), label: name.slice(0, 200), least: end(least), greatest: end(greatest) }
  })
}

export const benchTest: MethodKindOf<BenchTest> = {
  shape,
  wears: () => 'either',
  layout: ({ points }) => sheetOfPoints(points),
  form: ({ quantity }) => figureForm(quantity, readsBelowZero(quantity)),
  gives: ({ quantity }) => ({ ...pointsGive(quantity), variation: kindOfDifference(quantity), failedPoints: 'count' }),
  canGive: ({ points }, name) => enoughPoints(name, points.length),
  reduce: reduceBenchTest,
  setUp: [
    quantityField,
    field('points', {
      start: null,
    }),
  ],
  build: (a) => ({ kind: 'benchTest', quantity: a.choice('quantity'), points: testPoints(a) }),
  usualGauge: 'flowMeter',
  slips: { byScale: true },
}
