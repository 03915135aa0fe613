import { fitStageLines } from '../../contract/stageLines'
import type { Way } from '../../core/evaluate/fits/ways'
import { directAgrees, doubtOf } from '../../core/fit/direct'
import type { FitNote } from '../../core/fit/fitKind'
import { fitNotes, hasLimits, isShaftInBore, linksOf, sidesOf, statedOf } from '../../core/fit/kinds'
import { sizeEnd } from '../../core/fit/sizeEnd'
import { formatLength, formatSignedLength, unitLabel } from '../../core/quantity/format'
import { fitNoteWords } from '../../core/words/fits'
import { statedWords } from '../../core/words/places'
import { fitModelOf } from '../../drawing/fitModel'
import { gapRows } from '../../drawing/gapRows'
import { say } from '../../labels/fits'
import { FitDrawing, GapDrawing, MateSketch } from '../../ui/fitDrawing/FitDrawing'
import { SourceNote } from '../../ui/SourceNote'
import { VoteList } from '../../ui/VoteList'
import type { Board } from '../decisions/useBoard'
import { FitStateMark } from './FitStateMark'
import styles from './Fits.module.css'
import { type FitRow, stateWords } from './fitRows'
import { Ways } from './Ways'

interface SheetProps {
  readonly row: FitRow
  readonly board: Board
  readonly ways: readonly Way[]
  readonly onTake: (way: Way) => void
}

/** One fit: its clearance, both sides drawn over each other, what is known twice, and which side to mend. */
export function FitSheet({ row, board, ways, onTake }: SheetProps) {
  const { spec, fit } = row
  const { record } = board.view
  const { units } = record.machine
  const unit = unitLabel(units)
  const figure = (mm: number | null | undefined): string => (mm == null ? '–' : formatLength(mm, units, spec.showTo))
  const model = fitModelOf(record.book, spec, fit, (id) => board.results.characteristics.find((one) => one.id === id))
  const middleOf = (id: string): number | null => {
    const size = sizeOf(board, id)
    return size && (size[0] + size[1]) / 2
  }
  const ends = { tightestMm: fit.minimum?.value ?? null, loosestMm: fit.maximum?.value ?? null }
  const notes = fitNotes(spec, ends, middleOf)
  const gaps = gapRows(spec, notes, {
    nameOf: (id) => board.speaker.characteristic(id)?.name ?? id,
    sizeOf: (id) => sizeOf(board, id),
    clearance: ends.tightestMm === null || ends.loosestMm === null ? null : [ends.tightestMm, ends.loosestMm],
  })
  return (
    <section className={styles.sheet} aria-labelledby="fit-name">
      <div className={styles.head}>
        <h2 id="fit-name" tabIndex={-1}>
          {spec.name}
        </h2>
        <FitStateMark state={row.state} words={stateWords(row)} />
      </div>
      <div className={styles.head}>
        <p className={`figure ${styles.big}`}>
          {figure(fit.minimum?.value)} … {figure(fit.maximum?.value)} <small>{unit}</small>
        </p>
        {hasLimits(spec) && <p className={styles.limits}>{say.limits(limitWords(row, figure), unit)}</p>}
      </div>
      <Missing row={row} board={board} />
      <MateSketch spec={spec} mated={{ ...ends, notes }} system={units} />
      {gaps.length > 0 && <GapDrawing rows={gaps} system={units} step={spec.showTo} />}
      {model && gaps.length === 0 ? (
        <FitDrawing model={model} system={units} />
      ) : (
        <Sizes row={row} board={board} figure={figure} />
      )}
      <p className={styles.note}>
        {model && say.diametersIn(unit)} {say.minusIsInterference}{' '}
        {isShaftInBore(spec) && say.counts(fit.countsBy === 'strip' ? say.strip : say.measuredParts)}{' '}
        {spec.new && (
          <>
            {say.newOne(figure(spec.new.lower), figure(spec.new.upper), unit)}
            <SourceNote source={spec.new.source} documents={record.book.documents} />
          </>
        )}
      </p>
      {notes.map((note) => (
        <p key={note.code} className={styles.advice} data-warns={warns(note) ? '' : undefined}>
          {fitNoteWords(note, board.speaker)}
        </p>
      ))}
      <Closures row={row} board={board} figure={figure} />
      <Direct row={row} board={board} figure={figure} />
      <Ways row={row} ways={ways} board={board} onTake={onTake} />
      <details>
        <summary>{say.why}</summary>
        <VoteList votes={fit.votes} speaker={board.speaker} />
        {isShaftInBore(spec) && <p className={styles.note}>{say.twoPointSizes}</p>}
      </details>
      <PlaceByPlace row={row} board={board} figure={figure} />
      <Stages row={row} figure={figure} />
    </section>
  )
}

/** Advice that something stands against. */
function warns(note: FitNote): boolean {
  switch (note.code) {
    case 'heatTo':
    case 'pad':
      return note.code === 'pad' ? note.isTooThin : note.isTooHot
    case 'shims':
      return !note.holds
    case 'axialSetting':
      return !note.isIn
    case 'shopBand':
      return note.isIn === false
    default:
      return false
  }
}

