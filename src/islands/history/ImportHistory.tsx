import { useState } from 'react'
import { v7 } from 'uuid'
import type { HistoryAnswer } from '../../contract/answers'
import type { HistoryFields } from '../../contract/bodies'
import { historyColumnNames, historyColumns } from '../../core/record/historyTable'
import { historyColumnWords } from '../../core/words/history'
import { say } from '../../labels/history'
import { postForm } from '../../sync/http'
import { Button, ButtonLink } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import styles from './ImportHistory.module.css'

interface Refused {
  readonly message: string
  readonly rows: readonly { readonly path: string; readonly message: string }[]
}

/** A table of earlier readings, taken over whole or not at all. */
export function ImportHistory({ machineId }: { readonly machineId: string }) {
  // One id for this table: pressing twice, or again after a broken network, takes it over once.
  const [id, setId] = useState(() => v7())
  const [source, setSource] = useState('')
  const [file, setFile] = useState<File | null>(null)
  const [busy, setBusy] = useState(false)
  const [refused, setRefused] = useState<Refused | null>(null)
  const [done, setDone] = useState<HistoryAnswer | null>(null)

  async function send(): Promise<void> {
    if (source.trim().length < 3) return setRefused({ message: say.sayWhereReadings, rows: [] })
    if (!file) return setRefused({ message: say.chooseFile, rows: [] })
    setBusy(true)
    setRefused(null)
    const form = new FormData()
    form.set('about', JSON.stringify({ id, source: source.trim() } satisfies HistoryFields))
    form.set('file', file, 'history.csv')
    const answer = await postForm<HistoryAnswer>(`/api/machines/${encodeURIComponent(machineId)}/history`, form)
    setBusy(false)
    if (answer.kind === 'ok') return setDone(answer.value)
    setRefused(
      answer.kind === 'offline'
        ? { message: say.serverCannotReached, rows: [] }
        : { message: answer.message, rows: answer.issues },
    )
  }
  if (done)
    return (
      <div className={styles.done} role="status">
        <p>{say.imported(done.readings, done.overhauls)}</p>
        <p className={styles.actions}>
          <ButtonLink href={`/machines/${machineId}/trends`} kind="primary">
            {say.wearTrends}
          </ButtonLink>
          <Button
            onClick={() => {
              setDone(null)
              setFile(null)
              setId(v7())
            }}
          >
            {say.anotherTable}
          </Button>
        </p>
      </div>
    )
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault()
        void send()
      }}
    >
      <TextField
        label={say.whereTheyCome}
        hint={say.recordSheets2006}
        value={source}
        maxLength={200}
        onChange={(event) => setSource(event.currentTarget.value)}
      />
      <label className={styles.file}>
        <span>{say.tableAsCsv}</span>
        <input
          type="file"
          accept=".csv,.txt,text/csv,text/plain"
          onChange={(event) => {
            setFile(event.currentTarget.files?.[0] ?? null)
            setRefused(null)
          }}
        />
      </label>
      <Fault text={refused?.message} />
      {refused && refused.rows.length > 0 && (
        <table className={styles.rows}>
          <caption className="hidden-label">{say.rowsCannotTaken}</caption>
          <tbody>
            {refused.rows.map(({ path, message }) => (
              <tr key={path}>
                <th scope="row" className="figure">
                  {path}
                </th>
                <td>{message}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className={styles.actions}>
        <Button type="submit" kind="primary" disabled={busy}>
          {busy ? say.readingTable : say.takeReadingsOver}
        </Button>
      </p>
    </form>
  )
}

/** The columns the table may have, and an empty one to begin with. */
export function HistoryColumns() {
  const head = `${historyColumnNames.join(',')}\n`
  return (
    <>
      <table className={styles.rows}>
        <thead>
          <tr>
            <th scope="col">{say.column}</th>
            <th scope="col">{say.whatStands}</th>
          </tr>
        </thead>
        <tbody>
          {historyColumnNames.map((name) => (
            <tr key={name}>
              <th scope="row" className="figure">
                {name}
              </th>
              <td>
                {historyColumnWords[name]}
                {historyColumns[name] ? '' : say.mayLeftOut}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p>
        <a href={`data:text/csv;charset=utf-8,${encodeURIComponent(head)}`} download="history.csv">
          {say.emptyTable}
        </a>
      </p>
    </>
  )
}
