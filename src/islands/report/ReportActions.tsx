import { type SyntheticEvent, useState } from 'react'
import { v7 } from 'uuid'
import type { JobView, ReadyWords } from '../../contract/answers'
import type { ReviewBody } from '../../contract/bodies'
import { type JobState, whyClosed } from '../../core/job/standing'
import { closedWords } from '../../core/words/ready'
import { say } from '../../labels/report'
import { postJson } from '../../sync/http'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, TextField } from '../../ui/Field'
import styles from './ReportActions.module.css'

export interface ReportActionsProps {
  readonly jobId: string
  readonly recordSha256: string
  readonly last: JobView['review'][number] | null
  readonly standing: JobState
  readonly may: JobView['may']
  /** What must be settled first, and what goes on the report with a reason. */
  readonly ready: ReadyWords
}

type Asking = 'nothing' | 'send' | 'return' | 'sign'

/** What can be done with the report now, by whom it can be done. */
export function ReportActions({ jobId, recordSha256, last, standing, may, ready }: ReportActionsProps) {
  const [asking, setAsking] = useState<Asking>('nothing')
  const withReviewer = standing === 'withReviewer'
  const canSend = may.send && whyClosed(standing) === null
  return (
    <div className={styles.bar}>
      <p className={styles.says}>{says(standing, last, ready)}</p>
      <Button onClick={() => print()}>{say.print}</Button>
      {canSend && (
        <Button kind="primary" disabled={ready.blocks.length > 0} onClick={() => setAsking('send')}>
          {say.sendReviewer}
        </Button>
      )}
      {may.review && withReviewer && (
        <>
          <Button onClick={() => setAsking('return')}>{say.returnInspector}</Button>
          <Button kind="primary" onClick={() => setAsking('sign')}>
            {say.signReport}
          </Button>
        </>
      )}
      {asking !== 'nothing' && (
        <ReviewForm jobId={jobId} recordSha256={recordSha256} kind={asking} ready={ready} onClose={() => setAsking('nothing')} />
      )}
    </div>
  )
}

function says(standing: JobState, last: ReportActionsProps['last'], { blocks }: ReadyWords): string {
  if (standing === 'imported') return closedWords.imported
  if (last?.kind === 'sent') return say.reviewerSent(last.by)
  if (blocks.length > 0) return blocks.join(' ')
  if (last?.kind === 'returned') return say.returned(last.by, last.note)
  return say.everyPartHas
}

const titles = { send: say.sendToTheReviewer, return: say.returnToTheInspector, sign: say.signThisReport } as const

function ReviewForm({
  jobId,
  recordSha256,
  kind,
  ready,
  onClose,
}: {
  readonly jobId: string
  readonly recordSha256: string
  readonly kind: Exclude<Asking, 'nothing'>
  readonly ready: ReadyWords
  readonly onClose: () => void
}) {
  const [id] = useState(() => v7())
  const [text, setText] = useState('')
  const [reason, setReason] = useState('')
  const [fault, setFault] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)

  async function submit(event: SyntheticEvent) {
    event.preventDefault()
    const { exceptions, leftBeyond } = ready
    if (kind === 'send' && exceptions.length > 0 && text.trim().length < 3) return setFault(say.sayWhyThese)
    if (kind === 'sign' && leftBeyond.length > 0 && reason.trim().length < 3) return setFault(say.sayWhyYou)
    if (kind === 'return' && text.trim().length < 3) return setFault(say.sayWhatMended)
    setBusy(true)
    const answer = await postJson<{ reportId: string | null }>(
      `/api/jobs/${encodeURIComponent(jobId)}/review`,
      bodyOf(kind, id, text, recordSha256, reason),
    )
    if (answer.kind === 'ok')
      return answer.value.reportId ? location.assign(`/reports/${answer.value.reportId}`) : location.reload()
    setFault(answer.kind === 'offline' ? say.serverCannotReached : answer.message)
    setBusy(false)
  }

  return (
    <Dialog title={titles[kind]} onClose={onClose}>
      <form className={styles.form} onSubmit={submit}>
        {kind === 'send' && ready.exceptions.length > 0 && <Listed title={say.requiredNotDone} items={ready.exceptions} />}
        {kind === 'sign' && ready.leftBeyond.length > 0 && (
          <>
            <Listed title={say.leftBeyondLimits} items={ready.leftBeyond} />
            <TextField
              label={say.whyYouAccept}
              value={reason}
              maxLength={400}
              onChange={(event) => setReason(event.currentTarget.value)}
            />
          </>
        )}
        {kind === 'send' && (
          <TextField
            label={ready.exceptions.length > 0 ? say.whyTheseNot : say.noteReviewer}
            hint={ready.exceptions.length > 0 ? undefined : say.mayStayEmpty}
            value={text}
            maxLength={400}
            onChange={(event) => setText(event.currentTarget.value)}
          />
        )}
        {kind === 'return' && (
          <TextField
            label={say.whatMended}
            value={text}
            maxLength={400}
            onChange={(event) => setText(event.currentTarget.value)}
          />
        )}
        {kind === 'sign' && (
          <>
            <p>{say.youSignFigures}</p>
            <TextField
              label={say.yourPasswordAgain}
              type="password"
              autoComplete="current-password"
              value={text}
              onChange={(event) => setText(event.currentTarget.value)}
              required
            />
          </>
        )}
        <Fault text={fault} />
        <DialogActions>
          <Button onClick={onClose}>{say.cancel}</Button>
          <Button type="submit" kind="primary" disabled={busy}>
            {{ send: say.sendReviewer, return: say.returnInspector, sign: say.signReport }[kind]}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}

/** At most so many are listed; the report has them all. */
const MOST_LISTED = 8

function Listed({ title, items }: { readonly title: string; readonly items: readonly string[] }) {
  return (
    <div className={styles.listed}>
      <b>{title}</b>
      <ul>
        {items.slice(0, MOST_LISTED).map((item) => (
          <li key={item}>{item}</li>
        ))}
      </ul>
      {items.length > MOST_LISTED && <p>{say.moreReport(items.length - MOST_LISTED)}</p>}
    </div>
  )
}

function bodyOf(kind: Exclude<Asking, 'nothing'>, id: string, text: string, recordSha256: string, reason: string): ReviewBody {
  switch (kind) {
    case 'send':
      return { kind, id, note: text }
    case 'return':
      return { kind, id, note: text }
    case 'sign':
      return { kind, id, password: text, recordSha256, reason }
  }
}
