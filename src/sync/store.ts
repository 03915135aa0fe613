import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import { type EntriesItem, type Item, itemNow, type ReadingItem } from './item'
import type { ItemStore } from './outbox'

/** As versions 1 and 2 kept them: readings and entries apart. */
type OlderReading = Omit<ReadingItem, 'kind' | 'fate'> & { readonly sent?: number }
type OlderEntries = Omit<EntriesItem, 'kind' | 'fate'> & { readonly refused?: string }

interface Schema extends DBSchema {
  outbox: { key: string; value: Item; indexes: { person: string } }
  items: { key: string; value: OlderReading }
  entries: { key: string; value: OlderEntries }
}

const itemOfReading = ({ sent, ...item }: OlderReading): ReadingItem => ({
  ...item,
  kind: 'reading',
  fate: sent === undefined ? { kind: 'waiting' } : { kind: 'stored', atMs: sent, answer: null },
})

const itemOfEntries = ({ refused, ...item }: OlderEntries): EntriesItem => ({
  ...item,
  kind: 'entries',
  fate: refused === undefined ? { kind: 'waiting' } : { kind: 'refused', status: 400, message: refused },
})

let opened: Promise<IDBPDatabase<Schema>> | undefined

function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('medida-outbox', 3, {
    // What an older page accepted and could not send yet is taken along.
    async upgrade(db, before, _now, transaction) {
      const outbox = db.createObjectStore('outbox', { keyPath: 'id' })
      outbox.createIndex('person', 'personId')
      if (before >= 1) for (const item of await transaction.objectStore('items').getAll()) await outbox.put(itemOfReading(item))
      if (before >= 2) for (const item of await transaction.objectStore('entries').getAll()) await outbox.put(itemOfEntries(item))
      if (before >= 1) db.deleteObjectStore('items')
      if (before >= 2) db.deleteObjectStore('entries')
    },
    // Another tab with a newer page waits for this one to let go.
    blocking: (_current, _blocked, event) => {
      opened = undefined
      ;(event.target as IDBDatabase | null)?.close()
    },
  })
  // A browser that did not open it once may the next time.
  opened.catch(() => {
    opened = undefined
  })
  return opened
}

/** Before the id of what is jotted down. */
const JOT = 'medida-jot:'

/** What is kept in this browser, for every tab of it. */
export const browserStore: ItemStore = {
  all: async (personId) => (await (await database()).getAllFromIndex('outbox', 'person', personId)).map(itemNow),
  change: async (id, make) => {
    const transaction = (await database()).transaction('outbox', 'readwrite')
    const kept = await transaction.store.get(id)
    const made = make(kept && itemNow(kept))
    const written = made !== null ? transaction.store.put(made) : transaction.store.delete(id)
    await Promise.all([written, transaction.done])
  },
  // The database answers later; this storage has written when it returns.
  jot: (item) => {
    try {
      localStorage.setItem(JOT + item.id, JSON.stringify(item))
    } catch {
      // Full or closed to this page: the database takes it all the same.
    }
  },
  jotted: (personId) => {
    try {
      return Object.keys(localStorage)
        .filter((key) => key.startsWith(JOT))
        .map((key): Item => JSON.parse(localStorage.getItem(key) ?? 'null'))
        .filter((item) => item?.personId === personId)
        .map(itemNow)
    } catch {
      return []
    }
  },
  rub: (id) => {
    try {
      localStorage.removeItem(JOT + id)
    } catch {
      // Where nothing could be written there is nothing to rub out.
    }
  },
}
