import type { QuantityKind } from '../../quantity/kind'
import { type Known, largestOf, lessThan, linear, over, settled, smallestOf, spreadOf, times, UNKNOWN, unsettled } from '../known'
import { PRESSURE, SPRING } from '../layout'
import type { MethodFault } from '../reduction'
import { type SheetPlace, sheetOf } from './places'
import { give, giveWearOf, type Outcome, type ReduceInput, taken, term, type Values } from './taken'

interface RepeatsOptions {
  readonly quantity: QuantityKind
  readonly guard: number
  /** Repeats that are asked for. */
  readonly needed: number
  /** Overhung dial: travel at the bearing for one at the dial. */
  readonly factor?: number
}

interface Repeated {
  readonly values: Values
  readonly mean: Known | null
}

/** Mean, extremes and range of repeats of one thing. What does not agree, or is not read yet, settles none of them. */
function repeatedValues(place: SheetPlace, { quantity, guard, needed, factor = 1 }: RepeatsOptions): Repeated {
  const { readings, known } = place
  const values: Values = {}
  if (readings.length === 0 || known.interval === null) return { values, mean: null }
  const isSettled = Number.isFinite(known.reach.low) || Number.isFinite(known.reach.high)
  const each = readings.map((reading): Known => {
    const own = times(settled(reading.interval, reading.errors, guard), factor)
    return isSettled ? own : unsettled(own)
  })
  const mean = times(known, factor)
  const terms = readings.map((reading) => term(`repeat ${reading.repeat}`, reading.interval, quantity))
  const sum =
    factor === 1 ? terms : [...terms, term('lever: at the bearing for 1 at the dial', { low: factor, high: factor }, 'count')]
  const where = `${readings.length} repeats`
  give(values, 'mean', mean, { quantity, where: `mean of ${readings.length}`, sum })
  const [high, low] = [largestOf(each), smallestOf(each)]
  give(values, 'maximum', high, { quantity, where, sum })
  give(values, 'minimum', low, { quantity, where, sum })
  const [largest, smallest] = [taken(high), taken(low)]
  // Their range is what tells whether they agree: it stands as it is read, and more repeats can only widen it.
  const certain = readings.map((reading): Known => times(settled(reading.interval, reading.errors, guard), factor))
  const missing = Array.from({ length: Math.max(0, needed - readings.length) }, () => UNKNOWN)
  give(
    values,
    'range',
    over([...certain, ...missing], (of) => spreadOf(of, guard)),
    {
      quantity,
      where,
      sum: [term('largest', largest, quantity), term('less smallest', { low: -smallest.high, high: -smallest.low }, quantity)],
    },
  )
  return { values, mean }
}

const onlyPlace = (input: Parameters<typeof sheetOf>[0], limit: number) => {
  const sheet = sheetOf(input, limit)
  return { place: sheet.places[0], faults: sheet.faults }
}

export function reduceEndFloat(input: ReduceInput<'endFloat'>): Outcome {
  const { method, nominal, guard } = input
  const { place, faults } = onlyPlace(input, method.repeatabilityLimit)
  if (!place) return { values: {}, faults }
  const { values, mean } = repeatedValues(place, { quantity: 'length', guard, needed: method.repeatsAtLeast })
  if (nominal !== null) giveWearOf(values, mean, values.mean, nominal, 'larger', guard, { larger: 'mean', smaller: 'mean' })
  return { values, faults }
}

/** Radial play: total travels (up less down, with sign), an overhung dial scaled back to the bearing. */
export function reduceRadialPlay(input: ReduceInput<'radialPlay'>): Outcome {
  const { method, guard } = input
  const factor = method.lever === null ? 1 : method.lever.bearingMm / method.lever.dialMm
  const { place, faults } = onlyPlace(input, method.repeatabilityLimit)
  if (!place) return { values: {}, faults }
  return { values: repeatedValues(place, { quantity: 'length', guard, needed: method.repeatsAtLeast, factor }).values, faults }
}

/** A spring by two loads at two lengths: rate, load at its working length, how much it has lost, free length, lean. */
export function reduceSpring(input: ReduceInput<'spring'>): Outcome {
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
        where: found.label,
        sum: [term(found.label, found.interval, 'length')],
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
  const sum = [term(longer.label, longer.interval, 'force'), term(shorter.label, shorter.interval, 'force')]
  const where = 'at the working length'
  give(values, 'springRate', sure(rate), { quantity: 'stiffness', where: 'between the two lengths', sum })
  give(values, 'loadAtWorking', sure(load), { quantity: 'force', where, sum })
  const carried = taken(load)
  give(values, 'loadLoss', sure(times(lessThan(method.newLoadN, load), 100 / method.newLoadN)), {
    quantity: 'percent',
    where,
    sum: [
      term('new load', { low: method.newLoadN, high: method.newLoadN }, 'force'),
      term('less load', { low: -carried.high, high: -carried.low }, 'force'),
    ],
  })
  return { values, faults }
}

/** A relief valve on a test pump: where it opens (mean, spread), how far that is from its setting, whether it drips, what it loses. */
export function reduceOpeningPressure(input: ReduceInput<'openingPressure'>): Outcome {
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
      where: 'to reach its setting',
      sum: [
        term('to be', { low: method.setBar, high: method.setBar }, 'pressure'),
        term('less mean', { low: -found.high, high: -found.low }, 'pressure'),
      ],
    })
  }
  const drip = at(PRESSURE.drip)
  if (drip) give(values, 'drips', lessThan(1, drip.known), { quantity: 'count', where: 'after closing' })
  const hold = at(PRESSURE.hold)
  if (hold?.known.interval)
    give(values, 'pressureFall', hold.known, {
      quantity: 'pressure',
      where: `in ${method.holdSeconds ?? 0} s`,
      sum: [term('fall', hold.known.interval, 'pressure')],
    })
  return { values, faults: sheet.faults }
}
