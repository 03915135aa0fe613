import { slotKey } from '../../core/method/layout'
import type { InspectionRecord, Reading } from '../../core/record/recordSchema'
import type { OutboxItem } from '../outbox'

/** queued: on this device only; stored: the server has it; refused: the server declined it, with the reason. */
export type Delivery =
  | { readonly kind: 'queued' }
  | { readonly kind: 'stored' }
  | { readonly kind: 'refused'; readonly status: number; readonly message: string }

export interface LocalReading {
  readonly reading: Reading
  readonly delivery: Delivery
}

/** What this tab shows, brought up to what is kept on the device: other tabs accept, send and drop as well. */
export function broughtUp(
  local: readonly LocalReading[],
  kept: readonly OutboxItem[],
  seenBefore: ReadonlySet<string>,
): readonly LocalReading[] {
  const shown = new Map(local.map((item) => [item.reading.id, item]))
  const ids = new Set(kept.map(({ id }) => id))
  for (const { id, reading, sent } of kept) {
    const kind = shown.get(id)?.delivery.kind
    if (sent !== undefined ? kind !== 'stored' : kind === undefined)
      shown.set(id, { reading, delivery: { kind: sent === undefined ? 'queued' : 'stored' } })
  }
  // What was kept and is no more was dropped, unless it is long stored.
  for (const [id, { delivery }] of shown) if (delivery.kind !== 'stored' && seenBefore.has(id) && !ids.has(id)) shown.delete(id)
  const now = [...shown.values()]
  const same = now.length === local.length && now.every((item, at) => item === local[at])
  return same ? local : now.sort(byAcceptance)
}

/** With readings that the server has: this device's own, and what somebody took elsewhere. */
export function withStored(local: readonly LocalReading[], stored: readonly Reading[]): readonly LocalReading[] {
  const shown = new Map(local.map((item) => [item.reading.id, item]))
  const news = stored.filter(({ id }) => shown.get(id)?.delivery.kind !== 'stored')
  if (news.length === 0) return local
  for (const reading of news)
    shown.set(reading.id, { reading: shown.get(reading.id)?.reading ?? reading, delivery: { kind: 'stored' } })
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
