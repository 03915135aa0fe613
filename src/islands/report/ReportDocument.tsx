import type { ReportContent } from '../../contract/answers'
import type { NoteFacts, ReportWords } from '../../contract/reportWords'
import { fitStageLines, stageLines } from '../../contract/stageLines'
import { bookWords, CAUTION, documentWords, fitWord, formatMoment, policyWords } from '../../contract/words'
import { formatLength, formatSignedLength, unitLabel } from '../../core/quantity/format'
import { meterOf } from '../../core/quantity/meter'
import { stepName, verdictName } from '../../core/words/labels'
import { ranAtWords, ranWords } from '../../core/words/meter'
import { say } from '../../labels/report'
import { partLines, type ReportDraft } from '../../report/reportFacts'
import { reportWords } from '../../report/reportWords'
import { StageLine } from '../../ui/StageLine'
import { VerdictWord } from '../../ui/VerdictMark'
import styles from './ReportDocument.module.css'
import { ReportFigures } from './ReportFigures'

interface DocumentProps {
  readonly content: ReportDraft
  /** Null while it is a draft. */
  readonly signed: {
    readonly signature: ReportContent['signature']
    readonly sequence: number
    /** What binds it, line by line. */
    readonly evidence: readonly string[]
  } | null
}

/** The report as it goes out: facts, verdicts with reasons, figures with limits and sources, fits, signature. */
export function ReportDocument({ content, signed }: DocumentProps) {
  const { record } = content
  const { job, machine, book } = record
  const meter = meterOf(machine)
  const words = reportWords(content)
  return (
    <article className={styles.paper}>
      <header className={styles.title}>
        <div>
          <h1>{say.inspectionReport}</h1>
          <p>
            {machine.station}, {machine.name} · {content.title}
          </p>
        </div>
        <span className={styles.stamp} data-draft={signed ? undefined : ''}>
          {signed ? say.signed : say.notSigned}
        </span>
      </header>
      <dl className={styles.facts}>
        <dt>{say.reason}</dt>
        <dd>{content.reason}</dd>
        <dt>{say.opened}</dt>
        <dd>{say.by(job.date, content.openedBy)}</dd>
        <dt>{say.runningHours}</dt>
        <dd className="figure">{ranAtWords(job.runningHours, meter)}</dd>
        <dt>{say.mustThenRun}</dt>
        <dd className="figure">{ranWords(job.mustRunHours, meter)}</dd>
        <dt>{say.limitBook}</dt>
        <dd>{bookWords(book)}</dd>
        <dt>{say.documents}</dt>
        <dd>{book.documents.map((document) => `${documentWords(document)}: ${document.title}`).join('; ')}</dd>
        <dt>{say.policy}</dt>
        <dd>{policyWords(job.policy).join('; ')}</dd>
        <dt>{say.nextOverhaul}</dt>
        <dd className="figure">{say.at(ranAtWords(job.runningHours + job.mustRunHours, meter))}</dd>
      </dl>
      <Before noted={words.notes} />
      <Verdicts content={content} said={words.results} />
      <ReportFigures content={content} />
      <Fits content={content} />
      <History content={content} log={words.notes.log} />
      {signed && (
        <section className={styles.signature}>
          <p>
            <b>{say.signedBy(signed.signature.by)}</b>, <span className="figure">{formatMoment(signed.signature.at)}</span>
            {say.signatureMachine(signed.sequence)}
          </p>
          <p>{signed.signature.statement}</p>
          {signed.evidence.map((line) => (
            <p key={line} className={`figure ${styles.hash}`}>
              {line}
            </p>
          ))}
        </section>
      )}
      <p className={styles.reason}>{CAUTION}</p>
    </article>
  )
}

