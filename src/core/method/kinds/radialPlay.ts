import { figureForm } from '../form'
import type { MethodKindOf, Shaped } from '../methodKind'
import { onlyPlace, repeatedValues } from '../reduce/repeated'
import type { Outcome, ReduceInput } from '../reduce/taken'
import { unusable } from '../setUp/answers'
import { figureField, repeatabilityField, repeatsField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheet } from '../sheet'
import { always, repeatsGive } from '../valuesGiven'

const shape = ({ z, repeatsAtLeast, positive, positiveMm, figure }: Shaping) =>
  z.strictObject({
    kind: z.literal('radialPlay'),
    repeatsAtLeast,
    repeatabilityLimit: figure(positive, 'spread'),
    /** An overhung dial is scaled back to the bearing: distances from the fulcrum, mm. */
    lever: z.strictObject({ dialMm: positiveMm, bearingMm: positiveMm }).nullable(),
  })
export type RadialPlay = Shaped<typeof shape>

/** Radial play: total travels (up less down, with sign), an overhung dial scaled back to the bearing. */
function reduceRadialPlay(input: ReduceInput<RadialPlay>): Outcome {
  const { method, guard } = input
  const factor = method.lever === null ? 1 : method.lever.bearingMm / method.lever.dialMm
  const { place, faults } = onlyPlace(input, method.repeatabilityLimit)
  if (!place) return { values: {}, faults }
  return { values: repeatedValues(place, { quantity: 'length', guard, needed: method.repeatsAtLeast, factor }).values, faults }
}

export const radialPlay: MethodKindOf<RadialPlay> = {
  shape,
  wears: () => 'larger',
  layout: ({ repeatsAtLeast }) => sheet({ repeats: repeatsAtLeast, moreRepeats: true }),
  form: () => figureForm('length', false, true),
  gives: () => repeatsGive('length'),
  canGive: always,
  reduce: reduceRadialPlay,
  setUp: [repeatsField('3'), repeatabilityField('length', null), figureField('leverDial', ''), figureField('leverBearing', '')],
  build: (a) => {
    const [dial, bearing] = [a.figureOrNull('leverDial'), a.figureOrNull('leverBearing')]
    if ((dial === null) !== (bearing === null))
      throw unusable(dial === null ? 'leverDial' : 'leverBearing', { code: 'bothLevers' })
    return {
      kind: 'radialPlay',
      repeatsAtLeast: a.count('repeats', 12),
      repeatabilityLimit: a.positive('repeatability'),
      lever: dial === null || bearing === null ? null : { dialMm: dial, bearingMm: bearing },
    }
  },
  usualGauge: 'dial',
  readOtherwise: true,
  slips: {},
}
