import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { v7 } from 'uuid'
import { now } from '../../clock/clock'
import type { JobView, StoredEntry } from '../../contract/answers'
import type { Entry, EntryBody } from '../../core/notes/entrySchema'
import { standingOn, subjectOf } from '../../core/notes/subject'
import { hear } from '../../sync/hear'
import { type EntriesItem, isWaiting, putOver, storedEntriesOf } from '../../sync/item'
import type { Link, Told } from '../../sync/outbox'
import { useOutbox } from '../useOutbox'

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
  readonly link: Link
  readonly conflict: Conflict | null
  /** What was noted before and the server has refused since: kept on this device until its author decides. */
  readonly refused: readonly EntriesItem[]
  /** Id of the entry that stands on each subject. */
  readonly standing: ReadonlyMap<string, string>
  write(...bodies: readonly EntryBody[]): Promise<Told>
  /** The same, with what stood on one subject when its author began. */
  writeAgainst(seen: string | null, subject: string, ...bodies: readonly EntryBody[]): Promise<Told>
  keepTheirs(): void
  putMine(): void
  /** Sends something refused once more, as it is. */
  sendRefused(item: EntriesItem): void
  dropRefused(id: string): void
  /** Takes in entries that another call answered with. */
  take(stored: readonly StoredEntry[]): void
}

interface Person {
  readonly id: string
  readonly name: string
}

/** Each once, in the server's order: an answer can overtake the stream. */
function inOrder(items: readonly StoredEntry[]): readonly Entry[] {
  const once = new Map(items.map((item) => [item.entry.id, item]))
  return [...once.values()].sort((a, b) => a.seq - b.seq).map(({ entry }) => entry)
}

const conflictOf = (item: EntriesItem): Conflict[] =>
  item.fate.kind === 'overtaken' ? [{ item, standing: item.fate.standing, mine: item.fate.mine, message: item.fate.message }] : []

/**
 * What is noted around a job: shown at once, kept on this device until the server has it, sent in order, and what other
 * people note arrives by itself; `alone` does without that: the bench shows what its page came with, and what is noted there.
 */
export function useEntries(view: JobView, person: Person, onChanged: (() => void) | 'alone'): Entries {
  const jobId = view.record.job.id
  const { outbox, own, link } = useOutbox(person.id, jobId, 'entries')
  // What the page came with lies before everything that arrives later.
  const [arrived, setArrived] = useState<readonly StoredEntry[]>(() =>
    view.record.job.entries.map((entry) => ({ seq: 0, entry })),
  )
  const changed = useRef<(() => void) | undefined>(undefined)
  changed.current = onChanged === 'alone' ? undefined : onChanged
  const alone = onChanged === 'alone'

  const take = useCallback((items: readonly StoredEntry[]) => {
    setArrived((before) => {
      const known = new Set(before.map(({ entry }) => entry.id))
      const fresh = items.filter(({ entry }) => !known.has(entry.id))
      return fresh.length > 0 ? [...before, ...fresh] : before
    })
  }, [])

  useEffect(() => {
    if (alone) return
    return hear(
      { path: `/api/jobs/${encodeURIComponent(jobId)}/events`, parameter: 'after', after: String(view.lastSeq) },
      { entry: (item) => take([item as StoredEntry]), changed: () => changed.current?.() },
    )
  }, [alone, jobId, view.lastSeq, take])

  // The same list while no entry is new: what lies stored in the outbox the stream brings as well.
  const storedNow = useMemo(() => {
    const known = new Set(arrived.map(({ entry }) => entry.id))
    const fresh = own.flatMap(storedEntriesOf).filter(({ entry }) => !known.has(entry.id))
    return fresh.length > 0 ? [...arrived, ...fresh] : arrived
  }, [arrived, own])
  const stored = useMemo(() => inOrder(storedNow), [storedNow])
  const entries = useMemo(() => {
    const known = new Set(stored.map(({ id }) => id))
    const waiting = own
      .filter(isWaiting)
      .flatMap(({ by, at, entries: items }) => items.map(({ id, body }): Entry => ({ id, by, at, body })))
      .filter(({ id }) => !known.has(id))
    return waiting.length > 0 ? [...stored, ...waiting] : stored
  }, [stored, own])

  const latest = useRef(entries)
  latest.current = entries

  const noteAll = useCallback(
    (standing: Map<string, string>, bodies: readonly EntryBody[]): Promise<Told> => {
      const sent = bodies.map((body) => {
        const id = v7()
        const seen = standing.get(subjectOf(body)) ?? null
        standing.set(subjectOf(body), id)
        return { id, seen, body }
      })
      const at = now().toISOString()
      const whose = { personId: person.id, jobId, by: person.name, at }
      return outbox.acceptAndWait({ kind: 'entries', id: v7(), ...whose, fate: { kind: 'waiting' }, entries: sent })
    },
    [person, jobId, outbox],
  )
  const write = useCallback(
    (...bodies: readonly EntryBody[]): Promise<Told> => noteAll(standingOn(latest.current), bodies),
    [noteAll],
  )
  const writeAgainst = useCallback(
    (seen: string | null, subject: string, ...bodies: readonly EntryBody[]): Promise<Told> => {
      const standing = standingOn(latest.current)
      if (seen === null) standing.delete(subject)
      else standing.set(subject, seen)
      return noteAll(standing, bodies)
    },
    [noteAll],
  )
  const standing = useMemo(() => standingOn(entries), [entries])
  // One after the other is put to the person; none is sent again before there is an answer.
  const conflict = own.flatMap(conflictOf)[0] ?? null

  return {
    entries,
    stored,
    queued: own.filter(isWaiting).length,
    link,
    conflict,
    refused: own.filter(({ fate }) => fate.kind === 'refused'),
    standing,
    write,
    writeAgainst,
    keepTheirs: () => {
      if (conflict) outbox.drop(conflict.item.id)
    },
    putMine: () => {
      if (conflict) outbox.sendAgain(putOver(conflict.item, conflict.standing))
    },
    sendRefused: outbox.sendAgain,
    dropRefused: outbox.drop,
    take,
  }
}
