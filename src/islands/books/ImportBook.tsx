import { useState } from 'react'
import { v7 } from 'uuid'
import type { BookFileFields } from '../../contract/bodies'
import type { BooksView, ImportedBook } from '../../contract/bookAnswers'
import { say } from '../../labels/books'
import { postForm } from '../../sync/http'
import { Button } from '../../ui/Button'
import { Fault, SelectField } from '../../ui/Field'
import styles from './Books.module.css'

/** A limit book from a file: every fault is told at once, by sheet and cell, and nothing is stored of a book that has one. */
export function ImportBook({ machines }: Pick<BooksView, 'machines'>) {
  const [id, setId] = useState(() => v7())
  const [file, setFile] = useState<File | null>(null)
  const [machine, setMachine] = useState('')
  const [busy, setBusy] = useState(false)
  const [says, setSays] = useState<string | null>(null)
  const [faults, setFaults] = useState<readonly { readonly path: string; readonly message: string }[]>([])

  async function send(): Promise<void> {
    setFaults([])
    if (file === null) return setSays(say.chooseFile)
    setSays(null)
    setBusy(true)
    const about: BookFileFields = { id, machine: machine === '' ? null : machine }
    const form = new FormData()
    form.set('about', JSON.stringify(about))
    form.set('file', file, file.name)
    const answer = await postForm<ImportedBook>('/api/books', form)
    setBusy(false)
    if (answer.kind === 'ok') {
      const { id: book, revision } = answer.value
      location.assign(`/books/${encodeURIComponent(book)}?rev=${encodeURIComponent(revision)}`)
      return
    }
    if (answer.kind === 'offline') return setSays(say.notReached)
    // A file that was refused and mended is another one.
    setId(v7())
    setSays(answer.message)
    setFaults(answer.issues)
  }

  return (
    <form
      className={styles.import}
      aria-labelledby="import"
      onSubmit={(event) => {
        event.preventDefault()
        void send()
      }}
    >
      <h2 id="import">{say.addFile}</h2>
      <p className={styles.quiet}>{say.addAbout}</p>
      <div className={styles.row}>
        <label className={styles.file}>
          {say.file}
          <input
            type="file"
            accept=".xlsx,.json,application/json"
            onChange={({ currentTarget }) => setFile(currentTarget.files?.[0] ?? null)}
          />
        </label>
        {machines.length > 0 && (
          <SelectField
            label={say.forMachine}
            value={machine}
            options={[
              { value: '', label: say.noMachine },
              ...machines.map(({ id: value, name, station }) => ({ value, label: `${name}, ${station}` })),
            ]}
            onChange={({ currentTarget }) => setMachine(currentTarget.value)}
          />
        )}
        <Button kind="primary" type="submit" disabled={busy}>
          {say.take}
        </Button>
      </div>
      <Fault text={says} />
      {faults.length > 0 && (
        <table className={styles.faults}>
          <caption>{say.faults(faults.length)}</caption>
          <thead>
            <tr>
              <th scope="col">{say.where}</th>
              <th scope="col">{say.what}</th>
            </tr>
          </thead>
          <tbody>
            {faults.map(({ path, message }, at) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: one place may have two faults, and they have no state
              <tr key={at}>
                <th scope="row">{path}</th>
                <td>{message}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </form>
  )
}
