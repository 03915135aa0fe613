import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { ReadingBody, SentEntry } from '../contract/bodies'
import type { Reading } from '../core/record/recordSchema'

interface Kept {
  readonly id: string
  /** Belongs to who accepted it; shown to and sent by nobody else. */
  readonly personId: string
  readonly jobId: string
}

/** One accepted reading on its way to the server: what is sent, and the reading as it will stand. */
export interface OutboxItem extends Kept {
  readonly body: ReadingBody
  readonly reading: Reading
  /** When the server took it, ms; it stays a while, for a page that was being made meanwhile and does not know it. */
  readonly sent?: number
}

/** Entries that belong together, on their way to the server. */
export interface EntriesItem extends Kept {
  readonly by: string
  readonly at: string
  readonly entries: readonly SentEntry[]
  /** Why the server did not take them. They stay here until their author sends them again or drops them. */
  readonly refused?: string
}

interface OutboxSchema extends DBSchema {
  items: { key: string; value: OutboxItem; indexes: { person: string } }
  entries: { key: string; value: EntriesItem; indexes: { person: string } }
}

let opened: Promise<IDBPDatabase<OutboxSchema>> | undefined

function database(): Promise<IDBPDatabase<OutboxSchema>> {
  opened ??= openDB<OutboxSchema>('medida-outbox', 2, {
    upgrade(db, before) {
      if (before < 1) db.createObjectStore('items', { keyPath: 'id' }).createIndex('person', 'personId')
      if (before < 2) db.createObjectStore('entries', { keyPath: 'id' }).createIndex('person', 'personId')
    },
    // Another tab with a newer page waits for this one to let go.
    blocking: (_current, _blocked, event) => {
      opened = undefined
      ;(event.target as IDBDatabase | null)?.close()
    },
  })
  return opened
}

let channel: BroadcastChannel | undefined
/** Other tabs show what is kept here too: they are told when it changes. */
function news(): BroadcastChannel {
  channel ??= new BroadcastChannel('medida-outbox')
  return channel
}

/** Calls when another tab has changed what is kept on this device; the answer stops that. */
export function onOutboxChanged(call: () => void): () => void {
  news().addEventListener('message', call)
  return () => news().removeEventListener('message', call)
}

const oldestFirst = <T extends Kept>(items: readonly T[], jobId: string): T[] =>
  items.filter((item) => item.jobId === jobId).sort((a, b) => (a.id < b.id ? -1 : 1))

/** Keeps an accepted reading on this device until the server has it. */
export async function putInOutbox(item: OutboxItem): Promise<void> {
  await (await database()).put('items', item)
  news().postMessage('kept')
}

/** How long a stored reading is still kept here: longer than any page takes to come up. */
const KEPT_MS = 120_000

/** Notes that the server has it. */
export async function markSent(item: OutboxItem): Promise<void> {
  await (await database()).put('items', { ...item, sent: Date.now() })
  news().postMessage('sent')
}

/** Forgets what the server has had for long. */
export async function forgetSent(items: readonly OutboxItem[]): Promise<void> {
  const db = await database()
  for (const { id, sent } of items) if (sent !== undefined && Date.now() - sent > KEPT_MS) await db.delete('items', id)
}

export async function takeFromOutbox(id: string): Promise<void> {
  await (await database()).delete('items', id)
  news().postMessage('dropped')
}

/** A person's waiting readings of one job, in the order they were accepted: the ids are UUID v7, which sort by time. */
export async function waitingInOutbox(personId: string, jobId: string): Promise<OutboxItem[]> {
  return oldestFirst(await (await database()).getAllFromIndex('items', 'person', personId), jobId)
}

/** Whether what a reading belongs to was typed on this device and waits here too: it goes first. */
export async function waitsForItsCharacteristic({ personId, jobId, body }: OutboxItem): Promise<boolean> {
  const waiting = await waitingEntries(personId, jobId)
  return waiting.some(({ entries }) =>
    entries.some((entry) => entry.body.kind === 'characteristicTyped' && entry.body.characteristic === body.characteristic),
  )
}

/** Whether something is noted at a reading that waits here too: the reading goes first. */
export async function waitsForItsReading({ personId, jobId, entries }: EntriesItem): Promise<boolean> {
  const readings = entries.flatMap(({ body }) => (body.kind === 'readingNoted' ? body.reading : []))
  if (readings.length === 0) return false
  return (await waitingInOutbox(personId, jobId)).some(({ id, sent }) => sent === undefined && readings.includes(id))
}

/** Keeps entries on this device until the server has them. */
export async function keepEntries(item: EntriesItem): Promise<void> {
  await (await database()).put('entries', item)
}

export async function forgetEntries(id: string): Promise<void> {
  await (await database()).delete('entries', id)
}

/** A person's entries of one job that are kept here, oldest first. */
const keptEntries = async (personId: string, jobId: string): Promise<EntriesItem[]> =>
  oldestFirst(await (await database()).getAllFromIndex('entries', 'person', personId), jobId)

/** Those that wait to be sent. */
export const waitingEntries = async (personId: string, jobId: string): Promise<EntriesItem[]> =>
  (await keptEntries(personId, jobId)).filter(({ refused }) => refused === undefined)

/** Those that the server did not take. */
export const refusedEntries = async (personId: string, jobId: string): Promise<EntriesItem[]> =>
  (await keptEntries(personId, jobId)).filter(({ refused }) => refused !== undefined)
