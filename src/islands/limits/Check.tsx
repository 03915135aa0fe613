import { useState } from 'react'
import { hasEnded, jobState } from '../../core/job/standing'
import type { EntryBody } from '../../core/notes/entrySchema'
import type { Typed } from '../../core/notes/typedCharacteristic'
import { say } from '../../labels/limits'
import { Button } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import type { JobNotes } from '../notes/useNotes'
import styles from './Limits.module.css'

/** The second person's answer, and for the first one the way to type it anew or take it out. */
export function Check({
  noted,
  typed,
  person,
  isLimited,
  drop,
  onEdit,
}: {
  readonly noted: JobNotes
  readonly typed: Pick<Typed, 'id' | 'entry' | 'by' | 'check'>
  readonly person: string
  /** It has limits, which a second person holds against their document. */
  readonly isLimited: boolean
  /** What takes it out; null where it stays. */
  readonly drop: ((reason: string) => EntryBody) | null
  readonly onEdit: () => void
}) {
  const [asking, setAsking] = useState<'disagree' | 'drop' | null>(null)
  const [text, setText] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const { view } = noted
  const own = typed.by === person
  const mayCheck = view.may.check && !hasEnded(jobState(view)) && !own && isLimited
  const answer = async (body: EntryBody): Promise<void> => {
    const fate = await noted.write(body)
    setFault(fate.kind === 'refused' ? fate.message : null)
    if (fate.kind !== 'refused') setAsking(null)
  }
  const check = (agrees: boolean, note: string): void =>
    void answer({ kind: 'limitsChecked', characteristic: typed.id, of: typed.entry, agrees, note })
  return (
    <div className={styles.check}>
      {asking === null ? (
        <div className={styles.actions}>
          {mayCheck && (
            <>
              <Button kind="primary" disabled={typed.check?.agrees === true} onClick={() => check(true, '')}>
                {say.agreesDocument}
              </Button>
              <Button onClick={() => setAsking('disagree')}>{say.doesNotAgreeTitle}</Button>
            </>
          )}
          {noted.closed === null && <Button onClick={onEdit}>{say.typeAnew}</Button>}
          {noted.closed === null && drop && (
            <Button kind="quiet" onClick={() => setAsking('drop')}>
              {say.takeOut}
            </Button>
          )}
          {own && isLimited && typed.check === null && <span className={styles.about}>{say.secondPersonChecks}</span>}
        </div>
      ) : (
        <form
          className={styles.why}
          onSubmit={(event) => {
            event.preventDefault()
            if (asking === 'disagree') check(false, text.trim())
            else if (drop) void answer(drop(text.trim()))
          }}
        >
          <TextField
            label={asking === 'disagree' ? say.whatDocumentSays : say.whyTakenOut}
            value={text}
            maxLength={400}
            autoComplete="off"
            autoFocus
            onChange={(event) => setText(event.currentTarget.value)}
          />
          <Button onClick={() => setAsking(null)}>{say.leave}</Button>
          <Button kind="primary" type="submit" disabled={text.trim().length < 3}>
            {asking === 'disagree' ? say.doesNotAgreeTitle : say.takeOut}
          </Button>
        </form>
      )}
      <Fault text={fault} />
    </div>
  )
}
