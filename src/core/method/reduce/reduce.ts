import { kindOf, type Method } from '../kinds'
import { exactly, type Known } from '../known'
import { sheetInputOf, slotsOf } from '../layout'
import type { MethodFault, Reduced, Reductions } from '../reduction'
import { slotKey, slotOf } from '../slot'
import { readingDoubts, type TakenReading } from './taken'

export type { TakenReading } from './taken'

export interface ReduceContext {
  /** New size, exact; or how an earlier overhaul left it, with its doubt. */
  readonly nominal: number | Known | null
  /** Worn diameter the ring runs in, where the method needs one and it is measured. */
  readonly runsIn: Reduced | null
  readonly resultOf?: (characteristic: string, value: string) => Reduced | null
  /** Places that cannot be measured, and those to which nothing applies. */
  readonly marked?: { readonly cannot: readonly string[]; readonly notApplicable: readonly string[] }
  /** Standard uncertainties the guard band is wide; 0 under simple acceptance. */
  readonly guard?: number
}

/** Reduces the standing readings of one characteristic by its method. No readings give no values. */
export function reduceReadings(method: Method, readings: readonly TakenReading[], context: ReduceContext): Reductions {
  const all = slotsOf(method)
  const read = new Set(readings.map(slotKey))
  const cannot = context.marked?.cannot ?? []
  const notApplicable = new Set(context.marked?.notApplicable)
  const slots = all.filter((slot) => !notApplicable.has(slotKey(slot)))
  const kind = kindOf(method)
  const input = {
    ...sheetInputOf(method, inWalkingOrder(readings, all), slots, context.guard ?? 0),
    method,
    wears: kind.wears(method),
    nominal: typeof context.nominal === 'number' ? exactly(context.nominal) : context.nominal,
    runsIn: context.runsIn,
    resultOf: context.resultOf ?? (() => null),
  }
  const { values, faults } = readings.length === 0 && method.kind !== 'computed' ? { values: {}, faults: [] } : kind.reduce(input)
  return {
    values,
    faults: [...doubtFaults(input.readings), ...faults],
    taken: slots.filter((slot) => read.has(slotKey(slot))).length,
    needed: slots.length,
    cannot: cannot.length,
  }
}

/** Readings that nothing says the doubt of: they are kept, and settle nothing. */
function doubtFaults(readings: readonly TakenReading[]): MethodFault[] {
  return readingDoubts.flatMap((code): MethodFault[] => {
    const slots = readings.filter(({ doubt }) => doubt === code).map(slotOf)
    return slots.length === 0 ? [] : [{ code, slots }]
  })
}

/** Results must not depend on the order in which readings came in, not even in the last digit of a sum. */
function inWalkingOrder(readings: readonly TakenReading[], slots: ReturnType<typeof slotsOf>): readonly TakenReading[] {
  const order = new Map(slots.map((slot, index) => [slotKey(slot), index]))
  const rank = (reading: TakenReading): number => order.get(slotKey(reading)) ?? slots.length + reading.repeat
  return [...readings].sort((a, b) => rank(a) - rank(b))
}
