import { useMemo, useState } from 'react'
import { jobState, whyClosed } from '../../core/job/standing'
import { complaintState } from '../../core/notes/openQuestions'
import { type PlanLine, planLines } from '../../core/notes/plan'
import { levelOf } from '../../core/scope/need'
import { planDetailWords, planFaultWords } from '../../core/words/plan'
import { gateWords } from '../../core/words/signed'
import { speakerOf } from '../../core/words/speaker'
import { say } from '../../labels/plan'
import { Button, ButtonLink } from '../../ui/Button'
import { Fault } from '../../ui/Field'
import { AddNeed } from '../additions/AddNeed'
import { addsTo } from '../additions/addsTo'
import { FittedTypes } from '../notes/FittedTypes'
import { Notices } from '../notes/Notices'
import { type NotesProps, useNotes } from '../notes/useNotes'
import { receiving } from '../pageData/pageData'
import styles from './PlanSheet.module.css'

const groupName: Record<PlanLine['group'], string> = {
  gauges: say.gauges,
  tools: say.specialTools,
  consumables: say.consumables,
  safety: say.safetyGear,
  people: say.people,
}

/** What the level needs laid out, ticked off before anything is opened. */
function PlanSheet({ today, ...props }: NotesProps & { readonly today: string }) {
  const noted = useNotes(props)
  const [fault, setFault] = useState<string | null>(null)
  const { record, scope } = noted
  const level = levelOf(record.book, scope.counts)
  const units = record.machine.units
  const lines = useMemo(
    () => (level === null ? [] : planLines(level, record.gauges, today, noted.state.plan)),
    [level, record.gauges, today, noted.state.plan],
  )
  const mayTick = noted.view.may.plan && whyClosed(jobState(noted.view)) === null
  const missing = lines.filter(({ state }) => state === 'missing')
  const open = lines.filter(({ state }) => state === 'open')
  const complaint = complaintState(record.job.complaint, noted.state)

  const tick = (line: PlanLine, state: PlanLine['state']): void => {
    setFault(null)
    void noted.write({ kind: 'planTicked', item: line.id, state }).then((fate) => {
      if (fate.kind === 'refused') setFault(fate.message)
    })
  }

  if (level === null)
    return (
      <div className={styles.sheet}>
        <FittedTypes noted={noted} />
        <p className={styles.empty}>
          {say.jobsLimitBook} <a href={`/machines/${encodeURIComponent(record.machine.id)}/compose`}>{say.composeMachine}</a>
        </p>
      </div>
    )
  return (
    <div className={styles.sheet}>
      <Notices noted={noted} />
      <header className={styles.head}>
        <div>
          <h1>{say.laidOutBefore}</h1>
          <p className={styles.about}>
            {level.name}: {level.about}
          </p>
        </div>
        <div className={styles.actions}>
          <Button onClick={() => print()}>{say.printList}</Button>
          <ButtonLink href={`/jobs/${record.job.id}/make-safe`} kind="primary">
            {say.makeSafe}
          </ButtonLink>
        </div>
      </header>
      <FittedTypes noted={noted} />
      {scope.gate?.kind === 'failed' && (
        <p className={styles.grown}>
          {say.gateFailedSo(level.name, gateWords(speakerOf(record.book, units, record.machine.meter), noted.results).join('; '))}
        </p>
      )}
      <p className={styles.count} aria-live="polite">
        {missing.length === 0 && open.length === 0 ? (
          say.everythingThere
        ) : (
          <>
            <b className="figure">{missing.length}</b> {say.missing} <b className="figure">{open.length}</b> {say.notLooked}{' '}
            <b className="figure">{lines.length - missing.length - open.length}</b> {say.there}
          </>
        )}
      </p>
      <Fault text={fault} />
      {complaint && (
        <p className={styles.complaint}>
          <b>{say.complaint}</b> {record.job.complaint}
        </p>
      )}
      <div className={styles.groups}>
        {(Object.keys(groupName) as PlanLine['group'][]).map((group) => {
          const own = lines.filter((line) => line.group === group)
          return own.length === 0 ? null : (
            <section key={group} aria-labelledby={`group-${group}`}>
              <h2 id={`group-${group}`}>{groupName[group]}</h2>
              <ul className={styles.list}>
                {own.map((line) => (
                  <li key={line.id} className={styles.line} data-state={line.state}>
                    <span className={styles.box} aria-hidden="true">
                      {line.state === 'there' ? '✓' : line.state === 'missing' ? '!' : ''}
                    </span>
                    <span className={styles.what}>
                      <span className={styles.name}>
                        {line.quantity && <span className="figure">{line.quantity} </span>}
                        {line.name}
                      </span>
                      {line.detail && <span className={styles.detail}>{planDetailWords(line.detail, units)}</span>}
                      {line.fault && <span className={styles.fault}>{planFaultWords(line.fault, units)}</span>}
                      {line.ticked && (
                        <span className={styles.detail}>
                          {line.state}, {line.ticked.by}
                        </span>
                      )}
                    </span>
                    {mayTick && (
                      <span className={styles.ticks}>
                        <Button
                          aria-pressed={line.state === 'there'}
                          aria-label={say.isThere(line.name)}
                          onClick={() => tick(line, line.state === 'there' && line.ticked ? 'open' : 'there')}
                        >
                          {say.thereTitle}
                        </Button>
                        <Button
                          aria-pressed={line.state === 'missing'}
                          aria-label={say.isMissing(line.name)}
                          onClick={() => tick(line, line.state === 'missing' && line.ticked ? 'open' : 'missing')}
                        >
                          {say.missingTitle}
                        </Button>
                      </span>
                    )}
                  </li>
                ))}
              </ul>
            </section>
          )
        })}
      </div>
      {noted.closed === null && <AddNeed to={addsTo(noted)} />}
      {missing.length > 0 && (
        <section className={styles.missing} aria-labelledby="missing">
          <h2 id="missing">{say.gotBeforeAnything}</h2>
          <ul>
            {missing.map((line) => (
              <li key={line.id}>
                {line.quantity && `${line.quantity} `}
                <b>{line.name}</b>
                {line.fault && `: ${line.fault}`}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  )
}

/** As its page shows it. */
export const PlanSheetIsland = receiving(PlanSheet)
