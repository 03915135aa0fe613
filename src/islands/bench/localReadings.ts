import type { Reading } from '../../core/record/recordSchema'
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
  return same ? local : now.sort((a, b) => (a.reading.id < b.reading.id ? -1 : 1))
}
