import { figureForm } from '../form'
import { lessThan } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { type SheetPlace, sheetOf } from '../reduce/places'
import { repeatedValues } from '../reduce/repeated'
import { give, less, type Outcome, type ReduceInput, taken, term, type Values } from '../reduce/taken'
import { choiceField, figureField, repeatabilityField, repeatsField, YES_OR_NO } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheet } from '../sheet'
import { repeatsGive } from '../valuesGiven'

const shape = ({ z, positive, repeatsAtLeast, figure }: Shaping) =>
  z.strictObject({
    kind: z.literal('openingPressure'),
    setBar: figure(positive, 'pressure'),
    repeatsAtLeast,
    repeatabilityLimit: figure(positive, 'spread'),
    /** The fall of pressure is read after so many seconds; null where no leak test belongs to it. */
    holdSeconds: figure(positive, 'time').nullable(),
    looksForDrip: z.boolean(),
  })
export type OpeningPressure = Shaped<typeof shape>

/** Places of a pressure test. */
export const PRESSURE = { opens: 'p', drip: 'drip', hold: 'hold' } as const

/** A relief valve on a test pump: where it opens (mean, spread), how far that is from its setting, whether it drips, what it loses. */
function reduceOpeningPressure(input: ReduceInput<OpeningPressure>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input, method.repeatabilityLimit)
  const at = (id: string): SheetPlace | undefined => sheet.places.find(({ station }) => station === id)
  const opens = at(PRESSURE.opens)
  const { values, mean } = opens
    ? repeatedValues(opens, { quantity: 'pressure', guard, needed: method.repeatsAtLeast })
    : { values: {} as Values, mean: null }
  if (mean) {
    const found = taken(mean)
    // As doubtful as the mean it is adjusted from.
    give(values, 'adjustment', lessThan(method.setBar, mean), {
      quantity: 'pressure',
      where: { code: 'toSetting' },
      sum: [term('setting', { low: method.setBar, high: method.setBar }, 'pressure'), less('mean', found, 'pressure')],
    })
  }
  const drip = at(PRESSURE.drip)
  if (drip) give(values, 'drips', lessThan(1, drip.known), { quantity: 'count', where: { code: 'afterClosing' } })
  const hold = at(PRESSURE.hold)
  if (hold?.known.interval)
    give(values, 'pressureFall', hold.known, {
      quantity: 'pressure',
      where: { code: 'inSeconds', seconds: method.holdSeconds ?? 0 },
      sum: [term('fall', hold.known.interval, 'pressure')],
    })
  return { values, faults: sheet.faults }
}

export const openingPressure: MethodKindOf<OpeningPressure> = {
  shape,
  wears: () => 'either',
  layout: ({ looksForDrip, holdSeconds, repeatsAtLeast }) =>
    sheet({
      stations: [
        { id: PRESSURE.opens, label: '' },
        ...(looksForDrip ? [{ id: PRESSURE.drip, label: '' }] : []),
        ...(holdSeconds === null ? [] : [{ id: PRESSURE.hold, label: '' }]),
      ],
      repeats: repeatsAtLeast,
      moreRepeats: true,
      without: ({ station, repeat }) => repeat > 1 && station !== PRESSURE.opens,
    }),
  bare: 'stations',
  form: (_method, { station }) => (station === PRESSURE.drip ? { kind: 'answer' } : figureForm('pressure')),
  gives: () => ({ ...repeatsGive('pressure'), adjustment: 'pressure', drips: 'count', pressureFall: 'pressure' }),
  canGive: ({ looksForDrip, holdSeconds }, name) => {
    if (name === 'drips') return looksForDrip
    return name !== 'pressureFall' || holdSeconds !== null
  },
  reduce: reduceOpeningPressure,
  setUp: [
    figureField('set', null, { quantity: 'pressure' }),
    repeatsField('3'),
    repeatabilityField('pressure', null),
    figureField('hold', '', {
      quantity: 'time',
    }),
    choiceField('drip', 'yes', YES_OR_NO),
  ],
  build: (a) => ({
    kind: 'openingPressure',
    setBar: a.positive('set'),
    repeatsAtLeast: a.count('repeats', 12),
    repeatabilityLimit: a.positive('repeatability'),
    holdSeconds: a.figureOrNull('hold'),
    looksForDrip: a.words('drip') === 'yes',
  }),
  usualGauge: 'testPump',
  expects: ({ setBar }) => setBar,
  stationsDiffer: true,
  slips: {},
}
