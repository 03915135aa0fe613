import { type SyntheticEvent, useState } from 'react'
import { v7 } from 'uuid'
import type { Disposition } from '../../core/policy/disposition'
import { verdictName } from '../../core/words/labels'
import { reasonOf } from '../../core/words/votes'
import { say } from '../../labels/verdicts'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { TextField } from '../../ui/Field'
import { VerdictWord } from '../../ui/VerdictMark'
import type { Board, BoardRow } from './useBoard'
import styles from './VerdictBoard.module.css'

export interface DepartureProps {
  readonly row: BoardRow
  readonly levels: readonly Disposition[]
  readonly board: Board
  readonly onClose: () => void
}

/** The inspector's own verdict on a part, with its reason. */
export function Departure({ row, levels, board, onClose }: DepartureProps) {
  const [id] = useState(() => v7())
  const [decided, setDecided] = useState<Disposition | null>(null)
  const [reason, setReason] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)

  async function submit(event: SyntheticEvent) {
    event.preventDefault()
    if (decided === null) return setFault(say.chooseVerdictFirst)
    if (decided !== row.result.verdict && reason.trim().length < 3) return setFault(say.sayWhyFew)
    setBusy(true)
    const refused = await board.depart(row, decided, reason, id)
    if (refused === null) return onClose()
    setFault(refused)
    setBusy(false)
  }

  const strongest = row.result.votes[0]
  return (
    <Dialog title={say.yourVerdict(row.part.name)} onClose={onClose}>
      <p>
        {say.recommended} <VerdictWord verdict={row.result.verdict} />.{' '}
        {strongest ? `${reasonOf(board.speaker, strongest)}.` : ''}
      </p>
      {row.safety && <p className={styles.safetyNote}>{say.safetyMarkedReviewer}</p>}
      <form className={styles.departure} onSubmit={submit}>
        <fieldset className={styles.choices}>
          <legend className="hidden-label">{say.verdict}</legend>
          {levels.map((level) => (
            <label key={level} className={styles.choice}>
              <input type="radio" name="verdict" value={level} checked={decided === level} onChange={() => setDecided(level)} />{' '}
              <VerdictWord verdict={level} />
            </label>
          ))}
        </fieldset>
        <TextField
          label={say.why}
          hint={say.whatYouSaw}
          value={reason}
          maxLength={400}
          onChange={(event) => setReason(event.currentTarget.value)}
          error={fault}
        />
        <DialogActions>
          <Button onClick={onClose}>{say.cancel}</Button>
          <Button type="submit" kind="primary" disabled={busy}>
            {decided ? say.decide(verdictName[decided].toLowerCase()) : say.decideTitle}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
