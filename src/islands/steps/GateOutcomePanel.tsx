import { levelOf } from '../../core/scope/need'
import { shownOf } from '../../core/verdict/shown'
import { gateWords } from '../../core/words/signed'
import { nameOf, speakerOf } from '../../core/words/speaker'
import { say } from '../../labels/steps'
import { ButtonLink } from '../../ui/Button'
import type { JobNotes } from '../notes/useNotes'
import styles from './StageSteps.module.css'

/** How the gate stands, which reading decided it, and what that does to the plan. */
export function GateOutcomePanel({ noted }: { readonly noted: JobNotes }) {
  const { scope } = noted
  const { book, job } = noted.record
  if (scope.gate === null) return <p className={styles.about}>{say.levelHasNo}</p>
  const measures = levelOf(book, scope.level)?.gate?.measures ?? []
  const speaker = speakerOf(book, noted.record.machine.units, noted.record.machine.meter)
  switch (scope.gate.kind) {
    case 'open': {
      // Read to the end and decided by nothing: what it lacks is a limit, and no reading more.
      const isRead = (id: string): boolean =>
        noted.results.characteristics.some(({ id: own, reductions, verdict, votes }) => {
          return own === id && reductions.taken === reductions.needed && shownOf({ verdict, votes }) === 'nothing'
        })
      const names = (ids: readonly string[]): string => ids.map((id) => nameOf(speaker, id)).join(', ')
      const unread = scope.gate.missing.filter((id) => !isRead(id))
      const unlimited = scope.gate.missing.filter(isRead)
      return (
        <div className={styles.gatePanel} data-outcome="open" role="status">
          <b>{say.gateOpen}</b> {unread.length > 0 && say.stillMeasured(names(unread))}{' '}
          {unlimited.length > 0 && say.withoutLimit(names(unlimited))}
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
