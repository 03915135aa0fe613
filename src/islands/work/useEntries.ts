import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { v7 } from 'uuid'
import type { JobView, StoredEntry } from '../../contract/answers'
import type { Entry, EntryBody } from '../../core/work/entrySchema'
import { standingOn, subjectOf } from '../../core/work/subject'
import { hear } from '../hear'
import { type Answer, PATIENCE_MS, postJson } from '../httpClient'
import { type EntriesItem, forgetEntries, keepEntries, refusedEntries, waitingEntries, waitsForItsReading } from '../outbox'

/** What became of something noted. Queued: kept on this device, sent when the server can be reached. */
export type Fate =
  | { readonly kind: 'stored' }
  | { readonly kind: 'queued' }
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'overtaken' }

/** Somebody else changed the same thing meanwhile: theirs, and mine waiting for a choice. */
export interface Conflict {
  readonly item: EntriesItem
  readonly standing: Entry
  readonly mine: EntryBody
  readonly message: string
}

export interface Entries {
  /** Everything noted, with what waits on this device at the end. */
  readonly entries: readonly Entry[]
  /** Those of them that the server has. */
  readonly stored: readonly Entry[]
  readonly queued: number
  readonly link: 'reached' | 'offline' | 'signedOut'
  readonly conflict: Conflict | null
  /** What was noted before and the server has refused since: kept on this device until its author decides. */
  readonly refused: readonly EntriesItem[]
  /** Id of the entry that stands on each subject. */
  readonly standing: ReadonlyMap<string, string>
  write(...bodies: readonly EntryBody[]): Promise<Fate>
  /** The same, with what stood on one subject when its author began. */
  writeAgainst(seen: string | null, subject: string, ...bodies: readonly EntryBody[]): Promise<Fate>
  keepTheirs(): void
  putMine(): void
  /** Sends something refused once more, as it is. */
  sendRefused(item: EntriesItem): void
  dropRefused(id: string): void
  /** Takes in entries that another call answered with. */
  take(stored: readonly StoredEntry[]): void
}

const RETRY_MS = 4_000
const NOT_KEPT =
  'This browser lets nothing be kept on this device (a private window?), so nothing was noted. Open Medida in an ordinary window.'

interface Person {
  readonly id: string
  readonly name: string
}

/**
 * What is noted around a job: shown at once, kept on this device until the server has it, sent in order, and what other
 * people note arrives by itself; `alone` does without that: the bench shows what its page came with, and what is noted there.
 */
