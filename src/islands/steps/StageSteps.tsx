import type { ProcedureStage } from '../../core/book/procedureStages'
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
import styles from './StageSteps.module.css'
import { StepCard } from './StepCard'

export type OwnStage = Exclude<ProcedureStage, 'strip' | 'look'>

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

/** The steps of one stage of the order of work, from the book's procedure for this level. */
function StageSteps({ stage, ...props }: NotesProps & { readonly stage: OwnStage }) {
  const noted = useNotes(props)
  const own = noted.steps.filter((step) => step.stage === stage)
  const done = own.filter(isSettled).length
  const { job } = noted.record
  return (
    <div className={styles.page}>
      <section className={styles.main} aria-labelledby="title">
        <Notices noted={noted} />
        <ComplaintNote noted={noted} />
        <header className={styles.head}>
          <h1 id="title">{title[stage]}</h1>
          <p className={styles.count} aria-live="polite">
            <b className="figure">{done}</b> {say.ofOne} <b className="figure">{own.length}</b> {say.done}
          </p>
        </header>
        <p className={styles.about}>{about[stage]}</p>
        {noted.closed !== null && <p className={styles.about}>{noted.closed}</p>}
        {stage === 'gate' && <GateOutcomePanel noted={noted} />}
        {own.length === 0 && <p className={styles.empty}>{say.limitBookHas}</p>}
        <ol className={styles.steps}>
          {own.map((step, index) => (
            <StepCard key={step.id} noted={noted} step={step} number={index + 1} />
          ))}
        </ol>
        <AddStep noted={noted} stage={stage} after={own.at(-1)?.id ?? null} />
        {own.length > 0 && done === own.length && (
          <p className={styles.onward}>
            <ButtonLink href={`/jobs/${job.id}/${next[stage].path}`} kind="primary">
              {say.go(next[stage].text)}
            </ButtonLink>
          </p>
        )}
      </section>
      {stage === 'makeSafe' && (
        <aside className={styles.side}>
          <LiftingHelper units={noted.record.machine.units} />
        </aside>
      )}
    </div>
  )
}

/** As its page shows it. */
export const StageStepsIsland = receiving(StageSteps)
