import { levelOf } from '../../core/scope/need'
import { gateWords, openAtGate } from '../../core/words/signed'
import { nameOf, speakerOf } from '../../core/words/speaker'
import { say } from '../../labels/steps'
import { ButtonLink } from '../../ui/Button'
import type { JobNotes } from '../notes/useNotes'
import styles from './PhaseSteps.module.css'

/** How the gate stands, which reading decided it, and what that does to the plan. */
export function GateOutcomePanel({ noted }: { readonly noted: JobNotes }) {
  const { scope } = noted
  const { book, job } = noted.record
  if (scope.gate === null) return <p className={styles.about}>{say.levelHasNo}</p>
  const measures = levelOf(book, scope.level)?.gate?.measures ?? []
  const speaker = speakerOf(book, noted.record.machine.units, noted.record.machine.meter)
  switch (scope.gate.kind) {
    case 'open': {
      // Read to the end and still open: no reading more settles it, and the reason says what does.
      const lines = scope.gate.missing.map((id) => ({ id, open: openAtGate(speaker, noted.results, id) }))
      const unread = lines.filter(({ open }) => open === null).map(({ id }) => nameOf(speaker, id))
      const held = [...new Set(lines.flatMap(({ open }) => open ?? []))]
      return (
        <div className={styles.gatePanel} data-outcome="open" role="status">
          <b>{say.gateOpen}</b> {unread.length > 0 && say.stillMeasured(unread.join(', '))}
          {held.length > 0 && (
            <ul>
              {held.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          )}
        </div>
      )
    }
    case 'held':
      return (
        <div className={styles.gatePanel} data-outcome="held" role="status">
          <b>{say.gateHeld}</b> {say.insideTheirLimits(measures.map((id) => nameOf(speaker, id)).join(', '))}
        </div>
      )
    case 'failed':
      return (
        <div className={styles.gatePanel} data-outcome="failed" role="status">
          <b>{say.gateFailed}</b> {say.planHasGrown}
          {levelOf(book, scope.counts)?.name}”.
          <ul>
            {gateWords(speaker, noted.results).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
          <ButtonLink href={`/jobs/${job.id}/plan`}>{say.whatGrownPlan}</ButtonLink>
        </div>
      )
  }
}