export function useEntries(view: JobView, person: Person, onChanged: (() => void) | 'alone'): Entries {
  const jobId = view.record.job.id
  const path = `/api/jobs/${encodeURIComponent(jobId)}`
  // What the page came with lies before everything that arrives later.
  const [stored, setStored] = useState<readonly StoredEntry[]>(() => view.record.job.entries.map((entry) => ({ seq: 0, entry })))
  const [queue, setQueue] = useState<readonly EntriesItem[]>([])
  const [link, setLink] = useState<Entries['link']>('reached')
  // One after the other is put to the person; none is sent again before there is an answer.
  const [conflicts, setConflicts] = useState<readonly Conflict[]>([])
  const conflict = conflicts[0] ?? null
  const [refused, setRefused] = useState<readonly EntriesItem[]>([])
  const sending = useRef(false)
  const askedAgain = useRef(false)
  const held = useRef(new Set<string>())
  const waiting = useRef(new Map<string, (fate: Fate) => void>())
  const changed = useRef<(() => void) | undefined>(undefined)
  changed.current = onChanged === 'alone' ? undefined : onChanged
  const alone = onChanged === 'alone'

  const take = useCallback((items: readonly StoredEntry[]) => {
    setStored((before) => {
      const known = new Set(before.map(({ entry }) => entry.id))
      const fresh = items.filter(({ entry }) => !known.has(entry.id))
      // An answer can overtake the stream: the server's order counts, not that of arrival.
      return fresh.length > 0 ? [...before, ...fresh].sort((a, b) => a.seq - b.seq) : before
    })
  }, [])

  const settle = useCallback((id: string, fate: Fate): boolean => {
    const resolve = waiting.current.get(id)
    waiting.current.delete(id)
    resolve?.(fate)
    return resolve !== undefined
  }, [])

  const drop = useCallback(async (id: string) => {
    setQueue((before) => before.filter((item) => item.id !== id))
    await forgetEntries(id)
  }, [])

  const send = useCallback(async () => {
    askedAgain.current = true
    if (sending.current) return
    sending.current = true
    try {
      while (askedAgain.current) {
        // Read anew after each one: more may have been noted, here or in another tab.
        askedAgain.current = false
        const next = (await waitingEntries(person.id, jobId)).find(({ id }) => !held.current.has(id))
        // Something may have been noted while the store was being read.
        if (!next || (await waitsForItsReading(next))) continue
        askedAgain.current = true
        const answer: Answer<{ entries: StoredEntry[] }> = await postJson(
          `${path}/entries`,
          { entries: next.entries },
          PATIENCE_MS,
        )
        if (answer.kind === 'ok') {
          setLink('reached')
          take(answer.value.entries)
          await drop(next.id)
          settle(next.id, { kind: 'stored' })
          continue
        }
        if (answer.kind === 'offline' || answer.status === 401 || answer.status === 429) {
          setLink(answer.kind === 'refused' && answer.status === 401 ? 'signedOut' : 'offline')
          for (const id of [...waiting.current.keys()]) settle(id, { kind: 'queued' })
          askedAgain.current = false
          break
        }
        setLink('reached')
        const { standing } = answer
        const mine = standing && next.entries.find(({ body }) => subjectOf(body) === subjectOf(standing.body))
        if (standing && mine) {
          held.current.add(next.id)
          setConflicts((before) => [...before, { item: next, standing, mine: mine.body, message: answer.message }])
          settle(next.id, { kind: 'overtaken' })
          continue
        }
        // Its form shows the sentence and has the text still; what nobody waits for is kept with the sentence.
        if (settle(next.id, { kind: 'refused', message: answer.message })) await drop(next.id)
        else {
          await keepEntries({ ...next, refused: answer.message })
          setQueue((before) => before.filter(({ id }) => id !== next.id))
          setRefused(await refusedEntries(person.id, jobId))
        }
      }
    } finally {
      sending.current = false
    }
  }, [person.id, jobId, path, take, drop, settle])

  useEffect(() => {
    let stale = false
    void refusedEntries(person.id, jobId).then((items) => !stale && setRefused(items))
    void waitingEntries(person.id, jobId).then((items) => {
      if (stale) return
      setQueue((before) => [...items.filter((item) => !before.some(({ id }) => id === item.id)), ...before])
      void send()
    })
    const retry = setInterval(() => void send(), RETRY_MS)
    const online = (): void => void send()
    addEventListener('online', online)
    return () => {
      stale = true
      clearInterval(retry)
      removeEventListener('online', online)
    }
  }, [person.id, jobId, send])

  useEffect(() => {
    if (alone) return
    return hear(
      { path: `${path}/events`, parameter: 'after', after: String(view.lastSeq) },
      { entry: (item) => take([item as StoredEntry]), changed: () => changed.current?.() },
    )
  }, [alone, path, view.lastSeq, take])

  const storedEntries = useMemo(() => stored.map(({ entry }) => entry), [stored])
  const entries = useMemo(() => {
    const all = storedEntries
    const known = new Set(all.map(({ id }) => id))
    const local = queue
      .filter(({ id }) => !conflicts.some(({ item }) => item.id === id))
      .flatMap(({ by, at, entries: own }) => own.map(({ id, body }): Entry => ({ id, by, at, body })))
      .filter(({ id }) => !known.has(id))
    return local.length > 0 ? [...all, ...local] : all
  }, [storedEntries, queue, conflicts])

  const latest = useRef(entries)
  latest.current = entries

  const enqueue = useCallback(
    async (item: EntriesItem): Promise<Fate> => {
      const fate = new Promise<Fate>((resolve) => waiting.current.set(item.id, resolve))
      setQueue((before) => [...before.filter(({ id }) => id !== item.id), item])
      try {
        await keepEntries(item)
      } catch {
        setQueue((before) => before.filter(({ id }) => id !== item.id))
        return { kind: 'refused', message: NOT_KEPT }
      }
      void send()
      return fate
    },
    [send],
  )

  const noteAll = useCallback(
    (standing: Map<string, string>, bodies: readonly EntryBody[]): Promise<Fate> => {
      const own = bodies.map((body) => {
        const id = v7()
        const seen = standing.get(subjectOf(body)) ?? null
        standing.set(subjectOf(body), id)
        return { id, seen, body }
      })
      return enqueue({ id: v7(), personId: person.id, jobId, by: person.name, at: new Date().toISOString(), entries: own })
    },
    [person, jobId, enqueue],
  )
  const write = useCallback(
    (...bodies: readonly EntryBody[]): Promise<Fate> => noteAll(standingOn(latest.current), bodies),
    [noteAll],
  )
  const writeAgainst = useCallback(
    (seen: string | null, subject: string, ...bodies: readonly EntryBody[]): Promise<Fate> => {
      const standing = standingOn(latest.current)
      if (seen === null) standing.delete(subject)
      else standing.set(subject, seen)
      return noteAll(standing, bodies)
    },
    [noteAll],
  )
  const standing = useMemo(() => standingOn(entries), [entries])

  const answered = ({ item }: Conflict): void => {
    held.current.delete(item.id)
    setConflicts((before) => before.filter((one) => one.item.id !== item.id))
  }
  const keepTheirs = (): void => {
    if (!conflict) return
    answered(conflict)
    void drop(conflict.item.id).then(send)
  }
  const putMine = (): void => {
    if (!conflict) return
    const { item, standing: theirs } = conflict
    answered(conflict)
    const own = item.entries.map((one) => (subjectOf(one.body) === subjectOf(theirs.body) ? { ...one, seen: theirs.id } : one))
    void enqueue({ ...item, entries: own })
  }

  return {
    entries,
    stored: storedEntries,
    queued: queue.length,
    link,
    conflict,
    refused,
    standing,
    write,
    writeAgainst,
    keepTheirs,
    putMine,
    sendRefused: (item) => {
      const { refused: _, ...again } = item
      setRefused((before) => before.filter(({ id }) => id !== item.id))
      void enqueue(again)
    },
    dropRefused: (id) => {
      setRefused((before) => before.filter((item) => item.id !== id))
      void forgetEntries(id)
    },
    take,
  }
}
