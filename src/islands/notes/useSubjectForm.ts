import { useEffect, useRef } from 'react'
import type { EntryBody } from '../../core/notes/entrySchema'
import type { FieldSays } from '../../ui/fieldSays'
import { type KeptForm, useKeptForm } from '../forms/useKeptForm'
import type { JobNotes } from './useNotes'

export interface SubjectForm<T extends object> extends Pick<KeptForm<T>, 'dirty' | 'fault' | 'at' | 'field' | 'set' | 'say'> {
  readonly value: T
  /** Notes it, as against what stood when the form was begun. True when it is on its way. */
  write(...bodies: readonly EntryBody[]): Promise<boolean>
}

/** What is typed, with the entry that its author had seen: kept together, so that neither outlives the other. */
type Begun<T> = T & { readonly seenEntry: string | null }

/**
 * A form about one subject of the job. What is typed survives a reload and other people's changes: it is written
 * against the entry that stood when typing began, so that whoever changed it meanwhile is not overwritten unseen.
 */
export function useSubjectForm<T extends object>(noted: JobNotes, subject: string, current: T): SubjectForm<T> {
  const key = `medida-form:${noted.record.job.id}:${subject}`
  const standing = noted.standing.get(subject) ?? null
  const form = useKeptForm<Begun<T>>({ key, start: () => ({ ...current, seenEntry: standing }) })
  const { dirty, reset } = form
  const latest = useRef(current)
  latest.current = current

  // What others note is shown as long as nothing is typed here.
  useEffect(() => {
    if (!dirty && sessionStorage.getItem(key) === null) reset({ ...latest.current, seenEntry: standing })
  }, [key, standing, dirty, reset])

  const typed = useRef(form.value)
  typed.current = form.value
  const { seenEntry, ...value } = form.value
  const write = async (...bodies: readonly EntryBody[]): Promise<boolean> => {
    const written = form.value
    const fate = await noted.writeAgainst(seenEntry, subject, ...bodies)
    const refused: readonly FieldSays[] = fate.kind === 'refused' ? [{ at: '', says: fate.message }] : []
    form.say(refused)
    if (refused.length > 0) return false
    // What was typed on while it was on its way stays typed.
    if (isSame(typed.current, written)) {
      form.done()
      reset(written)
    }
    return true
  }
  return { ...(form as unknown as KeptForm<T>), value: value as unknown as T, write }
}

/** Values of a form are texts, figures and lists of them. */
const isSame = (a: object, b: object): boolean => JSON.stringify(a) === JSON.stringify(b)
