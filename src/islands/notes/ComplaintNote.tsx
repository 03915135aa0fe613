import { useState } from 'react'
import { complaintState } from '../../core/notes/openQuestions'
import { standingFindings } from '../../core/notes/state'
import { findingTitle } from '../../core/words/findings'
import { say } from '../../labels/notes'
import { Button } from '../../ui/Button'
import { Fault, SelectField, TextField } from '../../ui/Field'
import styles from './ComplaintNote.module.css'
import type { JobNotes } from './useNotes'

/** The owner's complaint, in sight until a finding explains it and the proof shows it gone. */
export function ComplaintNote({ noted, asks = false }: { readonly noted: JobNotes; readonly asks?: boolean }) {
  const { complaint } = noted.record.job
  const standing = complaintState(complaint, noted.state)
  if (standing === null || (standing.kind === 'gone' && !asks)) return null
  return (
    <div className={styles.note} data-kind={standing.kind}>
      <p>
        <b>{say.complaint}</b> {complaint}
        {standing.kind === 'unexplained' && <span className={styles.state}> {say.notExplainedYet}</span>}
        {standing.kind === 'explained' && (
          <span className={styles.state}>{say.explainedNotProved(findingTitle(noted.record.book, standing.finding))}</span>
        )}
        {standing.kind === 'gone' && (
          <span className={styles.state}>
            {say.explainedGone(findingTitle(noted.record.book, standing.finding), standing.note, standing.by)}
          </span>
        )}
      </p>
      {asks && noted.closed === null && standing.kind !== 'gone' && (
        <Answer noted={noted} explained={standing.kind === 'explained'} />
      )}
    </div>
  )
}

function Answer({ noted, explained }: { readonly noted: JobNotes; readonly explained: boolean }) {
  const findings = standingFindings(noted.state)
  const [finding, setFinding] = useState('')
  const [note, setNote] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const tell = (fate: Awaited<ReturnType<JobNotes['write']>>): void => setFault(fate.kind === 'refused' ? fate.message : null)
  return (
    <form
      className={styles.answer}
      onSubmit={(event) => {
        event.preventDefault()
        if (explained) {
          if (note.trim().length < 3) return setFault(say.sayHowProved)
          void noted.write({ kind: 'complaintGone', note: note.trim() }).then(tell)
        } else {
          if (finding === '') return setFault(say.chooseFindingExplains)
          void noted.write({ kind: 'complaintExplained', finding }).then(tell)
        }
      }}
    >
      {explained ? (
        <TextField
          label={say.provedGone}
          hint={say.afterFirstRun}
          value={note}
          maxLength={400}
          onChange={(event) => setNote(event.currentTarget.value)}
        />
      ) : (
        <SelectField
          label={say.explained}
          value={finding}
          onChange={(event) => setFinding(event.currentTarget.value)}
          options={[
            { value: '', label: findings.length === 0 ? say.noFindingYet : say.chooseFinding },
            ...findings.map((item) => ({ value: item.id, label: findingTitle(noted.record.book, item) })),
          ]}
        />
      )}
      <Button type="submit">{explained ? say.gone : say.explains}</Button>
      <Fault text={fault} />
    </form>
  )
}
