import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { v7 } from 'uuid'
import type { BookEditView } from '../../contract/bookAnswers'
import {
  type BookEdits,
  bothWrote,
  type Entry,
  editsBetween,
  entriesOf,
  idOf,
  isNothing,
  type WrittenBook,
  withEdits,
} from '../../core/book/edits'
import type { Path } from '../../core/book/path'
import { say } from '../../labels/bookEditor'
import { getJson, postJson } from '../../sync/http'
import { withValue } from './withValue'

export interface BookEdit {
  readonly view: BookEditView
  /** As it is written now. */
  readonly book: WrittenBook
  readonly edits: BookEdits
  readonly busy: boolean
  readonly fault: string | null
  readonly note: string | null
  /** Entries that somebody else changed too; what is written here stands until theirs is taken. */
  readonly both: readonly { readonly list: string; readonly id: string }[]
  /** Writes a value at a place of an entry; undefined: nothing stands there. */
  readonly write: (list: string, id: string, path: Path, value: unknown) => void
  readonly writeAbout: (key: string, text: string) => void
  readonly put: (list: string, entry: Entry, after: string | null) => void
  readonly takeOut: (list: string, id: string) => void
  readonly move: (list: string, id: string, by: 1 | -1) => void
  /** An entry as the draft has it. */
  readonly asWas: (list: string, id: string) => void
  readonly discard: () => void
  readonly save: () => Promise<void>
}

const KEEP_MS = 400

interface Kept {
  readonly base: string
  readonly edits: BookEdits
}

function keptAt(key: string): Kept | null {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? 'null')
    return typeof kept === 'object' && kept !== null && 'edits' in kept ? (kept as Kept) : null
  } catch {
    return null
  }
}

/** A book as it is being written over its latest draft: kept on the device until it is saved, and laid over what others saved. */
export function useBookEdit(start: BookEditView, person: string): BookEdit {
  const [view, setView] = useState(start)
  const base = view.book as unknown as WrittenBook
  const [book, show] = useState<WrittenBook>(base)
  /** As it is written at this very moment: a page that ends now keeps it. */
  const now = useRef(book)
  const setBook = useCallback((change: (was: WrittenBook) => WrittenBook) => {
    now.current = change(now.current)
    show(now.current)
  }, [])
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const [note, setNote] = useState<string | null>(null)
  const [both, setBoth] = useState<BookEdit['both']>([])
  const unanswered = useRef<{ readonly id: string; readonly says: string } | null>(null)
  // Of whoever wrote it: on a shared tablet nobody saves what another typed as their own.
  const key = `medida-book:${person}:${view.book.id}`
  const edits = useMemo(() => editsBetween(base, book), [base, book])

  // biome-ignore lint/correctness/useExhaustiveDependencies: what was kept is laid over the draft once, when the page opens
  useEffect(() => {
    const kept = keptAt(key)
    if (kept === null) return
    setBook(() => withEdits(base, kept.edits))
    if (kept.base !== view.revision) setNote(say.laidOver(view.revision))
  }, [])

  const keep = useCallback(() => {
    const written = editsBetween(base, now.current)
    if (isNothing(written)) localStorage.removeItem(key)
    else localStorage.setItem(key, JSON.stringify({ base: view.revision, edits: written } satisfies Kept))
  }, [base, key, view.revision])
  const isFirst = useRef(true)
  // biome-ignore lint/correctness/useExhaustiveDependencies: kept a moment after each change of the book
  useEffect(() => {
    // What stands here first is not yet what was kept.
    if (isFirst.current) {
      isFirst.current = false
      return
    }
    const timer = setTimeout(keep, KEEP_MS)
    return () => clearTimeout(timer)
  }, [book, keep])
  useEffect(() => {
    addEventListener('pagehide', keep)
    return () => removeEventListener('pagehide', keep)
  }, [keep])

  const inList = useCallback(
    (list: string, change: (entries: readonly Entry[]) => readonly Entry[]) =>
      setBook((was) => ({ ...was, [list]: change(entriesOf(was, list)) })),
    [setBook],
  )
  const write = useCallback(
    (list: string, id: string, path: Path, value: unknown) =>
      inList(list, (entries) => entries.map((entry) => (idOf(entry) === id ? (withValue(entry, path, value) as Entry) : entry))),
    [inList],
  )

  /** What others saved meanwhile, with what is written here over it. */
  const layOver = async (): Promise<void> => {
    const stored = await getJson<BookEditView>(pathOf(view))
    if (stored.kind !== 'ok') return
    const theirs = stored.value.book as unknown as WrittenBook
    const mine = editsBetween(base, book)
    setBoth(bothWrote(mine, editsBetween(base, theirs)))
    setView(stored.value)
    setBook(() => withEdits(theirs, mine))
    setNote(say.laidOver(stored.value.revision))
  }

  const save = async (): Promise<void> => {
    const says = JSON.stringify({ base: view.revision, edits })
    const id = unanswered.current?.says === says ? unanswered.current.id : v7()
    unanswered.current = { id, says }
    setBusy(true)
    setFault(null)
    const answer = await postJson<{ revision: string }>(pathOf(view), { id, base: view.revision, edits })
    if (answer.kind === 'offline') setFault(say.notReached)
    else {
      unanswered.current = null
      if (answer.kind === 'ok') {
        const stored = await getJson<BookEditView>(pathOf(view))
        localStorage.removeItem(key)
        setBoth([])
        setNote(say.saved(answer.value.revision))
        if (stored.kind === 'ok') {
          setView(stored.value)
          setBook(() => stored.value.book as unknown as WrittenBook)
        }
      } else if (answer.status === 409) await layOver()
      else setFault([answer.message, ...answer.issues.slice(0, 5).map(({ path, message }) => `${path}: ${message}`)].join(' '))
    }
    setBusy(false)
  }

  const asWas = (list: string, id: string): void => {
    const old = entriesOf(base, list).find((entry) => idOf(entry) === id)
    inList(list, (entries) =>
      old === undefined
        ? entries.filter((entry) => idOf(entry) !== id)
        : entries.some((entry) => idOf(entry) === id)
          ? entries.map((entry) => (idOf(entry) === id ? old : entry))
          : [...entries, old],
    )
    setBoth((was) => was.filter((one) => one.list !== list || one.id !== id))
  }

  return {
    view,
    book,
    edits,
    busy,
    fault,
    note,
    both,
    write,
    writeAbout: (field, text) => setBook((was) => ({ ...was, [field]: text })),
    put: (list, entry, after) =>
      inList(list, (entries) => {
        const at = entries.findIndex((one) => idOf(one) === after)
        return at < 0 ? [...entries, entry] : entries.toSpliced(at + 1, 0, entry)
      }),
    takeOut: (list, id) => inList(list, (entries) => entries.filter((entry) => idOf(entry) !== id)),
    move: (list, id, by) =>
      inList(list, (entries) => {
        const at = entries.findIndex((entry) => idOf(entry) === id)
        const own = entries[at]
        if (!own || !entries[at + by]) return entries
        return entries.toSpliced(at, 1).toSpliced(at + by, 0, own)
      }),
    asWas,
    discard: () => {
      setBook(() => base)
      setBoth([])
      setNote(null)
      setFault(null)
    },
    save,
  }
}

const pathOf = ({ book: { id } }: BookEditView): string => `/api/books/${encodeURIComponent(id)}/edits`
