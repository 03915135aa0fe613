import { fitStageLines } from '../../contract/stageLines'
import { fitWord } from '../../contract/words'
import type { FitSpec } from '../../core/book/bookSchema'
import type { FitResult } from '../../core/evaluate/results'
import { formatLength, formatSignedLength, unitLabel } from '../../core/quantity/format'
import type { InspectionRecord } from '../../core/record/recordSchema'
import { speakerOf } from '../../core/words/speaker'
import { ribbonOfFit } from '../../drawing/ribbonScale'
import { say } from '../../labels/fits'
import { LimitRibbon } from '../../ui/limitRibbon/LimitRibbon'
import { SourceNote } from '../../ui/SourceNote'
import { VoteList } from '../../ui/VoteList'
import styles from './FitSheet.module.css'

interface SheetProps {
  readonly record: InspectionRecord
  readonly fit: FitResult
}

/** One mating pair: clearance place by place from the measured parts, by strip, and how far the two agree. */
export function FitSheet({ record, fit }: SheetProps) {
  const spec = record.book.fits.find(({ id }) => id === fit.id)
  if (!spec) throw new Error(`no fit ${fit.id} in the book`)
  const { units } = record.machine
  const unit = unitLabel(units)
  const figure = (mm: number | null): string => (mm === null ? '–' : formatLength(mm, units, spec.showTo))
  const { clearance } = fit
  return (
    <section className={styles.sheet} aria-labelledby={`fit-${fit.id}`}>
      <div className={styles.head}>
        <h2 id={`fit-${fit.id}`}>{spec.name}</h2>
        <span className={styles.state} data-state={fit.verdict}>
          {fitWord[fit.verdict]}
        </span>
        <span className={styles.counts}>
          {say.clearanceWhatCounts(unit, fit.countsBy === 'strip' ? say.strip : say.measuredParts)}
        </span>
      </div>
      <div className={styles.block}>
        <p className={`figure ${styles.big}`}>
          {figure(fit.minimum?.value ?? null)} … {figure(fit.maximum?.value ?? null)} <small>{unit}</small>
        </p>
        <LimitRibbon model={ribbonOfFit(spec, fit)} width={460} labels system={units} />
        <p className={styles.note}>
          {say.newOne(figure(spec.new.lower), figure(spec.new.upper), unit)}
          <SourceNote source={spec.new.source} documents={record.book.documents} />
          {say.whateverMatchedBounds(figure(clearance.outerMinimumMm), figure(clearance.outerMaximumMm))}
        </p>
        <FitStages fit={fit} figure={figure} />
        <h3>{say.why}</h3>
        <VoteList votes={fit.votes} speaker={speakerOf(record.book, record.machine.units)} />
        <p className={styles.note}>{say.twoPointSizes}</p>
      </div>
      <div className={styles.block}>
        <h3>{say.fromMeasuredParts}</h3>
        <Matched record={record} spec={spec} fit={fit} figure={figure} />
        <h3>{say.stripDifference}</h3>
        <Closures fit={fit} spec={spec} record={record} figure={figure} />
      </div>
    </section>
  )
}

/** The clearance at every stage that was measured, with its verdict. */
function FitStages({ fit, figure }: { readonly fit: FitResult; readonly figure: (mm: number | null) => string }) {
  const lines = fitStageLines(fit)
  if (lines.length === 0) return null
  return (
    <>
      <h3>{say.stageStage}</h3>
      <table className={styles.table}>
        <tbody>
          {lines.map(({ stage, minimumMm, maximumMm, words, verdict }) => (
            <tr key={stage}>
              <th scope="row">{stage}</th>
              <td className="figure">
                {figure(minimumMm)} … {figure(maximumMm)}
              </td>
              <td>
                <span className={styles.state} data-state={verdict}>
                  {words}
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}

interface TableProps extends SheetProps {
  readonly spec: FitSpec
  readonly figure: (mm: number | null) => string
}

function Matched({ fit, figure, record, spec }: TableProps) {
  const { matched } = fit.clearance
  const bore = record.book.characteristics.find(({ id }) => id === spec.bore)?.method
  const label = (direction: string): string =>
    bore?.kind === 'boreDiameter' ? (bore.directions.find(({ id }) => id === direction)?.label ?? '') : ''
  if (matched.length === 0) return <p className={styles.note}>{say.nothingMatchedYet}</p>
  return (
    <table className={styles.table}>
      <thead>
        <tr>
          <th scope="col">{say.place}</th>
          <th scope="col">{say.bore}</th>
          <th scope="col">{say.journal}</th>
          <th scope="col">{say.clearance}</th>
        </tr>
      </thead>
      <tbody>
        {matched.map((place) => (
          <tr
            key={`${place.station}${place.direction}`}
            data-extreme={place.value === fit.clearance.minimumMm || place.value === fit.clearance.maximumMm ? '' : undefined}
          >
            <td>
              {place.station}, {place.direction} {label(place.direction)}
            </td>
            <td className="figure">{figure(place.boreMm)}</td>
            <td className="figure">{figure(place.journalMm)}</td>
            <td className="figure">{figure(place.value)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function Closures({ fit, figure, record, spec }: TableProps) {
  if (fit.stripMm.length === 0)
    return <p className={styles.note}>{say.noStripRead(spec.strip === null ? say.bookAsksNone : '')}</p>
  return (
    <table className={styles.table}>
      <thead>
        <tr>
          <th scope="col">{say.place}</th>
          <th scope="col">{say.byStrip}</th>
          <th scope="col">{say.fromParts}</th>
          <th scope="col">{say.stripParts}</th>
          <th scope="col">{say.within}</th>
        </tr>
      </thead>
      <tbody>
        {fit.stripMm.map((strip) => {
          const closure = fit.closures.find((place) => place.station === strip.station && place.direction === strip.direction)
          return (
            <tr key={strip.station}>
              <td>
                {strip.station}, {strip.direction}
              </td>
              <td className="figure">{figure(strip.clearanceMm)}</td>
              <td className="figure">{figure(closure?.partsMm ?? null)}</td>
              <td className="figure">
                {closure ? formatSignedLength(closure.differenceMm, record.machine.units, spec.showTo) : '–'}
              </td>
              <td className="figure">
                {closure ? (
                  <>
                    ± {figure(closure.allowedMm)}{' '}
                    <span className={closure.agrees ? undefined : styles.disagrees}>
                      {closure.agrees ? say.agree : say.disagree}
                    </span>
                  </>
                ) : (
                  '–'
                )}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
