import { useState } from 'react'
import { v7 } from 'uuid'
import type { HistoryAnswer } from '../../contract/answers'
import type { HistoryFields } from '../../contract/bodies'
import { historyColumnNames, historyColumns } from '../../core/record/historyTable'
import { historyColumnWords } from '../../core/words/history'
import { say } from '../../labels/history'
import { callLong, getJson } from '../../sync/http'
import { Button, ButtonLink } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import type { FieldSays } from '../../ui/fieldSays'
import { useKeptForm } from '../forms/useKeptForm'
import { LongWorkBar } from '../longWork/LongWorkBar'
import { useLongWork } from '../longWork/useLongWork'
import styles from './ImportHistory.module.css'

/** A table of earlier readings, taken over whole or not at all. */
export function ImportHistory({ machineId }: { readonly machineId: string }) {
  const [file, setFile] = useState<File | null>(null)
  const [rows, setRows] = useState<readonly { readonly path: string; readonly message: string }[]>([])
  const [done, setDone] = useState<HistoryAnswer | null>(null)
  const [isCancelled, setCancelled] = useState(false)
  const long = useLongWork()
  const path = `/api/machines/${encodeURIComponent(machineId)}/history`
  const imported = (answer: HistoryAnswer): readonly FieldSays[] => {
    form.done()
    setDone(answer)
    return []
  }
  /** Cancelled in its last moment it may be there all the same: the server says. */
  const cancelled = async (id: string): Promise<readonly FieldSays[]> => {
    const answer = await getJson<{ import: HistoryAnswer | null }>(`${path}?import=${id}`)
    if (answer.kind !== 'ok') return [{ at: '', says: say.cancelledUnknown }]
    if (answer.value.import !== null) return imported(answer.value.import)
    setCancelled(true)
    return []
  }
  const form = useKeptForm<HistoryFields>({
    key: `medida-form:history:${machineId}`,
    // One id for this table: pressing twice, or again after a broken network, takes it over once.
    start: () => ({ id: v7(), source: '' }),
    check: ({ source }) => [
      ...(source.trim().length < 3 ? [{ at: 'source', says: say.sayWhereReadings }] : []),
      ...(file === null ? [{ at: 'file', says: say.chooseFile }] : []),
    ],
    send: async ({ id, source }) => {
      setRows([])
      setCancelled(false)
      const sent = new FormData()
      sent.set('about', JSON.stringify({ id, source: source.trim() } satisfies HistoryFields))
      if (file) sent.set('file', file, 'history')
      const answer = await long.run((work) => callLong<HistoryAnswer>(path, { method: 'POST', body: sent }, work))
      if (answer.kind === 'ok') return imported(answer.value)
      if (answer.kind === 'cancelled') return cancelled(id)
      if (answer.kind === 'offline') return [{ at: '', says: say.serverCannotReached }]
      setRows(answer.issues)
      return [{ at: '', says: answer.message }]
    },
  })
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
              form.reset({ id: v7(), source: '' })
            }}
          >
            {say.anotherTable}
          </Button>
        </p>
      </div>
    )
  return (
    <form className={styles.form} onSubmit={form.submit} noValidate>
      <TextField label={say.whereTheyCome} hint={say.recordSheets2006} maxLength={200} {...form.field('source')} />
      <label className={styles.file}>
        <span>{say.tableAsCsv}</span>
        <input
          type="file"
          accept=".csv,.txt,.json,text/csv,text/plain,application/json"
          onChange={(event) => {
            setFile(event.currentTarget.files?.[0] ?? null)
            setRows([])
          }}
        />
      </label>
      <Fault text={form.fault} />
      {rows.length > 0 && (
        <table className={styles.rows}>
          <caption className="hidden-label">{say.rowsCannotTaken}</caption>
          <tbody>
            {rows.map(({ path, message }) => (
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
      {isCancelled && <p role="status">{say.cancelled}</p>}
      {long.isRunning ? (
        <LongWorkBar {...long} first="sending" />
      ) : (
        <p className={styles.actions}>
          <Button type="submit" kind="primary" disabled={form.busy}>
            {say.takeReadingsOver}
          </Button>
        </p>
      )}
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
