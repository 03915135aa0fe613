import { useState } from 'react'
import { hasEnded, jobState } from '../../core/job/standing'
import { type JobStep, mustNotBeSkipped, placesFor } from '../../core/notes/steps'
import { say } from '../../labels/steps'
import { Button } from '../../ui/Button'
import { Fault } from '../../ui/Field'
import type { JobNotes } from '../notes/useNotes'
import styles from './PhaseSteps.module.css'

/** What is being asked about a step. */
export type StepQuestion = 'none' | 'done' | 'skip' | 'notApplicable' | 'reopen'

interface ActionsProps {
  readonly noted: JobNotes
  readonly step: JobStep
  readonly waits: boolean
  readonly left: number | null
  /** The first open step of its phase: the one thing to do here. */
  readonly isNext: boolean
  readonly onForm: (form: StepQuestion) => void
}

/** What can be done about a step now, and by whom. */
export function StepActions({ noted, step, waits, left, isNext, onForm }: ActionsProps) {
  const [fault, setFault] = useState<string | null>(null)
  const tell = (fate: Awaited<ReturnType<JobNotes['write']>>): void => setFault(fate.kind === 'refused' ? fate.message : null)
  const mayWrite = noted.closed === null
  // The second person may be the reviewer, who notes nothing else.
  const mayAgree =
    (mayWrite || (noted.view.may.check && !hasEnded(jobState(noted.view)))) &&
    step.standing.kind === 'notApplicable' &&
    step.standing.agreed === null &&
    step.standing.by !== noted.person.name
  if (!mayWrite && !mayAgree) return null
  if (step.standing.kind !== 'open')
    return (
      <div className={styles.actions}>
        {mayAgree && (
          <Button
            kind="primary"
            onClick={() => void noted.write({ kind: 'stepNotApplicableAgreed', step: step.id }).then(tell)}
            aria-label={say.agreeDoesNot(step.name)}
          >
            {say.iAgreeDoes}
          </Button>
        )}
        <Fault text={fault} />
        {mayWrite && (
          <Button kind="quiet" onClick={() => onForm('reopen')} aria-label={say.openAgain(step.name)}>
            {say.openAgainTitle}
          </Button>
        )}
      </div>
    )
  const places = placesFor(noted.steps, step.id)
  const { up, down } = neighbours(noted.steps, step, places)
  return (
    <div className={styles.actions}>
      {step.closedBy === null && waits && left === null && (
        <Button
          kind={isNext ? 'primary' : 'plain'}
          onClick={() => void noted.write({ kind: 'waitStarted', step: step.id }).then(tell)}
          aria-label={say.startClock(step.name)}
        >
          {say.startTheClock}
        </Button>
      )}
      {step.closedBy === null && !waits && (
        <Button kind={isNext ? 'primary' : 'plain'} onClick={() => onForm('done')} aria-label={say.doneOf(step.name)}>
          {say.doneTitle}
        </Button>
      )}
      {mustNotBeSkipped(step) ? (
        step.closedBy === null && (
          <Button kind="quiet" onClick={() => onForm('notApplicable')} aria-label={say.doesNotApply(step.name)}>
            {say.doesNotApplyTitle}
          </Button>
        )
      ) : (
        <Button kind="quiet" onClick={() => onForm('skip')} aria-label={say.skip(step.name)}>
          {say.skipTitle}
        </Button>
      )}
      {up !== undefined && (
        <Button
          kind="quiet"
          onClick={() => void noted.write({ kind: 'stepMoved', step: step.id, after: up }).then(tell)}
          aria-label={say.moveUp(step.name)}
        >
          ↑
        </Button>
      )}
      {down !== undefined && (
        <Button
          kind="quiet"
          onClick={() => void noted.write({ kind: 'stepMoved', step: step.id, after: down }).then(tell)}
          aria-label={say.moveDown(step.name)}
        >
          ↓
        </Button>
      )}
      <Fault text={fault} />
    </div>
  )
}

/** After which step this one goes when it is moved one up or down; undefined where a gate or the phase's end stands there. */
function neighbours(steps: readonly JobStep[], step: JobStep, places: readonly (string | null)[]) {
  const phase = steps.filter(({ phase: own }) => own === step.phase)
  const at = phase.findIndex(({ id }) => id === step.id)
  const above: string | null | undefined = at > 0 ? (phase[at - 2]?.id ?? null) : undefined
  const below = phase[at + 1]?.id
  return {
    up: above !== undefined && places.includes(above) ? above : undefined,
    down: below !== undefined && places.includes(below) ? below : undefined,
  }
}
