import { point } from '../../quantity/interval'
import type { MethodKindOf, Shaped } from '../methodKind'
import { counted } from '../reduce/counted'
import { sheetOf } from '../reduce/places'
import { give, noFaults, type Outcome, type ReduceInput, type Values } from '../reduce/taken'
import { choiceField, field, placesField, YES_OR_NO } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { always } from '../valuesGiven'
import { placeOf } from '../where'

const shape = ({ z, placesSchema }: Shaping) =>
  z.strictObject({
    kind: z.literal('visualCheck'),
    points: placesSchema,
    question: z.string().min(1).max(200),
    wanted: z.enum(['yes', 'no']),
  })
export type VisualCheck = Shaped<typeof shape>

/** Points answered yes or no by gauge or eye: how many are not as wanted. */
function reduceLookedAt(input: ReduceInput<VisualCheck>): Outcome {
  const { method } = input
  const sheet = sheetOf(input)
  const wanted = method.wanted === 'yes' ? 1 : 0
  const others = sheet.taken.filter(({ interval }) => interval.low !== wanted)
  const values: Values = {}
  give(
    values,
    'notAsWanted',
    counted(point(others.length), { low: others.length, high: others.length + sheet.places.length - sheet.taken.length }),
    {
      quantity: 'count',
      where:
        others.length === 0 ? { code: 'noneOf', count: sheet.taken.length } : { code: 'places', places: others.map(placeOf) },
    },
  )
  return noFaults(values)
}

export const visualCheck: MethodKindOf<VisualCheck> = {
  shape,
  wears: () => 'either',
  layout: ({ points }) => sheetOfPoints(points),
  form: () => ({ kind: 'answer' }),
  gives: () => ({ notAsWanted: 'count' }),
  canGive: always,
  reduce: reduceLookedAt,
  setUp: [field('question', { start: null }), placesField('points', '1'), choiceField('wanted', 'yes', YES_OR_NO)],
  build: (a) => ({ kind: 'visualCheck', points: a.places('points'), question: a.words('question'), wanted: a.choice('wanted') }),
  usualGauge: 'eye',
  slips: { byScale: true },
}
