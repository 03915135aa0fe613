import { sampleStandardDeviation } from '../../base/statistics'
import { combineErrors, type Errors } from '../../gauge/errors'
import { spreadError } from '../../gauge/uncertainty'
import { exceeds } from '../../quantity/decimal'
import { type Interval, isPoint, meanOf, rangeOf } from '../../quantity/interval'
import { type Known, settled, UNKNOWN, unsettled } from '../known'
import type { MethodFault } from '../reduction'
import { reduceRepeats } from '../repeats'
import type { Slot } from '../slot'
import type { PlaceOf } from '../where'
import type { SheetInput, TakenReading } from './taken'

/** One place of the sheet, with the mean of its repeats, or nothing yet. */
export interface SheetPlace {
  readonly station: string
  readonly direction: string
  readonly known: Known
  readonly readings: readonly TakenReading[]
}

/** One that is read. */
export interface TakenPlace extends SheetPlace {
  readonly interval: Interval
}

export interface Sheet {
  /** Every place that belongs to the sheet here, in its order. */
  readonly places: readonly SheetPlace[]
  /** Those of them that are read. */
  readonly taken: readonly TakenPlace[]
  readonly faults: readonly MethodFault[]
}

/**
 * The places of a sheet. A place is settled when all its repeats are read, agree and are known by their gauge: until then
 * its value may be anything in the end, because what disagrees is taken again.
 */
export function sheetOf(input: SheetInput, limit: number | null = null): Sheet {
  const { readings, slots } = input
  const keyOf = ({ station, direction }: Pick<Slot, 'station' | 'direction'>): string => `${station}/${direction}`
  const needed = new Map<string, { readonly slot: Slot; count: number }>()
  for (const slot of slots) {
    const known = needed.get(keyOf(slot))
    if (known) known.count += 1
    else needed.set(keyOf(slot), { slot, count: 1 })
  }
  const taken = new Map<string, TakenReading[]>()
  for (const reading of readings) {
    const own = taken.get(keyOf(reading))
    if (own) own.push(reading)
    else taken.set(keyOf(reading), [reading])
    // A place whose least repeats do not apply may still have others.
    if (!needed.has(keyOf(reading))) needed.set(keyOf(reading), { slot: reading, count: 1 })
  }
  const faults: MethodFault[] = []
  const places = [...needed].map(([key, { slot, count }]): SheetPlace => {
    const own = taken.get(key) ?? []
    const { station, direction } = slot
    if (own.length === 0) return { station, direction, known: UNKNOWN, readings: own }
    const { known, fault } = meanOfRepeats(own, count, limit, { station, direction }, input)
    if (fault) faults.push(fault)
    return { station, direction, known, readings: own }
  })
  return {
    places,
    taken: places.flatMap((place) => (place.known.interval ? [{ ...place, interval: place.known.interval }] : [])),
    faults,
  }
}

/** Mean of the repeats at one place, and what is wrong with them. */
function meanOfRepeats(
  own: readonly TakenReading[],
  needed: number,
  limit: number | null,
  at: PlaceOf,
  { quantityAt, guard }: Pick<SheetInput, 'quantityAt' | 'guard'>,
): { readonly known: Known; readonly fault: MethodFault | null } {
  const [first] = own
  if (!first) throw new Error('a place that is read has a reading')
  const intervals = own.map(({ interval }) => interval)
  const known = settled(meanOf(intervals), meanErrors(own), guard)
  const fault = limit === null || own.length < 2 ? null : repeatsFault(own, limit, at, quantityAt)
  const isOpen = intervals.some(({ low, high }) => !Number.isFinite(low) || !Number.isFinite(high))
  // How far repeats scatter is not known while one of them is open to one side, and so no guard band is.
  const noBand = isOpen && own.length > 1 && guard > 0
  const isSettled = own.length >= needed && fault === null && !noBand && own.every(({ doubt }) => doubt === null)
  return { known: isSettled ? known : unsettled(known), fault }
}

function repeatsFault(
  own: readonly TakenReading[],
  limit: number,
  at: PlaceOf,
  quantityAt: SheetInput['quantityAt'],
): MethodFault | null {
  const [first] = own
  const kind = first ? quantityAt(first) : 'length'
  const range = rangeOf(own.map(({ interval }) => interval))
  if (exceeds(range.low, limit, kind)) {
    const repeats = reduceRepeats(
      own.map(({ interval: { low, high } }) => (Number.isFinite(low) ? (Number.isFinite(high) ? (low + high) / 2 : low) : high)),
      limit,
      kind,
    )
    const sticksOut = repeats.sticksOut === null ? null : (own[repeats.sticksOut]?.repeat ?? null)
    return { code: 'repeatsDisagree', at, range: range.low, limitValue: limit, sticksOut }
  }
  return exceeds(range.high, limit, kind) ? { code: 'repeatsNotFigures', at, limitValue: limit } : null
}

/** So many repeats that are ranges are tried at all their ends; more are bounded. */
const MOST_CORNERS = 8

/**
 * Errors of a mean of repeats: what its readings have in common, what each has of its own, and how far they scatter where
 * that is more than their gauge is known to. Repeats that are ranges count with the widest scatter their ends allow.
 */
function meanErrors(own: readonly TakenReading[]): Errors {
  const [first] = own
  const shared = combineErrors(own.map(({ errors }) => [1 / own.length, errors] as const))
  if (!first || own.length < 2) return shared
  const observed = widestDeviation(own.map(({ interval }) => interval))
  const known = Math.hypot(...shared.filter(({ kind }) => kind === 'repeats').map(({ amount }) => amount))
  const scatter = spreadError(`${first.station}/${first.direction}`, observed, own.length)
  const more = scatter.amount ** 2 - known ** 2
  return more > 0 ? [...shared, { ...scatter, of: `${firstOf(first)}`, amount: Math.sqrt(more) }] : shared
}

/** The scatter belongs to these readings alone. */
const firstOf = ({ errors, station, direction }: TakenReading): string =>
  `spread at ${errors.find(({ kind }) => kind === 'resolution')?.of ?? `${station}/${direction}`}`

function widestDeviation(intervals: readonly Interval[]): number {
  const ends = intervals.map(({ low, high }): Interval => {
    if (Number.isFinite(low)) return { low, high: Number.isFinite(high) ? high : low }
    return { low: Number.isFinite(high) ? high : 0, high: Number.isFinite(high) ? high : 0 }
  })
  const ranges = ends.filter((interval) => !isPoint(interval)).length
  if (ranges === 0) return sampleStandardDeviation(ends.map(({ low }) => low))
  if (ranges > MOST_CORNERS) {
    // No deviation is larger than that of half the values at either end.
    const { high } = rangeOf(ends)
    return (high / 2) * Math.sqrt(ends.length / (ends.length - 1))
  }
  let corners: number[][] = [[]]
  for (const { low, high } of ends)
    corners = corners.flatMap((corner) =>
      low === high
        ? [[...corner, low]]
        : [
            [...corner, low],
            [...corner, high],
          ],
    )
  return Math.max(...corners.map(sampleStandardDeviation))
}
