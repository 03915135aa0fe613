import { useEffect, useState } from 'react'
import { nowMs } from '../../clock/clock'
import { formatMoment } from '../../contract/words'
import { settingsBefore } from '../../core/notes/settingsBefore'
import { isAddedHere, type JobStep, reopenedWith, waitLeftMs } from '../../core/notes/steps'
import { cautionText, licensedFieldName } from '../../core/words/cautions'
import { clockText } from '../../core/words/clock'
import { say } from '../../labels/steps'
import { Button, ButtonLink } from '../../ui/Button'
import { Fault, TextField } from '../../ui/Field'
import type { JobNotes } from '../notes/useNotes'
import { useSubjectForm } from '../notes/useSubjectForm'
import { Pictures } from '../picture/Pictures'
import styles from './PhaseSteps.module.css'
import { StepActions, type StepQuestion } from './StepActions'

/** One step: its cautions where they bite, its clock, who did it, and what can be done about it now. */
export function StepCard({ noted, step, number }: { readonly noted: JobNotes; readonly step: JobStep; readonly number: number }) {
  const [asked, setForm] = useState<StepQuestion>('none')
  const left = useWaitLeft(step)
  const { standing } = step
  const [sending, setSending] = useState(false)
  // Somebody else may have done or reopened it while the form was open: then there is nothing left to ask. What is on its
  // way from here shows at once, but the form stays until the server has taken it.
  const form = sending || (asked === 'reopen') === (standing.kind !== 'open') ? asked : 'none'
  const state = standing.kind !== 'open' ? standing.kind : step.closedBy !== null ? 'closed' : 'open'
  const isNext = noted.steps.find((other) => other.phase === step.phase && other.standing.kind === 'open')?.id === step.id
  const waits = step.book?.wait !== null && step.book?.wait !== undefined && left !== 0
  const removes = new Set(step.book?.removes ?? [])
  const loose = removes.size === 0 ? [] : noted.state.positions.filter(({ id, book }) => removes.has(id) && book?.loose)
  const measures = (step.book?.measures ?? []).flatMap((id) => {
    const characteristic = noted.record.book.characteristics.find((candidate) => candidate.id === id)
    const result = noted.results.characteristics.find((candidate) => candidate.id === id)
    if (!characteristic || !result) return []
    if (!isLeft(step)) return [{ id, name: characteristic.name, ...result.reductions }]
    const left = result.stages.find(({ stage }) => stage === 'asLeft')?.reductions
    return [{ id, name: characteristic.name, taken: left?.taken ?? 0, needed: left?.needed ?? result.reductions.needed }]
  })
  // All proving waits for the same ones: they are told where the work stands.
  const isWaiting = standing.kind === 'open' && (step.phase === 'rebuild' || (step.phase === 'prove' && isNext))
  const toSet = isWaiting ? settingsBefore(step, noted.steps, noted.settings) : []
  return (
    <li className={styles.step} data-state={state} data-hold={step.holdPoint || undefined} id={step.id}>
      <span className={`figure ${styles.number}`} aria-hidden="true">
        {state === 'done' ? '✓' : state === 'skipped' || state === 'notApplicable' ? '–' : number}
      </span>
      <div className={styles.body}>
        <h3 className={styles.name}>
          {step.name}
          {step.holdPoint && <span className={styles.badge}>{say.holdPointMark}</span>}
          {isAddedHere(step) && <span className={styles.badge}>{say.addedJob}</span>}
        </h3>
        {step.text !== '' && <p className={styles.text}>{step.text}</p>}
        {step.book?.stop && (
          <p className={styles.stop}>
            <b>{say.stops[step.book.stop.at]}:</b> {step.book.stop.text}
          </p>
        )}
        {step.cautions.length > 0 && (
          <ul className={styles.cautions}>
            {step.cautions.map((caution) => (
              <li key={caution.id}>
                <b aria-hidden="true">!</b> {cautionText(caution)}
                {caution.licensed && (
                  <span className={styles.licensed}>{say.licence(licensedFieldName[caution.licensed].toLowerCase())}</span>
                )}
              </li>
            ))}
          </ul>
        )}
        {loose.length > 0 && (
          <ul className={styles.cautions} aria-label={say.mayFallFly}>
            {loose.map(({ id, name, book }) => (
              <li key={id}>
                <b aria-hidden="true">!</b> {name}: {book?.loose}
              </li>
            ))}
          </ul>
        )}
        {toSet.length > 0 && (
          <p className={styles.stop}>
            <b>{say.setFirst}</b>{' '}
            {toSet.map(({ name, measures: [first] }, at) => (
              <span key={name}>
                {at > 0 && ', '}
                <a href={`/jobs/${noted.record.job.id}/bench?c=${first}&stage=asLeft`}>{name}</a>
              </span>
            ))}
          </p>
        )}
        {measures.length > 0 && (
          <p className={styles.measures}>
            {measures.map(({ id, name, taken, needed }) => (
              <ButtonLink key={id} href={`/jobs/${noted.record.job.id}/bench?c=${id}${isLeft(step) ? '&stage=asLeft' : ''}`}>
                {say.measure(name)}
                <span className="figure">
                  {taken}/{needed}
                </span>
              </ButtonLink>
            ))}
          </p>
        )}
        <Standing step={step} left={left} />
        {form === 'none' ? (
          <StepActions noted={noted} step={step} waits={waits} left={left} isNext={isNext} onForm={setForm} />
        ) : (
          <StepForm noted={noted} step={step} kind={form} onSending={setSending} onClose={() => setForm('none')} />
        )}
      </div>
      <div className={styles.aside}>
        <Pictures noted={noted} subject={{ kind: 'step', id: step.id }} title={step.name} />
        {step.book?.source && (
          <cite className={styles.source}>
            {step.book.source.document}, {step.book.source.page}
          </cite>
        )}
      </div>
    </li>
  )
}

