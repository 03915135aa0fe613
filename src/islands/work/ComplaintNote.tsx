import { useState } from 'react'
import { complaintStanding } from '../../core/notes/openQuestions'
import { standingFindings } from '../../core/notes/state'
import { findingTitle } from '../../core/words/findings'
import { Button } from '../../ui/Button'
import { Fault, SelectField, TextField } from '../../ui/Field'
import styles from './ComplaintNote.module.css'
import type { Work } from './useWork'

/** The owner's complaint, in sight until a finding explains it and the proof shows it gone. */
export function ComplaintNote({ work, asks = false }: { readonly work: Work; readonly asks?: boolean }) {
  const { complaint } = work.record.job
  const standing = complaintStanding(complaint, work.work)
  if (standing === null || (standing.kind === 'gone' && !asks)) return null
  return (
    <div className={styles.note} data-kind={standing.kind}>
      <p>
        <b>Complaint:</b> {complaint}
        {standing.kind === 'unexplained' && <span className={styles.state}> Not explained yet.</span>}
        {standing.kind === 'explained' && (
          <span className={styles.state}>
            {' '}
            Explained by “{findingTitle(work.record.book, standing.finding)}”. Not proved gone yet.
          </span>
        )}
        {standing.kind === 'gone' && (
          <span className={styles.state}>
            {' '}
            Explained by “{findingTitle(work.record.book, standing.finding)}”; gone: {standing.note} ({standing.by}).
          </span>
        )}
      </p>
      {asks && work.closed === null && standing.kind !== 'gone' && (
        <Answer work={work} explained={standing.kind === 'explained'} />
      )}
    </div>
  )
}

function Answer({ work, explained }: { readonly work: Work; readonly explained: boolean }) {
  const findings = standingFindings(work.work)
  const [finding, setFinding] = useState('')
  const [note, setNote] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const tell = (fate: Awaited<ReturnType<Work['write']>>): void => setFault(fate.kind === 'refused' ? fate.message : null)
  return (
    <form
      className={styles.answer}
      onSubmit={(event) => {
        event.preventDefault()
        if (explained) {
          if (note.trim().length < 3) return setFault('Say how it was proved.')
          void work.write({ kind: 'complaintGone', note: note.trim() }).then(tell)
        } else {
          if (finding === '') return setFault('Choose the finding that explains it.')
          void work.write({ kind: 'complaintExplained', finding }).then(tell)
        }
      }}
    >
      {explained ? (
        <TextField
          label="Proved gone"
          hint="After the first run: how it was seen or heard"
          value={note}
          maxLength={400}
          onChange={(event) => setNote(event.currentTarget.value)}
        />
      ) : (
        <SelectField
          label="Explained by"
          value={finding}
          onChange={(event) => setFinding(event.currentTarget.value)}
          options={[
            { value: '', label: findings.length === 0 ? 'no finding yet' : 'choose a finding' },
            ...findings.map((item) => ({ value: item.id, label: findingTitle(work.record.book, item) })),
          ]}
        />
      )}
      <Button type="submit">{explained ? 'It is gone' : 'This explains it'}</Button>
      <Fault text={fault} />
    </form>
  )
}
