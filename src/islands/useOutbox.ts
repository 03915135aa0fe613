import { useMemo, useRef, useSyncExternalStore } from 'react'
import { outboxOf } from '../sync/browserOutbox'
import type { Item } from '../sync/item'
import type { Outbox, OutboxState } from '../sync/outbox'

/** On the server nothing is kept; the first picture in the browser is the same. */
const NOTHING: OutboxState = { items: [], link: 'reached', loaded: false, keeps: true }
const nothing = (): OutboxState => NOTHING

/** What a person accepted on this device for one job, of one kind, in its order: the same list while nothing of it changes. */
export function useOutbox<K extends Item['kind']>(
  personId: string,
  jobId: string,
  kind: K,
): Omit<OutboxState, 'items'> & { readonly outbox: Outbox; readonly own: readonly Extract<Item, { kind: K }>[] } {
  const outbox = useMemo(() => outboxOf(personId), [personId])
  const { items, ...state } = useSyncExternalStore(outbox.subscribe, outbox.state, nothing)
  const before = useRef<readonly Extract<Item, { kind: K }>[]>([])
  const own = items.filter((item): item is Extract<Item, { kind: K }> => item.kind === kind && item.jobId === jobId)
  const isSame = own.length === before.current.length && own.every((item, at) => item === before.current[at])
  if (!isSame) before.current = own
  return { ...state, outbox, own: before.current }
}
