import type { QuantityKind } from '../../quantity/kind'
import { type Known, largestOf, over, settled, smallestOf, spreadOf, times, UNKNOWN, unsettled } from '../known'
import type { Where } from '../where'
import { type SheetPlace, sheetOf } from './places'
import { give, less, taken, term, type Values } from './taken'

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
export function repeatedValues(place: SheetPlace, { quantity, guard, needed, factor = 1 }: RepeatsOptions): Repeated {
  const { readings, known } = place
  const values: Values = {}
  if (readings.length === 0 || known.interval === null) return { values, mean: null }
  const isSettled = Number.isFinite(known.reach.low) || Number.isFinite(known.reach.high)
  const each = readings.map((reading): Known => {
    const own = times(settled(reading.interval, reading.errors, guard), factor)
    return isSettled ? own : unsettled(own)
  })
  const mean = times(known, factor)
  const terms = readings.map((reading) => term({ code: 'repeat', repeat: reading.repeat }, reading.interval, quantity))
  const sum = factor === 1 ? terms : [...terms, term('lever', { low: factor, high: factor }, 'count')]
  const where: Where = { code: 'counted', of: 'repeats', count: readings.length }
  give(values, 'mean', mean, { quantity, where: { code: 'meanOf', count: readings.length }, sum })
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
      sum: [term('largest', largest, quantity), less('smallest', smallest, quantity)],
    },
  )
  return { values, mean }
}

export const onlyPlace = (input: Parameters<typeof sheetOf>[0], limit: number) => {
  const sheet = sheetOf(input, limit)
  return { place: sheet.places[0], faults: sheet.faults }
}
