import { useState } from 'react'
import { openCauses } from '../../core/notes/openQuestions'
import { standingFindings } from '../../core/notes/state'
import { isSettled } from '../../core/notes/steps'
import { findingTitle } from '../../core/words/findings'
import { verdictName } from '../../core/words/labels'
import { say } from '../../labels/look'
import { Button } from '../../ui/Button'
import { Fault } from '../../ui/Field'
import { TabPanel, Tabs } from '../../ui/Tabs'
import { VerdictMark } from '../../ui/VerdictMark'
import { ComplaintNote } from '../notes/ComplaintNote'
import { Notices } from '../notes/Notices'
import { type NotesProps, useNotes } from '../notes/useNotes'
import { receiving } from '../pageData/pageData'
import { AddStep } from '../steps/AddStep'
import stepStyles from '../steps/PhaseSteps.module.css'
import { StepCard } from '../steps/StepCard'
import { AddPosition } from '../strip/AddPosition'
import { FindingCard } from './FindingCard'
import { FindingForm } from './FindingForm'
import { HandTests } from './HandTests'
import styles from './Look.module.css'
import { PatternSheet } from './PatternSheet'
import { SidesUsed } from './SidesUsed'

type Tab = 'findings' | 'steps'

/** Findings part by part: what is seen, what it points to, and its cause. */
function Look({ opened, ...props }: NotesProps & { readonly opened: string | null }) {
  const noted = useNotes(props)
  const { book } = noted.record
  const [tab, setTab] = useState<Tab>('findings')
  const [partId, setPartId] = useState(book.parts.find(({ id }) => id === opened)?.id ?? book.parts[0]?.id ?? '')
  const [changing, setChanging] = useState<string | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const part = book.parts.find(({ id }) => id === partId)
  const all = standingFindings(noted.state)
  const own = all.filter((finding) => finding.part === partId)
  const looked = noted.state.inspected.get(partId)
  const causes = openCauses(noted.state)
  const steps = noted.steps.filter(({ phase }) => phase === 'look')
  const stepsDone = steps.filter(isSettled).length
  const assemblies = [...new Set(book.parts.map(({ assembly }) => assembly))]
  const changed = own.find(({ id }) => id === changing) ?? null
  return (
    <div className={styles.page}>
      <nav className={styles.parts} aria-label={say.partsLook}>
        <div className={styles.addPart}>
          <AddPosition noted={noted} onAdded={setPartId} />
        </div>
        {assemblies.map((assembly) => (
          <section key={assembly}>
            <h2>{assembly}</h2>
            <ul>
              {book.parts
                .filter((candidate) => candidate.assembly === assembly || candidate.alsoIn?.includes(assembly))
                .map((candidate) => {
                  const found = all.filter((finding) => finding.part === candidate.id).length
                  const result = noted.results.parts.find(({ id }) => id === candidate.id)
                  const state = found > 0 ? say.found(found) : noted.state.inspected.has(candidate.id) ? '✓' : '·'
                  return (
                    <li key={candidate.id}>
                      <button
                        type="button"
                        aria-current={candidate.id === partId ? 'true' : undefined}
                        onClick={() => {
                          setPartId(candidate.id)
                          setChanging(null)
                          setTab('findings')
                        }}
                      >
                        <span className={styles.partName}>{candidate.name}</span>
                        {result && <VerdictMark verdict={result.verdict} size={13} title={verdictName[result.verdict]} />}
                        <span className={`figure ${styles.partState}`}>
                          {state}
                          <span className="hidden-label">
                            {state === '·' ? say.notLooked : state === '✓' ? say.lookedNothingFound : ''}
                          </span>
                        </span>
                      </button>
                    </li>
                  )
                })}
            </ul>
          </section>
        ))}
      </nav>
      <div className={styles.main}>
        <Notices noted={noted} />
        <div className={styles.above}>
          <ComplaintNote noted={noted} />
        </div>
        <header className={styles.head}>
          <div>
            <h1>{tab === 'steps' ? say.cleanLook : (part?.name ?? say.noPart)}</h1>
            {tab === 'findings' && part && (
              <p className={styles.quiet}>
                {[part.assembly, ...(part.alsoIn ?? [])].join(', ')}, {part.position}
              </p>
            )}
          </div>
          <Tabs
            label={say.look}
            value={tab}
            onChange={setTab}
            tabs={[
              {
                id: 'findings',
                label: (
                  <>
                    {say.findings} <span className="figure">{all.length}</span>
                  </>
                ),
              },
              {
                id: 'steps',
                label: (
                  <>
                    {say.steps}{' '}
                    <span className="figure">
                      {stepsDone}/{steps.length}
                    </span>
                  </>
                ),
              },
            ]}
          />
        </header>
        <Fault text={noted.closed} />
        {tab === 'steps' && (
          <TabPanel tab="steps">
            {steps.length === 0 && <p className={styles.quiet}>{say.limitBookHas}</p>}
            <ol className={stepStyles.steps}>
              {steps.map((step, index) => (
                <StepCard key={step.id} noted={noted} step={step} number={index + 1} />
              ))}
            </ol>
            <AddStep noted={noted} phase="look" after={steps.at(-1)?.id ?? null} />
          </TabPanel>
        )}
        {tab === 'findings' && !part && (
          <TabPanel tab="findings" className={styles.findings}>
            <p className={styles.none}>
              {say.noPartYet} <a href={`/jobs/${noted.record.job.id}/limits`}>{say.nameOne}</a>
            </p>
          </TabPanel>
        )}
        {tab === 'findings' && part && (
          <TabPanel tab="findings" className={styles.findings}>
            {noted.closed === null && (
              <FindingForm
                key={`${part.id} ${changing ?? ''}`}
                noted={noted}
                part={part}
                changing={changed}
                onDone={() => setChanging(null)}
              />
            )}
            {own.length === 0 && (
              <p className={styles.none}>
                {looked ? say.lookedAtByNothingFound(looked.by) : say.nothingNotedPart}
                {noted.closed === null && !looked && (
                  <Button
                    onClick={() =>
                      void noted
                        .write({ kind: 'inspected', part: part.id, note: '' })
                        .then((fate) => setFault(fate.kind === 'refused' ? fate.message : null))
                    }
                  >
                    {say.lookedAtNothingFound}
                  </Button>
                )}
              </p>
            )}
            <Fault text={fault} />
            {own.map((finding) => (
              <FindingCard key={finding.id} noted={noted} finding={finding} onChange={() => setChanging(finding.id)} />
            ))}
            {book.patterns
              .filter((pattern) => pattern.part === part.id)
              .map((pattern) => (
                <PatternSheet key={pattern.id} noted={noted} pattern={pattern} />
              ))}
            <SidesUsed key={`sides ${part.id}`} noted={noted} part={part} />
            <HandTests noted={noted} part={part.id} />
          </TabPanel>
        )}
      </div>
      <aside className={styles.side} aria-label={say.openCauses}>
        <ComplaintNote noted={noted} asks />
        <h2>{say.openCauses}</h2>
        {causes.length === 0 ? (
          <p className={styles.quiet}>{say.noFindingWithout}</p>
        ) : (
          <ul className={styles.causes}>
            {causes.map((finding) => (
              <li key={finding.id}>
                <button
                  type="button"
                  onClick={() => {
                    setPartId(finding.part)
                    setTab('findings')
                  }}
                >
                  {findingTitle(book, finding)}
                </button>
              </li>
            ))}
          </ul>
        )}
        <h2>{say.addedPlanFindings}</h2>
        {noted.state.planned.size === 0 ? (
          <p className={styles.quiet}>{say.none}</p>
        ) : (
          <ul className={styles.causes}>
            {[...noted.state.planned].map(([id, { by }]) => (
              <li key={id}>
                <a href={`/jobs/${noted.record.job.id}/bench?c=${id}`}>
                  {book.characteristics.find((item) => item.id === id)?.name ?? id}
                </a>{' '}
                <span className={styles.quiet}>{by}</span>
              </li>
            ))}
          </ul>
        )}
      </aside>
    </div>
  )
}

/** As its page shows it. */
export const LookIsland = receiving(Look)
