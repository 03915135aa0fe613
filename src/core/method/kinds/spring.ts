import { figureForm } from '../form'
import { type Known, lessThan, linear, times, unsettled } from '../known'
import type { MethodKindOf, Shaped } from '../methodKind'
import { sheetOf } from '../reduce/places'
import { give, less, type Outcome, type ReduceInput, taken, term, type Values } from '../reduce/taken'
import type { MethodFault } from '../reduction'
import { unusable } from '../setUp/answers'
import { figureField, repeatabilityField, repeatsField } from '../setUp/fields'
import type { Shaping } from '../shapingSchema'
import { sheet } from '../sheet'
import { always } from '../valuesGiven'
import { placeAt } from '../where'

const shape = ({ z, positiveMm, positive, repeatsAtLeast, figure }: Shaping) =>
  z.strictObject({
    kind: z.literal('spring'),
    longerMm: positiveMm,
    shorterMm: positiveMm,
    workingMm: positiveMm,
    /** Load of a new spring at the working length, N. */
    newLoadN: figure(positive, 'force'),
    repeatsAtLeast,
    repeatabilityLimit: figure(positive, 'spread').nullable().default(null),
  })
export type Spring = Shaped<typeof shape>

/** Places of a spring. */
export const SPRING = { longer: 'L1', shorter: 'L2', free: 'L0', lean: 'e' } as const
const isLength = (station: string): boolean => station === SPRING.free || station === SPRING.lean

/** A spring by two loads at two lengths: rate, load at its working length, how much it has lost, free length, lean. */
function reduceSpring(input: ReduceInput<Spring>): Outcome {
  const { method, guard } = input
  const sheet = sheetOf(input, method.repeatabilityLimit)
  const at = (id: string) => sheet.taken.find(({ station }) => station === id)
  const values: Values = {}
  for (const [id, name] of [
    [SPRING.free, 'freeLength'],
    [SPRING.lean, 'lean'],
  ] as const) {
    const found = at(id)
    if (found)
      give(values, name, found.known, {
        quantity: 'length',
        where: placeAt(found),
        sum: [term(placeAt(found), found.interval, 'length')],
      })
  }
  const [longer, shorter] = [at(SPRING.longer), at(SPRING.shorter)]
  if (!longer || !shorter) return { values, faults: sheet.faults }
  const apart = method.longerMm - method.shorterMm
  const rate = linear(
    [
      [1 / apart, shorter.known],
      [-1 / apart, longer.known],
    ],
    guard,
  )
  // A spring carries more the shorter it is: where it does not, a load was misread or the coils bind.
  const noLine = taken(rate).high <= 0
  const faults: readonly MethodFault[] = noLine ? [...sheet.faults, { code: 'noSpringLine' }] : sheet.faults
  if (noLine) return { values, faults }
  // Where the readings leave both possible, nothing of the line is settled.
  const sure = (value: Known): Known => (rate.reach.low > 0 ? value : unsettled(value))
  // The straight line through both loads, at the working length.
  const share = (method.longerMm - method.workingMm) / apart
  const load = linear(
    [
      [1 - share, longer.known],
      [share, shorter.known],
    ],
    guard,
  )
  const sum = [term(placeAt(longer), longer.interval, 'force'), term(placeAt(shorter), shorter.interval, 'force')]
  const where = { code: 'atWorkingLength' } as const
  give(values, 'springRate', sure(rate), { quantity: 'stiffness', where: { code: 'betweenLengths' }, sum })
  give(values, 'loadAtWorking', sure(load), { quantity: 'force', where, sum })
  const carried = taken(load)
  give(values, 'loadLoss', sure(times(lessThan(method.newLoadN, load), 100 / method.newLoadN)), {
    quantity: 'percent',
    where,
    sum: [term('newLoad', { low: method.newLoadN, high: method.newLoadN }, 'force'), less('load', carried, 'force')],
  })
  return { values, faults }
}

export const spring: MethodKindOf<Spring> = {
  shape,
  faults: ({ longerMm, shorterMm }) => (longerMm > shorterMm ? [] : [{ code: 'shorterIsLonger' }]),
  wears: () => 'smaller',
  layout: ({ repeatsAtLeast }) =>
    sheet({
      stations: [
        { id: SPRING.longer, label: '' },
        { id: SPRING.shorter, label: '' },
        { id: SPRING.free, label: '' },
        { id: SPRING.lean, label: '' },
      ],
      repeats: repeatsAtLeast,
      moreRepeats: true,
      without: ({ station, repeat }) => repeat > 1 && isLength(station),
    }),
  bare: 'stations',
  form: (_method, { station }) => figureForm(isLength(station) ? 'length' : 'force'),
  gives: () => ({ springRate: 'stiffness', loadAtWorking: 'force', loadLoss: 'percent', freeLength: 'length', lean: 'length' }),
  canGive: always,
  reduce: reduceSpring,
  setUp: [
    figureField('longer', null),
    figureField('shorter', null),
    figureField('working', null),
    figureField('newLoad', null, { quantity: 'force' }),
    repeatsField('1'),
    repeatabilityField('force', ''),
  ],
  build: (a) => {
    const [longerMm, shorterMm] = [a.positive('longer'), a.positive('shorter')]
    if (longerMm <= shorterMm) throw unusable('shorter', { code: 'shorterIsLonger' })
    return {
      kind: 'spring',
      longerMm,
      shorterMm,
      workingMm: a.positive('working'),
      newLoadN: a.positive('newLoad'),
      repeatsAtLeast: a.count('repeats', 12),
      repeatabilityLimit: a.figureOrNull('repeatability'),
    }
  },
  usualGauge: 'springTester',
  expects: ({ newLoadN }, { station }) => (isLength(station) ? null : newLoadN),
  stationsDiffer: true,
  slips: {},
}
