import type { QuantityKind } from '../quantity/kind'
import type { ReadingForm } from '../quantity/reading'
import { kindOf, type Method } from './kinds'
import type { SheetInput, TakenReading } from './reduce/taken'
import type { Layout } from './sheet'
import type { Place, Slot } from './slot'

export { NO_PLACE, type Slot, slotKey } from './slot'

/** Most repeats one set may hold; more is a sign that the set should be taken anew. */
const MOST_REPEATS = 12

/** A method never changes once its book is read, and its places are asked for at every key. */
const layoutByMethod = new WeakMap<Method, Layout>()

/** The sheet of a method. Methods without readings of their own (computed) have no places at all. */
export function layoutOf(method: Method): Layout {
  const known = layoutByMethod.get(method)
  if (known) return known
  const made = kindOf(method).layout(method)
  layoutByMethod.set(method, made)
  return made
}

/** The slots a method asks for, in walking order. Repeats beyond the least number are allowed and not listed. */
export function slotsOf(method: Method): readonly Slot[] {
  const known = slotsByMethod.get(method)
  if (known) return known
  const slots = walkThrough(layoutOf(method))
  slotsByMethod.set(method, slots)
  return slots
}
const slotsByMethod = new WeakMap<Method, readonly Slot[]>()

function walkThrough({ stations, directions, repeats, walk, without }: Layout): readonly Slot[] {
  const at = (station: Place, direction: Place): Slot[] =>
    Array.from({ length: repeats }, (_, index) => ({ station: station.id, direction: direction.id, repeat: index + 1 }))
  const all =
    walk === 'stationFirst'
      ? stations.flatMap((station) => directions.flatMap((direction) => at(station, direction)))
      : directions.flatMap((direction) => stations.flatMap((station) => at(station, direction)))
  return all.filter((slot) => !without(slot))
}

/** Whether a reading may be taken at this slot under this method. */
export function acceptsSlot(method: Method, slot: Slot): boolean {
  const { stations, directions, repeats, moreRepeats, without } = layoutOf(method)
  return (
    stations.some(({ id }) => id === slot.station) &&
    directions.some(({ id }) => id === slot.direction) &&
    slot.repeat >= 1 &&
    slot.repeat <= (moreRepeats ? MOST_REPEATS : repeats) &&
    !without(slot)
  )
}

/** What is typed at a slot. */
export const formAt = (method: Method, slot: Pick<Slot, 'station'>): ReadingForm => kindOf(method).form(method, slot)

/** Size of the master at a slot, where the method sets one. */
export function masterAt(method: Method): number | null {
  return method.kind === 'boreDiameter' ? method.masterMm : null
}

/** Kind of quantity the value of a reading at a slot is stored in. */
export function quantityAt(method: Method, slot: Pick<Slot, 'station'>): QuantityKind {
  const form = formAt(method, slot)
  switch (form.kind) {
    case 'quantity':
      return form.quantity
    case 'answer':
      return 'count'
    case 'cell':
    case 'element':
      return 'percent'
  }
}

/** A sheet of a method to be worked out: its readings at the slots that belong to it here. */
export const sheetInputOf = (
  method: Method,
  readings: readonly TakenReading[],
  slots: readonly Slot[],
  guard: number,
): SheetInput => ({
  readings,
  slots,
  guard,
  quantityAt: (slot) => quantityAt(method, slot),
})