/** The least and the greatest of a size as measured. */
function sizeOf(board: Board, id: string): readonly [number, number] | null {
  const reductions = board.results.characteristics.find((one) => one.id === id)?.reductions
  const [least, greatest] = [sizeEnd(reductions, 'least')?.value, sizeEnd(reductions, 'greatest')?.value]
  return least == null || greatest == null ? null : [least, greatest]
}

type Figure = (mm: number | null | undefined) => string

/** The limits of a fit in figures: what is tightest, what is loosest, and the plan limit. */
function limitWords({ spec }: FitRow, figure: Figure): string {
  const [least, most] = (['lower', 'upper'] as const).map((side) => spec.limits.find((limit) => limit.side === side)?.wear)
  const plan = spec.limits.flatMap((limit) => limit.plan ?? [])
  const wear =
    least === undefined ? `≤ ${figure(most)}` : most === undefined ? `≥ ${figure(least)}` : `${figure(least)} … ${figure(most)}`
  return [wear, ...plan.map((of) => say.plan(figure(of)))].join(', ')
}

/** What is still to be measured before there is a clearance, with the way to the bench. */
function Missing({ row: { spec, fit }, board }: Pick<SheetProps, 'row' | 'board'>) {
  if (fit.minimum && fit.maximum) return null
  const { job, book } = board.view.record
  const missing = sidesOf(spec).filter((id) => {
    const result = board.results.characteristics.find((one) => one.id === id)
    return !result || result.reductions.taken < result.reductions.needed
  })
  return (
    <p className={styles.advice}>
      {say.stillMissing}{' '}
      {missing.map((id) => (
        <a key={id} href={`/jobs/${encodeURIComponent(job.id)}/bench?c=${encodeURIComponent(id)}`}>
          {book.characteristics.find((one) => one.id === id)?.name ?? id}
        </a>
      ))}
    </p>
  )
}

interface TableProps extends Pick<SheetProps, 'row' | 'board'> {
  readonly figure: Figure
}

