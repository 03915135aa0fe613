import { slotKey } from '../../../core/method/layout'
import type { InspectionRecord, Reading } from '../../../core/record/recordSchema'
import type { ReadingItem } from '../../../sync/item'

/** queued: on this device only; stored: the server has it; refused: the server declined it, with the reason. */
export type Delivery =
  | { readonly kind: 'queued' }
  | { readonly kind: 'stored' }
  | { readonly kind: 'refused'; readonly status: number; readonly message: string }

export interface LocalReading {
  readonly reading: Reading
  readonly delivery: Delivery
}

const deliveryOf = ({ fate }: ReadingItem): Delivery => {
  switch (fate.kind) {
    case 'waiting':
      return { kind: 'queued' }
    case 'stored':
      return { kind: 'stored' }
    case 'refused':
      return { kind: 'refused', status: fate.status, message: fate.message }
    // Only what is noted can be overtaken; a reading would be refused.
    case 'overtaken':
      return { kind: 'refused', status: 409, message: fate.message }
  }
}

/** Readings of this device, each with how far it is on its way. */
export const localReadings = (items: readonly ReadingItem[]): readonly LocalReading[] =>
  items.map((item) => ({ reading: item.reading, delivery: deliveryOf(item) }))

/** What was heard, with what is heard now; the same list when all of it was heard before. */
export function heardWith(before: readonly Reading[], stored: readonly Reading[]): readonly Reading[] {
  const known = new Set(before.map(({ id }) => id))
  const fresh = stored.filter(({ id }) => !known.has(id))
  return fresh.length > 0 ? [...before, ...fresh] : before
}

/** With readings that the server has: this device's own, whose answer may still be on its way, and what somebody took elsewhere. */
export function withHeard(local: readonly LocalReading[], heard: readonly Reading[]): readonly LocalReading[] {
  if (heard.length === 0) return local
  const shown = new Map(local.map((item) => [item.reading.id, item]))
  for (const reading of heard) {
    const own = shown.get(reading.id)
    if (own?.delivery.kind !== 'stored') shown.set(reading.id, { reading: own?.reading ?? reading, delivery: { kind: 'stored' } })
  }
  return [...shown.values()].sort(byAcceptance)
}

/** What is read of a place, in the stead of what: of two of these the server takes one. */
const claimOf = ({ characteristic, stage, supersedes, ...slot }: Reading): string =>
  [characteristic, stage, slotKey(slot), supersedes].join(' ')

/** Those that count: not what was refused, nor what will be, because somebody else's stands at its place already. */
export function counting(local: readonly LocalReading[]): readonly Reading[] {
  const claimed = new Set(local.flatMap(({ reading, delivery }) => (delivery.kind === 'stored' ? claimOf(reading) : [])))
  const without = new Set<string | null>()
  return local.flatMap(({ reading, delivery }) => {
    const counts =
      delivery.kind === 'stored' ||
      (delivery.kind === 'queued' &&
        !claimed.has(claimOf(reading)) &&
        (reading.supersedes === null || !without.has(reading.supersedes)))
    if (counts) return reading
    without.add(reading.id)
    return []
  })
}

/** Those a record has everything for. A gauge or a limit that was added since the page came is not in its record. */
export function showable(record: InspectionRecord, local: readonly LocalReading[]): readonly LocalReading[] {
  const gauges = new Set<string | null>([null, ...record.gauges.map(({ id }) => id)])
  const characteristics = new Set(record.book.characteristics.map(({ id }) => id))
  const known = local.filter(({ reading }) => gauges.has(reading.gauge) && characteristics.has(reading.characteristic))
  return known.length === local.length ? local : known
}

/** Ids are UUID v7: in the order in which they were made. */
const byAcceptance = (a: LocalReading, b: LocalReading): number => (a.reading.id < b.reading.id ? -1 : 1)
