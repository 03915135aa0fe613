import type { FieldValues } from 'react-hook-form'
import type { EntryBody } from '../../core/notes/entrySchema'
import type { FieldSays } from '../../ui/fieldSays'
import { type KeptForm, useKeptForm } from '../forms/useKeptForm'
import type { JobNotes } from './useNotes'

/** A form whose content becomes notes of the job; when they are on their way it is empty again. */
export function useNoteForm<F extends FieldValues>(
  noted: JobNotes,
  name: string,
  of: {
    readonly start: () => F
    readonly check: (typed: F) => readonly FieldSays[]
    readonly bodies: (typed: F) => readonly EntryBody[]
    readonly done?: (typed: F) => void
  },
): KeptForm<F> {
  const form = useKeptForm<F>({
    key: `medida-form:${noted.record.job.id}:${name}`,
    start: of.start,
    check: of.check,
    send: async (typed) => {
      const fate = await noted.write(...of.bodies(typed))
      if (fate.kind === 'refused') return [{ at: '', says: fate.message }]
      form.done()
      form.reset(of.start())
      of.done?.(typed)
      return []
    },
  })
  return form
}
