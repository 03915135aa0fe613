import { useCallback, useEffect, useRef, useState } from 'react'
import type { EntryBody } from '../../core/notes/entrySchema'
import type { Told } from '../../sync/outbox'
import type { JobNotes } from './useNotes'

export interface SubjectForm<T> {
  readonly value: T
  /** Something is typed that is not noted yet. */
  readonly dirty: boolean
  readonly fault: string | null
  set(over: Partial<T>): void
  say(fault: string): void
  /** Notes it, as against what stood when the form was begun. True when it is on its way. */
  write(...bodies: readonly EntryBody[]): Promise<boolean>
}

interface Kept<T> {
  readonly base: string | null
  readonly value: T
}

/**
 * A form about one subject of the job. What is typed survives a reload and other people's changes: it is written
 * against the entry that stood when typing began, so that whoever changed it meanwhile is not overwritten unseen.
 */
export function useSubjectForm<T extends object>(noted: JobNotes, subject: string, current: T): SubjectForm<T> {
  const key = `medida-form:${noted.record.job.id}:${subject}`
  const standing = noted.standing.get(subject) ?? null
  const [kept, setKept] = useState<Kept<T>>({ base: standing, value: current })
  const [dirty, setDirty] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const latest = useRef({ current, kept })
  latest.current = { current, kept }

  useEffect(() => {
    try {
      const saved = sessionStorage.getItem(key)
      if (saved === null) return
      const restored = JSON.parse(saved) as Kept<Partial<T>>
      setKept({ base: restored.base, value: { ...latest.current.current, ...restored.value } })
      setDirty(true)
    } catch {
      sessionStorage.removeItem(key) // written by something else: not a form of ours
    }
  }, [key])

  // What others note is shown as long as nothing is typed here.
  useEffect(() => {
    if (!dirty && sessionStorage.getItem(key) === null) setKept({ base: standing, value: latest.current.current })
  }, [key, standing, dirty])

  const set = useCallback(
    (over: Partial<T>) => {
      const next = { base: latest.current.kept.base, value: { ...latest.current.kept.value, ...over } }
      latest.current.kept = next
      setKept(next)
      setDirty(true)
      sessionStorage.setItem(key, JSON.stringify(next))
    },
    [key],
  )

  const write = async (...bodies: readonly EntryBody[]): Promise<boolean> => {
    const fate: Told = await noted.writeAgainst(kept.base, subject, ...bodies)
    setFault(fate.kind === 'refused' ? fate.message : null)
    if (fate.kind === 'refused') return false
    sessionStorage.removeItem(key)
    setDirty(false)
    return true
  }
  return { value: kept.value, dirty, fault, set, say: setFault, write }
}
