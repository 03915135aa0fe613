import type { Phase } from '../../core/book/phases'
import { isSettled } from '../../core/notes/steps'
import { say } from '../../labels/steps'
import { ButtonLink } from '../../ui/Button'
import { ComplaintNote } from '../notes/ComplaintNote'
import { Notices } from '../notes/Notices'
import { type NotesProps, useNotes } from '../notes/useNotes'
import { receiving } from '../pageData/pageData'
import { AddStep } from './AddStep'
import { GateOutcomePanel } from './GateOutcomePanel'
import { LiftingHelper } from './LiftingHelper'
import styles from './PhaseSteps.module.css'
import { StepCard } from './StepCard'

export type OwnStage = Exclude<Phase, 'strip' | 'look'>

const title: Record<OwnStage, string> = {
  makeSafe: say.makeSafe,
  asFound: say.asFoundBefore,
  gate: say.gateInspection,
  rebuild: say.rebuild,
  prove: say.prove,
}
const about: Record<OwnStage, string> = {
  makeSafe: say.confirmedStepStep,
  asFound: say.whatStrippingDestroys,
  gate: say.whenEveryGate,
  rebuild: say.reverseOrder,
  prove: say.provedBefore,
}
const next: Record<OwnStage, { readonly path: string; readonly text: string }> = {
  makeSafe: { path: 'as-found', text: say.asFound },
  asFound: { path: 'strip', text: say.strip },
  gate: { path: 'look', text: say.look },
  rebuild: { path: 'prove', text: say.prove },
  prove: { path: 'report', text: say.report },
}

/** The steps of one phase of the order of work, from the book's procedure for this level. */
function PhaseSteps({ phase, ...props }: NotesProps & { readonly phase: OwnStage }) {
  const noted = useNotes(props)
  const own = noted.steps.filter((step) => step.phase === phase)
  const done = own.filter(isSettled).length
  const { job } = noted.record
  return (
    <div className={styles.page}>
      <section className={styles.main} aria-labelledby="title">
        <Notices noted={noted} />
        <ComplaintNote noted={noted} />
        <header className={styles.head}>
          <h1 id="title">{title[phase]}</h1>
          <p className={styles.count} aria-live="polite">
            <b className="figure">{done}</b> {say.ofOne} <b className="figure">{own.length}</b> {say.done}
          </p>
        </header>
        <p className={styles.about}>{about[phase]}</p>
        {noted.closed !== null && <p className={styles.about}>{noted.closed}</p>}
        {phase === 'gate' && <GateOutcomePanel noted={noted} />}
        {own.length === 0 && <p className={styles.empty}>{say.limitBookHas}</p>}
        <ol className={styles.steps}>
          {own.map((step, index) => (
            <StepCard key={step.id} noted={noted} step={step} number={index + 1} />
          ))}
        </ol>
        <AddStep noted={noted} phase={phase} after={own.at(-1)?.id ?? null} />
        {own.length > 0 && done === own.length && (
          <p className={styles.onward}>
            <ButtonLink href={`/jobs/${job.id}/${next[phase].path}`} kind="primary">
              {say.go(next[phase].text)}
            </ButtonLink>
          </p>
        )}
      </section>
      {phase === 'makeSafe' && (
        <aside className={styles.side}>
          <LiftingHelper units={noted.record.machine.units} />
        </aside>
      )}
    </div>
  )
}

/** As its page shows it. */
export const PhaseStepsIsland = receiving(PhaseSteps)
