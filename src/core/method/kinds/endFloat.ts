import { figureForm } from '../form'
import type { MethodKindOf, Shaped } from '../methodKind'
import { onlyPlace, repeatedValues } from '../reduce/repeated'
import { giveWearOf, type Outcome, type ReduceInput } from '../reduce/taken'
import { repeatabilityField, repeatsField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheet } from '../sheet'
import { always, repeatsGive } from '../valuesGiven'

const shape = ({ z, repeatsAtLeast, positive, figure }: Shaping) =>
  z.strictObject({ kind: z.literal('endFloat'), repeatsAtLeast, repeatabilityLimit: figure(positive, 'spread') })
export type EndFloat = Shaped<typeof shape>

/** End float: mean, extremes and range of its repeats, wear of the mean from new. */
function reduceEndFloat(input: ReduceInput<EndFloat>): Outcome {
  const { method, nominal, guard } = input
  const { place, faults } = onlyPlace(input, method.repeatabilityLimit)
  if (!place) return { values: {}, faults }
  const { values, mean } = repeatedValues(place, { quantity: 'length', guard, needed: method.repeatsAtLeast })
  if (nominal !== null) giveWearOf(values, mean, values.mean, nominal, 'larger', guard, { larger: 'mean', smaller: 'mean' })
  return { values, faults }
}

export const endFloat: MethodKindOf<EndFloat> = {
  shape,
  wears: () => 'larger',
  layout: ({ repeatsAtLeast }) => sheet({ repeats: repeatsAtLeast, moreRepeats: true }),
  form: () => figureForm('length'),
  gives: () => ({ ...repeatsGive('length'), wear: 'length' }),
  canGive: always,
  reduce: reduceEndFloat,
  setUp: [repeatsField('3'), repeatabilityField('length', null)],
  build: (a) => ({
    kind: 'endFloat',
    repeatsAtLeast: a.count('repeats', 12),
    repeatabilityLimit: a.positive('repeatability'),
  }),
  usualGauge: 'dial',
  slips: {},
}