/** What is measured while it goes back together, or is proved, is measured as left. */
const isLeft = ({ phase }: JobStep): boolean => phase === 'rebuild' || phase === 'prove'

/** Milliseconds still to wait, counted down here; the moment it began is on record, so a reload does not begin it anew. */
function useWaitLeft(step: JobStep): number | null {
  const [now, setNow] = useState<number | null>(null)
  const running = step.waitFrom !== null && step.standing.kind === 'open'
  useEffect(() => {
    if (!running) return
    setNow(nowMs())
    const tick = setInterval(() => setNow(nowMs()), 1000)
    return () => clearInterval(tick)
  }, [running])
  return now === null ? (step.waitFrom === null ? null : waitLeftMs(step, Date.parse(step.waitFrom.at))) : waitLeftMs(step, now)
}

function Standing({ step, left }: { readonly step: JobStep; readonly left: number | null }) {
  const { standing } = step
  const wait = step.book?.wait
  if (standing.kind === 'done')
    return (
      <p className={styles.standing}>
        ✓ {standing.by}, <span className="figure">{formatMoment(standing.at)}</span>
        {standing.licensed && `; licensed: ${standing.licensed.name}, ${standing.licensed.licence}`}
        {standing.note !== '' && `: ${standing.note}`}
      </p>
    )
  if (standing.kind === 'skipped')
    return (
      <p className={styles.standing}>
        {say.skipped(standing.by)} <span className="figure">{formatMoment(standing.at)}</span>: {standing.reason}
      </p>
    )
  if (standing.kind === 'notApplicable')
    return (
      <p className={styles.standing}>
        {say.doesNotApplySays(standing.by)} <span className="figure">{formatMoment(standing.at)}</span>: {standing.reason}.{' '}
        {standing.agreed ? (
          <>
            {say.agreed(standing.agreed.by)} <span className="figure">{formatMoment(standing.agreed.at)}</span>.
          </>
        ) : (
          say.secondPersonMust
        )}
      </p>
    )
  return (
    <>
      {standing.reopened && <p className={styles.standing}>{say.openedAgain(standing.reopened.by, standing.reopened.reason)}</p>}
      {step.closedBy !== null && <p className={styles.closed}>{say.closedUntilDone(step.closedBy)}</p>}
      {wait && step.closedBy === null && (
        <p className={styles.clock} role="timer" aria-label={say.waiting(wait.for)}>
          <span className="figure">{left === null ? clockText(wait.minutes * 60_000) : clockText(left)}</span>{' '}
          {left === null ? say.wait(wait.for) : left > 0 ? say.stillWait(wait.for) : `waited: ${wait.for}`}
        </p>
      )}
    </>
  )
}

const REASONED = { skip: 'stepSkipped', notApplicable: 'stepNotApplicable', reopen: 'stepReopened' } as const
const SUBMITS = {
  done: say.confirmMyName,
  skip: say.skipStep,
  notApplicable: say.itDoesNotApply,
  reopen: say.openItAgain,
} as const

function StepForm({
  noted,
  step,
  kind,
  onSending,
  onClose,
}: {
  readonly noted: JobNotes
  readonly step: JobStep
  readonly kind: Exclude<StepQuestion, 'none'>
  readonly onSending: (sending: boolean) => void
  readonly onClose: () => void
}) {
  const form = useSubjectForm(noted, `step:${step.id}`, { text: '', name: '', licence: '' })
  const { text, name, licence } = form.value
  const asksLicence = kind === 'done' && step.licensed !== null
  const behind = kind === 'reopen' ? reopenedWith(noted.steps, step) : []

  async function send(): Promise<void> {
    const wrong = [
      ...(asksLicence && name.trim() === '' ? [{ at: 'name', says: say.typeLicensedName }] : []),
      ...(asksLicence && licence.trim() === '' ? [{ at: 'licence', says: say.typeLicence }] : []),
      ...(kind !== 'done' && text.trim().length < 3 ? [{ at: 'text', says: say.sayWhyFew }] : []),
    ]
    if (wrong.length > 0) return form.say(wrong)
    onSending(true)
    const noted = await form.write(
      kind === 'done'
        ? {
            kind: 'stepDone',
            step: step.id,
            note: text.trim(),
            licensed: asksLicence ? { name: name.trim(), licence: licence.trim() } : null,
          }
        : { kind: REASONED[kind], step: step.id, reason: text.trim() },
    )
    onSending(false)
    if (noted) onClose()
  }

  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault()
        void send()
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') onClose()
      }}
    >
      {asksLicence && step.licensed && (
        <div className={styles.pair}>
          <TextField
            label={say.licensedPerson}
            hint={licensedFieldName[step.licensed]}
            maxLength={200}
            autoFocus
            {...form.field('name')}
          />
          <TextField label={say.licenceTitle} hint={say.numberStampAs} maxLength={60} {...form.field('licence')} />
        </div>
      )}
      <TextField
        label={kind === 'done' ? say.note : kind === 'notApplicable' ? say.whyDoesNot : say.why}
        hint={kind === 'done' ? say.whatSeenYour : undefined}
        maxLength={400}
        autoFocus={!asksLicence}
        {...form.field('text')}
      />
      {behind.length > 0 && (
        <p className={styles.closed}>{say.whatConfirmedBehind(behind.map(({ name }) => `“${name}”`).join(', '))}</p>
      )}
      <Fault text={form.fault} />
      <div className={styles.actions}>
        <Button type="submit" kind="primary">
          {SUBMITS[kind]}
        </Button>
        <Button onClick={onClose}>{say.notNow}</Button>
      </div>
    </form>
  )
}
