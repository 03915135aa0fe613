import { useState } from 'react'
import { v7 } from 'uuid'
import { say } from '../../labels/strip'
import { Button } from '../../ui/Button'
import { Fault, SelectField, TextField } from '../../ui/Field'
import type { JobNotes } from '../notes/useNotes'
import styles from './StripMap.module.css'

/** A part that the book does not know. */
export function AddPosition({ noted, onAdded }: { readonly noted: JobNotes; readonly onAdded: (id: string) => void }) {
  const [open, setOpen] = useState(false)
  const [name, setName] = useState('')
  const [parent, setParent] = useState('')
  const [count, setCount] = useState('1')
  const [fault, setFault] = useState<string | null>(null)
  if (noted.closed !== null) return null
  if (!open)
    return (
      <Button kind="quiet" onClick={() => setOpen(true)}>
        {say.partBookDoes}
      </Button>
    )
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault()
        const pieces = Number(count)
        if (name.trim() === '') return setFault(say.namePart)
        if (!Number.isInteger(pieces) || pieces < 1 || pieces > 999) return setFault(say.piecesWholeNumber)
        const id = v7()
        void noted
          .write({ kind: 'positionAdded', position: id, name: name.trim(), parent: parent === '' ? null : parent, count: pieces })
          .then((fate) => {
            if (fate.kind === 'refused') return setFault(fate.message)
            setOpen(false)
            setName('')
            setFault(null)
            onAdded(id)
          })
      }}
    >
      <TextField
        label={say.part}
        value={name}
        maxLength={200}
        autoFocus
        onChange={(event) => setName(event.currentTarget.value)}
      />
      <SelectField
        label={say.sits}
        value={parent}
        options={parentOptions(noted)}
        onChange={(event) => setParent(event.currentTarget.value)}
      />
      <TextField label={say.pieces} inputMode="numeric" value={count} onChange={(event) => setCount(event.currentTarget.value)} />
      <Fault text={fault} />
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
