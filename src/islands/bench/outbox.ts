import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { ReadingBody } from '../../contract/bodies'
import type { Reading } from '../../core/record/recordSchema'

/** One accepted reading on its way to the server: what is sent, and the reading as it will stand. */
export interface OutboxItem {
  readonly id: string
  /** Belongs to who accepted it; shown to and sent by nobody else. */
  readonly personId: string
  readonly jobId: string
  readonly body: ReadingBody
  readonly reading: Reading
}

interface OutboxSchema extends DBSchema {
  items: { key: string; value: OutboxItem; indexes: { person: string } }
}

let opened: Promise<IDBPDatabase<OutboxSchema>> | undefined

function database(): Promise<IDBPDatabase<OutboxSchema>> {
  opened ??= openDB<OutboxSchema>('medida-outbox', 1, {
    upgrade(db) {
      db.createObjectStore('items', { keyPath: 'id' }).createIndex('person', 'personId')
    },
  })
  return opened
}

/** Keeps an accepted reading on this device until the server has it. */
export async function putInOutbox(item: OutboxItem): Promise<void> {
  await (await database()).put('items', item)
}

export async function takeFromOutbox(id: string): Promise<void> {
  await (await database()).delete('items', id)
}

/** A person's waiting readings of one job, in the order they were accepted: the ids are UUID v7, which sort by time. */
export async function waitingInOutbox(personId: string, jobId: string): Promise<OutboxItem[]> {
  const items = await (await database()).getAllFromIndex('items', 'person', personId)
  return items.filter((item) => item.jobId === jobId).sort((a, b) => (a.id < b.id ? -1 : 1))
}
