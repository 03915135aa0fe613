import { type SyntheticEvent, useState } from 'react'
import { hasWords } from '../../../core/base/search'
import { say } from '../../../labels/benchDialogs'
import { Button } from '../../../ui/Button'
import { Dialog } from '../../../ui/Dialog'
import { TextField } from '../../../ui/Field'
import type { Bench } from '../benchState'
import styles from './GoTo.module.css'

/** Jump to any characteristic by a few letters of its name. */
export function GoTo({ bench, onClose }: { readonly bench: Bench; readonly onClose: () => void }) {
  const [letters, setLetters] = useState('')
  const found = bench.record.book.characteristics.filter(({ name }) => hasWords(name, letters))
  const go = (id: string | undefined): void => {
    if (id === undefined) return
    onClose()
    bench.acts.does({ kind: 'goTo', characteristic: id })
  }
  const submit = (event: SyntheticEvent): void => {
    event.preventDefault()
    go(found[0]?.id)
  }
  return (
    <Dialog title={say.go} onClose={onClose}>
      <form onSubmit={submit}>
        <TextField
          label={say.fewLettersName}
          value={letters}
          onChange={(event) => setLetters(event.currentTarget.value)}
          autoComplete="off"
          error={found.length === 0 ? say.nothingNameBook : null}
        />
      </form>
      <div className={styles.goToList}>
        {found.map(({ id, name }) => (
          <Button key={id} onClick={() => go(id)}>
            {name}
          </Button>
        ))}
      </div>
    </Dialog>
  )
}
