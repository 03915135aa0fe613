import { figureForm } from '../form'
import { linear, over, times } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { sheetOf } from '../reduce/places'
import { give, less, noFaults, type Outcome, type ReduceInput, taken, term, type Values, wornFrom } from '../reduce/taken'
import { knownOf } from '../reduction'
import { choiceField, field, figureField, placesField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheetOfPoints } from '../sheet'
import { always } from '../valuesGiven'
import { placeAt, type Where } from '../where'

const shape = ({ z, placesSchema, positiveMm, measured }: Shaping) =>
  z.strictObject({
    kind: z.literal('ringEndGap'),
    /** One segment for a plain ring; a segmented ring is closed up so that its gaps add. */
    segments: placesSchema,
    springs: z.enum(['outward', 'inward']),
    /** Diameter of the ring gauge or unworn place in which the gap is taken. */
    referenceDiameterMm: positiveMm,
    /** Characteristic whose worn diameter the ring runs in. */
    runsIn: measured,
  })
export type RingEndGap = Shaped<typeof shape>

/** End gap of a ring, its segments together, and the gap it has where it runs. */
function reduceRingGap(input: ReduceInput<RingEndGap>): Outcome {
  const { method, nominal, runsIn, guard } = input
  const quantity = 'length'
  const sheet = sheetOf(input)
  // Gaps of segments add: an error of the gauge is in each of them, every step is its own.
  const total = over(
    sheet.places.map(({ known }) => known),
    (of) =>
      linear(
        of.map((gap) => [1, gap] as const),
        guard,
      ),
  )
  if (!total) return noFaults({})
  const where: Where = { code: 'inDiameter', diameterMm: method.referenceDiameterMm }
  const terms = sheet.taken.map((place) => term(placeAt(place), place.interval, quantity))
  const values: Values = {}
  give(values, 'total', total, { quantity, where, sum: terms })
  if (nominal !== null) {
    // A ring that springs outward opens as it wears; one that closes on a rod closes.
    const outward = method.springs === 'outward'
    const from = taken(nominal)
    give(values, 'wear', wornFrom(total, nominal, outward ? 'larger' : 'smaller', guard), {
      quantity,
      where,
      sum: outward
        ? [...terms, less('new', from, quantity)]
        : [term('new', from, quantity), ...sheet.taken.map((place) => less(placeAt(place), place.interval, quantity))],
    })
  }
  if (runsIn) {
    // The ring's circumference follows the wall: Δgap = π·Δd, both for a bore that wore larger and a rod that wore smaller.
    const worn = knownOf(runsIn)
    const moved = times(linear([[1, worn]], guard, -method.referenceDiameterMm), Math.PI)
    give(
      values,
      'gapAtWornDiameter',
      linear(
        [
          [1, total],
          [1, moved],
        ],
        guard,
      ),
      {
        quantity,
        where: { code: 'whereItRuns', characteristic: method.runsIn, where: runsIn.where },
        sum: [...terms, term({ code: 'roundTheWall', springs: method.springs }, taken(moved), quantity)],
      },
    )
  }
  return noFaults(values)
}

export const ringEndGap: MethodKindOf<RingEndGap> = {
  shape,
  wears: ({ springs }) => (springs === 'outward' ? 'larger' : 'smaller'),
  layout: ({ segments }) => sheetOfPoints(segments),
  bare: 'stations',
  form: () => figureForm('length'),
  gives: () => ({ total: 'length', gapAtWornDiameter: 'length', wear: 'length' }),
  canGive: always,
  reduce: reduceRingGap,
  setUp: [
    placesField('segments', '1'),
    choiceField('springs', 'outward', ['outward', 'inward']),
    figureField('reference', null),
    field('runsIn', {
      kind: 'characteristic',
      start: null,
    }),
  ],
  build: (a) => ({
    kind: 'ringEndGap',
    segments: a.places('segments'),
    springs: a.choice('springs'),
    referenceDiameterMm: a.positive('reference'),
    runsIn: a.words('runsIn'),
  }),
  usualGauge: 'feeler',
  needs: ({ runsIn }) => [runsIn],
  slips: {},
}
