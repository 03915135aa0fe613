import { complaintState } from '../../core/notes/openQuestions'
import { standingFindings } from '../../core/notes/state'
import { findingTitle } from '../../core/words/findings'
import { say } from '../../labels/notes'
import { Button } from '../../ui/Button'
import { Fault, SelectField, TextField } from '../../ui/Field'
import styles from './ComplaintNote.module.css'
import { useNoteForm } from './useNoteForm'
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
  const form = useNoteForm(noted, explained ? 'complaint gone' : 'complaint explained', {
    start: () => ({ finding: '', note: '' }),
    check: ({ finding, note }) => {
      if (explained) return note.trim().length < 3 ? [{ at: 'note', says: say.sayHowProved }] : []
      return finding === '' ? [{ at: 'finding', says: say.chooseFindingExplains }] : []
    },
    bodies: ({ finding, note }) => [
      explained ? { kind: 'complaintGone', note: note.trim() } : { kind: 'complaintExplained', finding },
    ],
  })
  return (
    <form className={styles.answer} onSubmit={form.submit} noValidate>
      {explained ? (
        <TextField label={say.provedGone} hint={say.afterFirstRun} maxLength={400} {...form.field('note')} />
      ) : (
        <SelectField
          label={say.explained}
          {...form.field('finding')}
          options={[
            { value: '', label: findings.length === 0 ? say.noFindingYet : say.chooseFinding },
            ...findings.map((item) => ({ value: item.id, label: findingTitle(noted.record.book, item) })),
          ]}
        />
      )}
      <Button type="submit">{explained ? say.gone : say.explains}</Button>
      <Fault text={form.fault} />
    </form>
  )
}
