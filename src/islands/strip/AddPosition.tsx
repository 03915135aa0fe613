import { useState } from 'react'
import { v7 } from 'uuid'
import { say } from '../../labels/strip'
import { Button } from '../../ui/Button'
import { Fault, SelectField, TextField } from '../../ui/Field'
import { useNoteForm } from '../notes/useNoteForm'
import type { JobNotes } from '../notes/useNotes'
import styles from './StripMap.module.css'

/** A part that the book does not know. */
export function AddPosition({ noted, onAdded }: { readonly noted: JobNotes; readonly onAdded: (id: string) => void }) {
  const [open, setOpen] = useState(false)
  const [id, setId] = useState(() => v7())
  const form = useNoteForm(noted, 'position', {
    start: () => ({ name: '', parent: '', count: '1' }),
    check: ({ name, count }) => [
      ...(name.trim() === '' ? [{ at: 'name', says: say.namePart }] : []),
      ...(/^[1-9]\d{0,2}$/.test(count.trim()) ? [] : [{ at: 'count', says: say.piecesWholeNumber }]),
    ],
    bodies: ({ name, parent, count }) => [
      {
        kind: 'positionAdded',
        position: id,
        name: name.trim(),
        parent: parent === '' ? null : parent,
        count: Number(count),
        asPart: true,
      },
    ],
    done: () => {
      setOpen(false)
      onAdded(id)
      setId(v7())
    },
  })
  if (noted.closed !== null) return null
  if (!open)
    return (
      <Button kind="quiet" onClick={() => setOpen(true)}>
        {say.partBookDoes}
      </Button>
    )
  return (
    <form className={styles.form} onSubmit={form.submit} noValidate>
      <TextField label={say.part} maxLength={200} autoFocus {...form.field('name')} />
      <SelectField label={say.sits} options={parentOptions(noted)} {...form.field('parent')} />
      <TextField label={say.pieces} inputMode="numeric" {...form.field('count')} />
      <Fault text={form.fault} />
      <div className={styles.actions}>
        <Button type="submit" kind="primary">
          {say.addPart}
        </Button>
        <Button onClick={() => setOpen(false)}>{say.notNow}</Button>
      </div>
    </form>
  )
}

export const parentOptions = (noted: JobNotes): { value: string; label: string }[] => [
  { value: '', label: say.machineItself },
  ...noted.state.positions.map(({ id, name }) => ({ value: id, label: name })),
]
