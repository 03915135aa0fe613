import type { StoredEntry } from '../contract/answers'
import type { ReadingBody, SentEntry } from '../contract/bodies'
import type { Entry, EntryBody } from '../core/notes/entrySchema'
import { subjectOf } from '../core/notes/subject'
import { noteNow } from '../core/record/fromVersion2'
import type { Reading } from '../core/record/recordSchema'

/** What became of something that its author accepted. */
export type Fate =
  | { readonly kind: 'waiting' }
  /** The server has it. It stays here a while, for a page that was being made meanwhile and does not know it. */
  | { readonly kind: 'stored'; readonly atMs: number; readonly answer: unknown }
  /** The server did not take it; it stays here until its author sends it again or drops it. */
  | { readonly kind: 'refused'; readonly status: number; readonly message: string }
  /** Somebody else wrote the same thing meanwhile: theirs, until its author chooses. */
  | { readonly kind: 'overtaken'; readonly standing: Entry; readonly mine: EntryBody; readonly message: string }

interface Kept {
  /** UUID v7: ids sort in the order in which things were accepted. */
  readonly id: string
  /** Belongs to who accepted it; shown to and sent by nobody else. */
  readonly personId: string
  readonly jobId: string
  readonly fate: Fate
}

/** One accepted reading: what is sent, and the reading as it will stand. */
export interface ReadingItem extends Kept {
  readonly kind: 'reading'
  readonly body: ReadingBody
  readonly reading: Reading
}

/** Entries that belong together, by whom and when, ISO. */
export interface EntriesItem extends Kept {
  readonly kind: 'entries'
  readonly by: string
  readonly at: string
  readonly entries: readonly SentEntry[]
}

/** Anything on its way to the server. */
export type Item = ReadingItem | EntriesItem

const asNoted = <T extends { readonly body: EntryBody }>(entry: T): T => ({ ...entry, body: noteNow(entry.body) })

/** An item that a page of an earlier release accepted, as it is written today. */
export function itemNow(item: Item): Item {
  if (item.kind === 'reading') return item
  return { ...item, entries: item.entries.map(asNoted), fate: fateNow(item) }
}

function fateNow(item: EntriesItem): Fate {
  const { fate } = item
  if (fate.kind === 'overtaken') return { ...fate, standing: asNoted(fate.standing), mine: asNoted({ body: fate.mine }).body }
  if (fate.kind !== 'stored' || fate.answer === null) return fate
  return { ...fate, answer: { entries: storedEntriesOf(item).map((of) => ({ ...of, entry: asNoted(of.entry) })) } }
}

/** Status of something that no server has answered to. */
export const UNSENT = 0

export const isWaiting = ({ fate }: Item): boolean => fate.kind === 'waiting'

/** Where an item goes, and what is sent of it. */
export function requestOf(item: Item): { readonly path: string; readonly body: unknown } {
  const job = `/api/jobs/${encodeURIComponent(item.jobId)}`
  switch (item.kind) {
    case 'reading':
      return { path: `${job}/readings`, body: item.body }
    case 'entries':
      return { path: `${job}/entries`, body: { entries: item.entries } }
  }
}

/** What of an item somebody else has overtaken with what stands now; null when that is about something else. */
export function overtakenBy(item: Item, standing: Entry): EntryBody | null {
  if (item.kind === 'reading') return null
  return item.entries.find(({ body }) => subjectOf(body) === subjectOf(standing.body))?.body ?? null
}

/** The same entries, put in the place of what stands now. */
export const putOver = (item: EntriesItem, theirs: Entry): EntriesItem => ({
  ...item,
  entries: item.entries.map((own) => (subjectOf(own.body) === subjectOf(theirs.body) ? { ...own, seen: theirs.id } : own)),
})

/** Stored entries as the server answered with them. */
export const storedEntriesOf = ({ fate }: EntriesItem): readonly StoredEntry[] =>
  fate.kind === 'stored' ? (fate.answer as { readonly entries: readonly StoredEntry[] }).entries : []

/** What of an answer is kept beside a stored item: entries come back with their place in the order of all. */
export const keptAnswer = (item: Item, answer: unknown): unknown => (item.kind === 'entries' ? answer : null)

/**
 * Whether an item needs another one to be stored first: a reading its characteristic and the reading it corrects, a note the
 * reading it stands at and what stood there before it. Ids say the same, unless the clock of the device was put back.
 */
export function needs(item: Item, other: Item): boolean {
  if (item.jobId !== other.jobId || item.id === other.id) return false
  if (item.kind === 'reading')
    return other.kind === 'reading'
      ? item.body.supersedes === other.reading.id
      : other.entries.some(({ body }) => body.kind === 'characteristicTyped' && body.characteristic === item.body.characteristic)
  return other.kind === 'reading'
    ? item.entries.some(({ body }) => body.kind === 'readingNoted' && body.reading === other.reading.id)
    : item.entries.some(({ seen }) => other.entries.some(({ id }) => id === seen))
}
