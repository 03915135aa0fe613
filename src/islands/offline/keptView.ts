import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { JobView } from '../../contract/answers'
import type { Entry, EntryBody } from '../../core/notes/entrySchema'
import { noteNow } from '../../core/record/fromVersion2'
import type { InspectionRecord, Reading } from '../../core/record/recordSchema'
import { upgradeRecord } from '../../core/record/upgrade'
import { recordWith } from '../notes/recordWith'
import { readPageData } from '../pageData/pageText'

/** A job as this device last saw it, for one person: what the bench shows when no server can be reached. */
export interface KeptView {
  readonly view: JobView
  readonly today: string
  /** When it came from the server, ISO. */
  readonly at: string
}

/** A page as it came: its view as text, because a record taken apart takes the browser long to store. */
interface KeptPage extends Omit<KeptView, 'view'> {
  readonly key: string
  readonly text: string
}

/** What this device added to a job since its page came. */
type Added = { readonly id: string; readonly key: string } & ({ readonly reading: Reading } | { readonly entry: Entry })

interface KeptSchema extends DBSchema {
  pages: { key: string; value: KeptPage }
  added: { key: string; value: Added; indexes: { key: string } }
}

let opened: Promise<IDBPDatabase<KeptSchema>> | undefined
function database(): Promise<IDBPDatabase<KeptSchema>> {
  opened ??= openDB<KeptSchema>('medida-kept', 2, {
    upgrade(db, before) {
      // Version 1 kept records taken apart; the next page that comes is kept anew.
      if (before === 1) (db as unknown as IDBDatabase).deleteObjectStore('views')
      db.createObjectStore('pages', { keyPath: 'key' })
      db.createObjectStore('added', { keyPath: 'id' }).createIndex('key', 'key')
    },
    // Another tab with a newer page waits for this one to let go.
    blocking: (_current, _blocked, event) => {
      opened = undefined
      ;(event.target as IDBDatabase | null)?.close()
    },
  })
  return opened
}

const keyOf = (personId: string, jobId: string): string => `${personId} ${jobId}`

/** Keeps a page as it came, and lets go of what was added before and is in it. */
export async function keepPage(personId: string, { record: { job } }: JobView, page: Omit<KeptPage, 'key'>): Promise<void> {
  const key = keyOf(personId, job.id)
  const known = new Set([...job.readings, ...job.entries].map(({ id }) => id))
  const tx = (await database()).transaction(['pages', 'added'], 'readwrite')
  await tx.objectStore('pages').put({ ...page, key })
  const added = tx.objectStore('added')
  for (const id of await added.index('key').getAllKeys(key)) if (known.has(id)) await added.delete(id)
  await tx.done
}

/** Keeps what this device added since. */
export async function keepAdded(
  personId: string,
  jobId: string,
  { readings, entries }: { readonly readings: readonly Reading[]; readonly entries: readonly Entry[] },
): Promise<void> {
  const key = keyOf(personId, jobId)
  const tx = (await database()).transaction('added', 'readwrite')
  for (const reading of readings) await tx.store.put({ id: reading.id, key, reading })
  for (const entry of entries) await tx.store.put({ id: entry.id, key, entry })
  await tx.done
}

/** The job as it was kept, with what was added since; null when it was never opened on this device. */
export async function keptView(personId: string, jobId: string): Promise<KeptView | null> {
  const key = keyOf(personId, jobId)
  const db = await database()
  const page = await db.get('pages', key)
  if (!page) return null
  const view = readPageData(page.text)
  // A page of an earlier release holds its record as it was then.
  const record = upgradeRecord(view.record) as InspectionRecord
  const known = new Set([...record.job.readings, ...record.job.entries].map(({ id }) => id))
  // Ids are UUID v7: in the order in which they were made.
  const added = (await db.getAllFromIndex('added', 'key', key)).filter(({ id }) => !known.has(id))
  const readings = added.flatMap((item) => ('reading' in item ? item.reading : []))
  const entries = added.flatMap((item) => ('entry' in item ? { ...item.entry, body: noteNow(item.entry.body) as EntryBody } : []))
  const noted = recordWith(record, [...record.job.entries, ...entries])
  const job = { ...noted.job, readings: [...noted.job.readings, ...readings] }
  return { view: { ...view, record: { ...noted, job } }, today: page.today, at: page.at }
}

export interface Person {
  readonly id: string
  readonly name: string
}

/** Who is signed in on this device; signing out forgets it, so that the shell shows nobody's job then. */
const PERSON_KEY = 'medida-bench-person'

export const rememberPerson = (person: Person): void => localStorage.setItem(PERSON_KEY, JSON.stringify(person))

export function rememberedPerson(): Person | null {
  try {
    const saved: unknown = JSON.parse(localStorage.getItem(PERSON_KEY) ?? 'null')
    return saved !== null && typeof saved === 'object' && 'id' in saved && 'name' in saved
      ? { id: String(saved.id), name: String(saved.name) }
      : null
  } catch {
    return null
  }
}
