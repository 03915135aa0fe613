import { useState } from 'react'
import { v7 } from 'uuid'
import type { JobView } from '../../contract/answers'
import type { ConfirmationBody } from '../../contract/bodies'
import { stepPages } from '../../contract/stepPages'
import { formatMoment } from '../../contract/words'
import {
  type ConfirmableStep,
  isConfirmable,
  type JobProgress,
  orderOfWork,
  type Step,
  type StepStanding,
} from '../../core/job/orderOfWork'
import { jobState, whyClosed } from '../../core/job/standing'
import { stepName } from '../../core/words/labels'
import { say } from '../../labels/job'
import { Button, ButtonLink } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import { useSentForm } from '../forms/useSentForm'
import styles from './JobSteps.module.css'

/** Of a job, what its order of work shows; the record stays at the server. */
type Standing = Pick<JobView, 'confirmations' | 'review' | 'reportId' | 'importedFrom' | 'may'>

export interface JobStepsProps {
  readonly jobId: string
  readonly view: Standing
  readonly progress: Pick<JobProgress, 'stages' | 'measured' | 'fitsJudged' | 'decided'>
}

const about: Record<Step, string> = {
  receive: say.machineHoursReason,
  makeSafe: say.isolatedTaggedPressure,
  asFound: say.whatStrippingDestroys,
  strip: say.matchMarksPositions,
  gate: say.gateMeasurementsWhere,
  look: say.cleanedLookedPart,
  measure: say.readingsAgainstBook,
  fits: say.eachMatingPair,
  decide: say.reuseReconditionReplace,
  order: say.partsWorkshopOrders,
  rebuild: say.rebuiltReverseOrder,
  prove: say.turnedHandLeaks,
  sign: say.sentReviewerSigned,
}

/** The order of work as a list: what is confirmed by whom, what is counted, what is next, what is closed and why. */
export function JobSteps({ jobId, view, progress }: JobStepsProps) {
  const [confirming, setConfirming] = useState<ConfirmableStep | null>(null)
  const confirmed = new Set<Step>(view.confirmations.map(({ step }) => step))
  const standings = orderOfWork({ ...progress, confirmed, signed: view.reportId !== null })
  const open = whyClosed(jobState(view)) === null
  return (
    <ol className={styles.steps}>
      {standings.map((standing, index) => (
        <li key={standing.step} id={standing.step} className={styles.step} data-state={standing.state}>
          <span className={`figure ${styles.number}`}>{index + 1}</span>
          <span className={styles.name}>{stepName[standing.step]}</span>
          <Detail view={view} standing={standing} />
          <StepAction jobId={jobId} standing={standing} canConfirm={open && view.may.confirm} onConfirm={setConfirming} />
          {confirming === standing.step && <ConfirmForm jobId={jobId} step={confirming} onCancel={() => setConfirming(null)} />}
        </li>
      ))}
    </ol>
  )
}

function Detail({ view, standing }: { readonly view: Standing; readonly standing: StepStanding }) {
  const confirmation = view.confirmations.find(({ step }) => step === standing.step)
  if (confirmation)
    return (
      <span className={styles.detail}>
        ✓ {confirmation.by}, <span className="figure">{formatMoment(confirmation.at)}</span>
        {confirmation.note !== '' && <>: {confirmation.note}</>}
      </span>
    )
  if (standing.state === 'nothing') return <span className={styles.detail}>{say.nothingDoHere}</span>
  if (standing.state === 'closed') return <span className={styles.detail}>{say.closedUntilMake}</span>
  const last = view.review.at(-1)
  if (standing.step === 'sign' && last)
    return (
      <span className={styles.detail}>
        {{ sent: say.reviewerSince, returned: say.returned, signed: say.signed, ended: say.ended }[last.kind]}{' '}
        <span className="figure">{formatMoment(last.at)}</span>, {last.by}
        {last.note !== '' && <>: {last.note}</>}
      </span>
    )
  return (
    <span className={styles.detail}>
      {about[standing.step]}
      {standing.count && (
        <>
          {' '}
          <b className="figure">
            {standing.count.done} / {standing.count.of}
          </b>
        </>
      )}
    </span>
  )
}

interface StepActionProps {
  readonly jobId: string
  readonly standing: StepStanding
  readonly canConfirm: boolean
  readonly onConfirm: (step: ConfirmableStep) => void
}

function StepAction({ jobId, standing, canConfirm, onConfirm }: StepActionProps) {
  const { step, state } = standing
  const page = stepPages[step]
  // A step that the book has no procedure for is confirmed as a whole.
  const confirmable = isConfirmable(step) && !standing.count && canConfirm && state !== 'done' && state !== 'closed'
  return (
    <span className={styles.actions}>
      {confirmable && (
        <Button kind={state === 'now' ? 'primary' : 'plain'} onClick={() => onConfirm(step)}>
          {say.confirm}
          <span className="hidden-label"> {stepName[step]}</span>
        </Button>
      )}
      {page && (
        <ButtonLink href={`/jobs/${jobId}/${page.path}`} kind={state === 'now' && !confirmable ? 'primary' : 'plain'}>
          {page.text}
        </ButtonLink>
      )}
    </span>
  )
}

function ConfirmForm({
  jobId,
  step,
  onCancel,
}: {
  readonly jobId: string
  readonly step: ConfirmableStep
  readonly onCancel: () => void
}) {
  const form = useSentForm<{ readonly id: string; readonly note: string }, unknown>({
    key: `medida-form:${jobId}:confirm:${step}`,
    // One id for this form: pressing twice, or again after a broken network, confirms once.
    start: () => ({ id: v7(), note: '' }),
    path: `/api/jobs/${encodeURIComponent(jobId)}/confirmations`,
    schema: async () => (await import('../../contract/bodies')).confirmationBody,
    body: (typed): ConfirmationBody => ({ ...typed, step }),
    done: () => location.reload(),
  })
  return (
    <form className={styles.form} onSubmit={form.submit} noValidate>
      {step === 'makeSafe' && <p className={styles.safety}>{say.isolateTryOut}</p>}
      <TextField label={say.note} hint={say.whatDoneWhich} maxLength={400} autoFocus {...form.field('note')} />
      <Fault text={form.fault} />
      <div className={styles.actions}>
        <Button type="submit" kind="primary" disabled={form.busy}>
          {say.confirmMyName(stepName[step])}
        </Button>
        <Button onClick={onCancel}>{say.notYet}</Button>
      </div>
    </form>
  )
}
