import { useState } from 'react'
import { v7 } from 'uuid'
import type { JobView, ReadyWords } from '../../contract/answers'
import type { ReviewBody } from '../../contract/bodies'
import { type JobState, whyClosed } from '../../core/job/standing'
import { closedWords } from '../../core/words/ready'
import { say } from '../../labels/report'
import { Button } from '../../ui/Button'
import { Dialog, DialogActions } from '../../ui/Dialog'
import { Fault, TextField } from '../../ui/Field'
import { useSentForm } from '../forms/useSentForm'
import styles from './ReportActions.module.css'

export interface ReportActionsProps {
  readonly jobId: string
  readonly recordSha256: string
  readonly last: JobView['review'][number] | null
  readonly standing: JobState
  readonly may: JobView['may']
  /** It is a practice job: it is ended, never sent. */
  readonly practice: boolean
  /** The signer has a second factor: its code is asked too. */
  readonly asksCode: boolean
  /** What must be settled first, and what goes on the report with a reason. */
  readonly ready: ReadyWords
}

type Asking = 'nothing' | 'send' | 'return' | 'sign' | 'end'

/** What can be done with the report now, by whom it can be done. */
export function ReportActions({ jobId, recordSha256, last, standing, may, practice, ready, asksCode }: ReportActionsProps) {
  const [asking, setAsking] = useState<Asking>('nothing')
  const withReviewer = standing === 'withReviewer'
  const canSend = may.send && whyClosed(standing) === null
  return (
    <div className={styles.bar}>
      <p className={styles.says}>{practice ? practiceSays(last) : says(standing, last, ready)}</p>
      <Button onClick={() => print()}>{say.print}</Button>
      {canSend && (
        <Button kind="primary" disabled={ready.blocks.length > 0} onClick={() => setAsking('send')}>
          {say.sendReviewer}
        </Button>
      )}
      {practice && may.confirm && whyClosed(standing) === null && (
        <Button onClick={() => setAsking('end')}>{say.endPractice}</Button>
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
        <ReviewForm
          jobId={jobId}
          recordSha256={recordSha256}
          kind={asking}
          ready={ready}
          asksCode={asksCode}
          onClose={() => setAsking('nothing')}
        />
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

const practiceSays = (last: ReportActionsProps['last']): string =>
  last?.kind === 'ended' ? say.endedBy(last.by, last.at.slice(0, 10), last.note) : say.practiceStaysHere

const titles = {
  send: say.sendToTheReviewer,
  return: say.returnToTheInspector,
  sign: say.signThisReport,
  end: say.endPractice,
} as const

interface Typed {
  readonly id: string
  readonly note: string
  readonly reason: string
  readonly password: string
  readonly code: string
}

function ReviewForm({
  jobId,
  recordSha256,
  kind,
  ready,
  asksCode,
  onClose,
}: {
  readonly jobId: string
  readonly recordSha256: string
  readonly kind: Exclude<Asking, 'nothing'>
  readonly ready: ReadyWords
  readonly asksCode: boolean
  readonly onClose: () => void
}) {
  const form = useSentForm<Typed, { readonly reportId: string | null }>({
    key: `medida-form:${jobId}:${kind}`,
    secret: ['password', 'code'],
    start: () => ({ id: v7(), note: '', reason: '', password: '', code: '' }),
    path: `/api/jobs/${encodeURIComponent(jobId)}/review`,
    schema: async () => (await import('../../contract/bodies')).reviewBody,
    check: ({ note, reason, code }) => [
      ...(kind === 'send' && ready.exceptions.length > 0 && note.trim().length < 3
        ? [{ at: 'note', says: say.sayWhyThese }]
        : []),
      ...(kind === 'sign' && ready.leftBeyond.length > 0 && reason.trim().length < 3
        ? [{ at: 'reason', says: say.sayWhyYou }]
        : []),
      ...(kind === 'sign' && asksCode && code.trim() === '' ? [{ at: 'code', says: say.typeCode }] : []),
      ...(kind === 'return' && note.trim().length < 3 ? [{ at: 'note', says: say.sayWhatMended }] : []),
    ],
    body: (typed) => bodyOf(kind, typed, recordSha256),
    done: ({ reportId }) =>
      reportId ? location.assign(`/reports/${reportId}`) : kind === 'end' ? location.assign('/') : location.reload(),
  })
  const { field } = form
  return (
    <Dialog title={titles[kind]} onClose={onClose}>
      <form className={styles.form} onSubmit={form.submit} noValidate>
        {kind === 'send' && ready.exceptions.length > 0 && <Listed title={say.requiredNotDone} items={ready.exceptions} />}
        {kind === 'sign' && ready.leftBeyond.length > 0 && (
          <>
            <Listed title={say.leftBeyondLimits} items={ready.leftBeyond} />
            <TextField label={say.whyYouAccept} maxLength={400} {...field('reason')} />
          </>
        )}
        {kind === 'send' && (
          <TextField
            label={ready.exceptions.length > 0 ? say.whyTheseNot : say.noteReviewer}
            hint={ready.exceptions.length > 0 ? undefined : say.mayStayEmpty}
            maxLength={400}
            {...field('note')}
          />
        )}
        {kind === 'return' && <TextField label={say.whatMended} maxLength={400} {...field('note')} />}
        {kind === 'end' && (
          <>
            <p>{say.endsPractice}</p>
            <TextField label={say.whatWasLearned} hint={say.mayStayEmpty} maxLength={400} {...field('note')} />
          </>
        )}
        {kind === 'sign' && (
          <>
            <p>{say.youSignFigures}</p>
            <TextField label={say.yourPasswordAgain} type="password" autoComplete="current-password" {...field('password')} />
            {asksCode && (
              <TextField label={say.codeOfDevice} inputMode="numeric" autoComplete="one-time-code" {...field('code')} />
            )}
          </>
        )}
        <Fault text={form.fault} />
        <DialogActions>
          <Button onClick={onClose}>{say.cancel}</Button>
          <Button type="submit" kind="primary" disabled={form.busy}>
            {{ send: say.sendReviewer, return: say.returnInspector, sign: say.signReport, end: say.endPractice }[kind]}
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

function bodyOf(kind: Exclude<Asking, 'nothing'>, { id, note, reason, password, code }: Typed, recordSha256: string): ReviewBody {
  switch (kind) {
    case 'send':
    case 'return':
    case 'end':
      return { kind, id, note }
    case 'sign':
      return { kind, id, password, code, recordSha256, reason }
  }
}
