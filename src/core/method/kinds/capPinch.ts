import { exceeds } from '../../quantity/decimal'
import { rangeOf } from '../../quantity/interval'
import { figureForm } from '../form'
import { differenceOf, largestOf, meanOf, over, smallestOf, spreadOf, unsettled } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { type SheetPlace, sheetOf } from '../reduce/places'
import { give, holderOf, less, type Outcome, type ReduceInput, taken, term, type Values } from '../reduce/taken'
import type { MethodFault } from '../reduction'
import { figureField, placesField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { enoughPoints } from '../valuesGiven'
import { placeAt, placeOf } from '../where'

const shape = ({ z, placesSchema, figure }: Shaping) =>
  z.strictObject({
    kind: z.literal('capPinch'),
    shims: placesSchema,
    wires: placesSchema,
    /** Greatest difference of the shims for them to count as equal, mm. */
    shimsWithinMm: figure(z.number().min(0).max(10), 'length'),
  })
export type CapPinch = Shaped<typeof shape>

/** Cap pinch: shim less flattened wire, at each wire. Positive holds the shell, negative is loose. */
function reduceCapPinch(input: ReduceInput<CapPinch>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input)
  const isShim = ({ station }: SheetPlace): boolean => method.shims.some(({ id }) => id === station)
  const shims = sheet.places.filter(isShim)
  const wires = sheet.places.filter((place) => !isShim(place))
  const read = sheet.taken.filter(isShim)
  const between = rangeOf(read.length > 0 ? read.map(({ interval }) => interval) : [{ low: 0, high: 0 }])
  const differ = exceeds(between.high, method.shimsWithinMm)
  const range = Number.isFinite(between.high) ? between.high : between.low
  const faults: MethodFault[] = differ ? [{ code: 'shimsUnequal', range, limitValue: method.shimsWithinMm }] : []
  const shim = over(
    shims.map(({ known }) => known),
    (of) => meanOf(of, guard),
  )
  if (!shim || sheet.taken.length === read.length) return { values: {}, faults }
  // While the shims differ, so may every pinch, to either side.
  const stands = differ ? unsettled(shim) : shim
  const quantity = 'length'
  const pinches = wires.map((wire) => ({ wire, known: differenceOf(stands, wire.known, guard) }))
  const taking = pinches.flatMap((pinch) => (pinch.known.interval ? [{ ...pinch, interval: pinch.known.interval }] : []))
  const all = pinches.map(({ known }) => known)
  const sumAt = ({ wire }: (typeof taking)[number]) => [
    term('shim', taken(shim), quantity),
    less({ ...placeOf(wire), code: 'wire' }, taken(wire.known), quantity),
  ]
  const [high, low] = [holderOf(taking, 'largest'), holderOf(taking, 'smallest')]
  const values: Values = {}
  give(values, 'minimum', over(all, smallestOf), { quantity, where: placeAt(low.wire), sum: sumAt(low) })
  give(values, 'maximum', over(all, largestOf), { quantity, where: placeAt(high.wire), sum: sumAt(high) })
  give(
    values,
    'mean',
    over(all, (of) => meanOf(of, guard)),
    {
      quantity,
      where: { code: 'counted', of: 'wires', count: taking.length },
      sum: taking.map(({ wire, interval }) => term(placeAt(wire), interval, quantity)),
    },
  )
  give(
    values,
    'variation',
    over(all, (of) => spreadOf(of, guard)),
    {
      quantity,
      where: { code: 'against', one: placeOf(high.wire), other: placeOf(low.wire) },
      sum: [term('largest', high.interval, quantity), less('smallest', low.interval, quantity)],
    },
  )
  return { values, faults }
}

export const capPinch: MethodKindOf<CapPinch> = {
  shape,
  wears: () => 'smaller',
  layout: ({ shims, wires }) => sheetOfPoints([...shims, ...wires]),
  form: () => figureForm('length'),
  gives: () => ({ maximum: 'length', minimum: 'length', mean: 'length', variation: 'length' }),
  canGive: ({ wires }, name) => enoughPoints(name, wires.length),
  reduce: reduceCapPinch,
  setUp: [placesField('shims', '2'), placesField('wires', '3'), figureField('shimsWithin', null)],
  build: (a) => ({
    kind: 'capPinch',
    shims: a.places('shims', (index) => `s${index + 1}`),
    wires: a.places('wires', (index) => `w${index + 1}`),
    shimsWithinMm: a.positive('shimsWithin'),
  }),
  usualGauge: 'outsideMicrometer',
  readOtherwise: true,
  slips: { byScale: true },
}