/** What was found before the gauge: level and gate, complaint, findings with causes, and what is not as it should be. */
function Before({ noted }: { readonly noted: NoteFacts }) {
  const { scope, complaint, findings, looked, lay, openCauses, exceptions } = noted
  const nothing = [scope, findings, looked, lay, exceptions].every((list) => list.length === 0) && complaint === null
  if (nothing) return null
  return (
    <section className={styles.section}>
      <h2>{say.beforeGauge}</h2>
      {scope.map((line) => (
        <p key={line}>{line}.</p>
      ))}
      {complaint && (
        <p>
          <b>{say.complaint}</b> {complaint.text}. <span className={styles.reason}>{complaint.standing}</span>
        </p>
      )}
      {findings.length > 0 && (
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">{say.finding}</th>
              <th scope="col">{say.whatSeen}</th>
              <th scope="col">{say.cause}</th>
            </tr>
          </thead>
          <tbody>
            {findings.map(({ id, title, detail, cause }) => (
              <tr key={id}>
                <th scope="row">{title}</th>
                <td className={styles.reason}>{detail}</td>
                <td>{cause ?? <span className={styles.flag}>{say.open}</span>}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {looked.length > 0 && <p className={styles.reason}>{looked.join('. ')}.</p>}
      {lay.length > 0 && (
        <>
          <h3>{say.howLayTags}</h3>
          <table className={styles.table}>
            <tbody>
              {lay.map(({ name, words }) => (
                <tr key={name}>
                  <th scope="row">{name}</th>
                  <td>{words}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      {openCauses.length > 0 && <p className={styles.flag}>{say.causesStillOpen(openCauses.join('; '))}</p>}
      {exceptions.length > 0 && (
        <>
          <h3>{say.notAsShould}</h3>
          <ul className={styles.exceptions}>
            {exceptions.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </>
      )}
    </section>
  )
}

/** Reasons beside each verdict; the record has them all. */
const REASONS_SHOWN = 3

function Verdicts({ content, said }: { readonly content: ReportDraft; readonly said: ReportWords['results'] }) {
  return (
    <section className={styles.section}>
      <h2>{say.verdicts}</h2>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">{say.part}</th>
            <th scope="col">{say.recommended}</th>
            <th scope="col">{say.inspector}</th>
            <th scope="col">{say.reasons}</th>
          </tr>
        </thead>
        <tbody>
          {partLines(content).map(({ part, result, decided, flagged, leftOut }) => (
            <tr key={part.id}>
              <th scope="row">
                {part.name}
                <div className={styles.reason}>
                  {part.position}
                  {content.record.job.installed[part.id] ? `, ${content.record.job.installed[part.id]}` : ''}
                </div>
              </th>
              <td>
                <VerdictWord verdict={result.verdict} size={14} />
                <StageLine lines={stageLines(result)} />
              </td>
              <td>
                {decided ? (
                  <>
                    <VerdictWord verdict={decided.verdict} size={14} />
                    <div className={styles.reason}>
                      {decided.way !== null && `${decided.way}. `}
                      {decided.by}
                      {decided.departs && `, departing: ${decided.reason}`}
                    </div>
                    {flagged && <div className={styles.flag}>{say.departsSafetyMarked}</div>}
                    {decided.stale && <div className={styles.flag}>{say.readingsChangedAfter}</div>}
                  </>
                ) : (
                  <span className={styles.reason}>{leftOut ? say.notRequired : say.notDecided}</span>
                )}
              </td>
              <td>
                {result.votes.slice(0, REASONS_SHOWN).map(({ source }, index) => {
                  const reason = said.parts[part.id]?.votes[index]?.reason
                  return (
                    <div key={reason}>
                      {reason}
                      {source && (
                        <span className={styles.reason}>
                          {' '}
                          ({source.document}, {source.page})
                        </span>
                      )}
                    </div>
                  )
                })}
                {result.way && result.verdict !== 'reuse' && (
                  <div className={styles.reason}>
                    {say.way} {said.parts[part.id]?.way}
                  </div>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}

function Fits({ content: { record, results } }: { readonly content: ReportDraft }) {
  const { units } = record.machine
  return (
    <section className={styles.section}>
      <h2>{say.fits(unitLabel(units))}</h2>
      <table className={styles.table}>
        <thead>
          <tr>
            <th scope="col">{say.fit}</th>
            <th scope="col" className={styles.right}>
              {say.clearanceFromParts}
            </th>
            <th scope="col">{say.limitsSource}</th>
            <th scope="col">{say.stripParts}</th>
            <th scope="col">{say.verdict}</th>
          </tr>
        </thead>
        <tbody>
          {results.fits.map((fit) => {
            const spec = record.book.fits.find(({ id }) => id === fit.id)
            if (!spec) return null
            const figure = (mm: number | null): string => (mm === null ? '–' : formatLength(mm, units, spec.showTo))
            return (
              <tr key={fit.id}>
                <td>{spec.name}</td>
                <td>
                  <span className="figure">
                    {figure(fit.clearance.minimumMm)} … {figure(fit.clearance.maximumMm)}
                  </span>
                  {fitStageLines(fit).map(({ stage, minimumMm, maximumMm, words }) => (
                    <div key={stage} className={styles.reason}>
                      {stage}{' '}
                      <span className="figure">
                        {figure(minimumMm)} … {figure(maximumMm)}
                      </span>
                      , {words}
                    </div>
                  ))}
                </td>
                <td className={styles.reason}>
                  {spec.limits
                    .map(
                      (limit) =>
                        `${limit.side === 'upper' ? '≤' : '≥'} ${figure(limit.wear)} (${limit.source.document}, ${limit.source.page})`,
                    )
                    .join('; ')}
                </td>
                <td>
                  {fit.closures.length === 0
                    ? '–'
                    : fit.closures.map((closure) => (
                        <div key={closure.station}>
                          {closure.station}:{' '}
                          <span className="figure">{formatSignedLength(closure.differenceMm, units, spec.showTo)}</span>
                          {say.within(closure.agrees ? say.agree : say.disagree)}
                          <span className="figure">{figure(closure.allowedMm)}</span>
                        </div>
                      ))}
                </td>
                <td>{fitWord[fit.verdict]}</td>
              </tr>
            )
          })}
        </tbody>
      </table>
    </section>
  )
}

function History({ content, log }: { readonly content: ReportDraft; readonly log: NoteFacts['log'] }) {
  const { confirmations, review, record } = content
  return (
    <section className={styles.section}>
      <h2>{say.whoDidWhat}</h2>
      <table className={`${styles.table} ${styles.history}`}>
        <tbody>
          {confirmations.map(({ step, by, at, note }) => (
            <tr key={step}>
              <td>{say.confirmed(stepName[step])}</td>
              <td>{by}</td>
              <td className="figure">{formatMoment(at)}</td>
              <td className={styles.reason}>{note}</td>
            </tr>
          ))}
          {log.map(({ id, what, by, at }) => (
            <tr key={id}>
              <td>{what}</td>
              <td>{by}</td>
              <td className="figure">{formatMoment(at)}</td>
              <td />
            </tr>
          ))}
          {record.decisions.map(({ id, part, by, at, decided }) => (
            <tr key={id}>
              <td>
                {record.book.parts.find((other) => other.id === part)?.name ?? part}: {verdictName[decided].toLowerCase()}
              </td>
              <td>{by}</td>
              <td className="figure">{formatMoment(at)}</td>
              <td />
            </tr>
          ))}
          {review.map(({ kind, by, at, note }) => (
            <tr key={`${kind}${at}`}>
              <td>{{ sent: say.sentReviewer, returned: say.returnedTitle, signed: say.signed, ended: say.ended }[kind]}</td>
              <td>{by}</td>
              <td className="figure">{formatMoment(at)}</td>
              <td className={styles.reason}>{note}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
