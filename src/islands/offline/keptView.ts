import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { JobView } from '../../contract/answers'

/** A job as this device last saw it, for one person: what the bench shows when no server can be reached. */
export interface KeptView {
  readonly key: string
  readonly view: JobView
  readonly today: string
  /** When it came from the server, ISO. */
  readonly at: string
}

interface KeptSchema extends DBSchema {
  views: { key: string; value: KeptView }
}

let opened: Promise<IDBPDatabase<KeptSchema>> | undefined
function database(): Promise<IDBPDatabase<KeptSchema>> {
  opened ??= openDB<KeptSchema>('medida-kept', 1, {
    upgrade: (db) => void db.createObjectStore('views', { keyPath: 'key' }),
  })
  return opened
}

const keyOf = (personId: string, jobId: string): string => `${personId} ${jobId}`

export async function keepView(personId: string, kept: Omit<KeptView, 'key'>): Promise<void> {
  await (await database()).put('views', { ...kept, key: keyOf(personId, kept.view.record.job.id) })
}

export async function keptView(personId: string, jobId: string): Promise<KeptView | null> {
  return (await (await database()).get('views', keyOf(personId, jobId))) ?? null
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