/** The sizes of a chain, each with how it moves the clearance; no common scale shows them. */
function Sizes({ row: { spec }, board, figure }: TableProps) {
  const measured = linksOf(spec).map(({ characteristic, factor }) => {
    const reductions = board.results.characteristics.find(({ id }) => id === characteristic)?.reductions
    return {
      name: board.speaker.characteristic(characteristic)?.name ?? characteristic,
      factor,
      least: sizeEnd(reductions, 'least')?.value,
      greatest: sizeEnd(reductions, 'greatest')?.value,
    }
  })
  const stated = statedOf(spec).map(({ name, lowMm, highMm }) => ({
    name: `${statedWords(name)}, ${say.stated}`,
    factor: 1,
    least: lowMm,
    greatest: highMm,
  }))
  return (
    <table className={styles.plain}>
      <caption>{say.sizesOf}</caption>
      <thead>
        <tr>
          <th scope="col">{say.size}</th>
          <th scope="col" className={styles.right}>
            {say.least}
          </th>
          <th scope="col" className={styles.right}>
            {say.greatest}
          </th>
        </tr>
      </thead>
      <tbody>
        {[...measured, ...stated].map(({ name, factor, least, greatest }) => (
          <tr key={name}>
            <th scope="row">
              {factor === 0 ? '' : factor < 0 ? '− ' : '+ '}
              {Math.abs(factor) === 1 || factor === 0 ? '' : `${Math.abs(factor)} × `}
              {name}
            </th>
            <td className={`figure ${styles.right}`}>{figure(least)}</td>
            <td className={`figure ${styles.right}`}>{figure(greatest)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** What is known twice: by the parts and by strip, at each place, and whether the two agree within their doubt. */
function Closures({ row: { spec, fit }, board, figure }: TableProps) {
  if (!isShaftInBore(spec) || spec.strip === null) return null
  const { units } = board.view.record.machine
  if (fit.stripMm.length === 0)
    return (
      <p className={styles.note}>
        {say.noStrip}{' '}
        <a href={`/jobs/${encodeURIComponent(board.view.record.job.id)}/bench?c=${encodeURIComponent(spec.strip)}`}>
          {say.measure(board.speaker.characteristic(spec.strip)?.name ?? '')}
        </a>
      </p>
    )
  return (
    <table className={styles.plain}>
      <thead>
        <tr>
          <th scope="col">{say.clearanceIn(unitLabel(units))}</th>
          {[say.byParts, say.byStrip, say.difference, say.doubt].map((text) => (
            <th key={text} scope="col" className={styles.right}>
              {text}
            </th>
          ))}
          <th scope="col">
            <span className="hidden-label">{say.agree}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {fit.stripMm.map(({ station, direction, clearanceMm }) => {
          const closure = fit.closures.find((place) => place.station === station && place.direction === direction)
          return (
            <tr key={`${station}/${direction}`}>
              <th scope="row">
                {station}, {direction}
              </th>
              <td className={`figure ${styles.right}`}>{figure(closure?.partsMm)}</td>
              <td className={`figure ${styles.right}`}>{figure(clearanceMm)}</td>
              <td className={`figure ${styles.right}`}>
                {closure ? formatSignedLength(closure.differenceMm, units, spec.showTo) : '–'}
              </td>
              <td className={`figure ${styles.right}`}>{closure ? `± ${figure(closure.allowedMm)}` : '–'}</td>
              <td className={styles.agrees} data-agrees={closure?.agrees}>
                {closure && (closure.agrees ? say.agree : say.disagree)}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

/** The clearance by its sizes and measured directly, and whether the two agree within their doubt. */
function Direct({ row: { spec, fit }, board, figure }: TableProps) {
  if (spec.direct === undefined) return null
  const { job, machine } = board.view.record
  const name = board.speaker.characteristic(spec.direct)?.name ?? spec.direct
  const reductions = board.results.characteristics.find(({ id }) => id === spec.direct)?.reductions
  const [least, greatest] = [sizeEnd(reductions, 'least'), sizeEnd(reductions, 'greatest')]
  if (!least || !greatest || !fit.minimum || !fit.maximum)
    return (
      <p className={styles.note}>
        {say.notDirectYet}{' '}
        <a href={`/jobs/${encodeURIComponent(job.id)}/bench?c=${encodeURIComponent(spec.direct)}`}>{say.measure(name)}</a>
      </p>
    )
  const agrees = directAgrees({ minimum: fit.minimum, maximum: fit.maximum, least, greatest })
  return (
    <table className={styles.plain}>
      <caption>{say.knownTwice}</caption>
      <thead>
        <tr>
          <th scope="col">{say.clearanceIn(unitLabel(machine.units))}</th>
          <th scope="col" className={styles.right}>
            {say.tightestWord}
          </th>
          <th scope="col" className={styles.right}>
            {say.loosestWord}
          </th>
          <th scope="col">
            <span className="hidden-label">{say.agree}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <th scope="row">{say.byItsSizes}</th>
          <td className={`figure ${styles.right}`}>{figure(fit.minimum.value)}</td>
          <td className={`figure ${styles.right}`}>{figure(fit.maximum.value)}</td>
          <td />
        </tr>
        <tr>
          <th scope="row">{name}</th>
          <td className={`figure ${styles.right}`}>{figure(least.value)}</td>
          <td className={`figure ${styles.right}`}>{figure(greatest.value)}</td>
          <td className={styles.agrees} data-agrees={agrees ?? undefined}>
            {agrees === null ? '' : agrees ? say.agree : say.disagree}
          </td>
        </tr>
      </tbody>
      <tfoot>
        <tr>
          <td colSpan={4}>{say.doubtBoth(figure(doubtOf(fit.minimum, greatest)), unitLabel(machine.units))}</td>
        </tr>
      </tfoot>
    </table>
  )
}

/** The clearance at each place that was measured on both sides. */
function PlaceByPlace({ row: { spec, fit }, board, figure }: TableProps) {
  const { matched, outerMinimumMm, outerMaximumMm } = fit.clearance
  if (matched.length === 0 || !isShaftInBore(spec)) return null
  const method = board.speaker.characteristic(spec.bore)?.method
  const label = (direction: string): string =>
    method?.kind === 'boreDiameter' ? (method.directions.find(({ id }) => id === direction)?.label ?? '') : ''
  return (
    <details>
      <summary>{say.placeByPlace}</summary>
      <table className={styles.plain}>
        <thead>
          <tr>
            <th scope="col">{say.place}</th>
            {[say.bore, say.journal, say.clearance].map((text) => (
              <th key={text} scope="col" className={styles.right}>
                {text}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {matched.map(({ station, direction, boreMm, journalMm, value }) => (
            <tr
              key={`${station}/${direction}`}
              data-extreme={value === fit.clearance.minimumMm || value === fit.clearance.maximumMm ? '' : undefined}
            >
              <th scope="row">
                {station}, {direction} {label(direction)}
              </th>
              <td className={`figure ${styles.right}`}>{figure(boreMm)}</td>
              <td className={`figure ${styles.right}`}>{figure(journalMm)}</td>
              <td className={`figure ${styles.right}`}>{figure(value)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className={styles.note}>{say.bounds(figure(outerMinimumMm), figure(outerMaximumMm))}</p>
    </details>
  )
}

/** The clearance at every stage that was measured. */
function Stages({ row, figure }: { readonly row: FitRow; readonly figure: Figure }) {
  const lines = fitStageLines(row.fit)
  if (lines.length === 0) return null
  return (
    <table className={styles.plain}>
      <caption>{say.stageByStage}</caption>
      <tbody>
        {lines.map(({ stage, minimumMm, maximumMm, words }) => (
          <tr key={stage}>
            <th scope="row">{stage}</th>
            <td className={`figure ${styles.right}`}>
              {figure(minimumMm)} … {figure(maximumMm)}
            </td>
            <td>{words}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
