import { verdictLabel } from '../../core/decision/level'
import { type ReductionName, reductionLabel } from '../../core/method/reduction'
import { formatHours, formatLength, formatSignedLength, unitLabel } from '../../core/quantity/format'
import { ribbonOf } from '../../drawing/ribbonScale'
import { LimitRibbon } from '../../ui/limitRibbon/LimitRibbon'
import { SourceNote } from '../../ui/SourceNote'
import { VerdictMark } from '../../ui/VerdictMark'
import { VoteList } from '../../ui/VoteList'
import styles from './Bench.module.css'
import type { Bench } from './useBench'

/** What follows from the readings: verdict, judged value, ribbon, reductions against their limits, reasons. */
export function ResultPane({ bench }: { readonly bench: Bench }) {
  const { characteristic, result, record, system } = bench
  const figure = (mm: number): string => formatLength(mm, system, characteristic.showToMm)
  const unit = unitLabel(system)
  const first = characteristic.limits[0]
  const { judged } = result
  const strongest = result.votes[0]
  return (
    <aside className={styles.result} aria-label="Result">
      <div className={styles.verdict} data-verdict={result.verdict}>
        <VerdictMark verdict={result.verdict} size={30} />
        <div>
          <b>{verdictLabel[result.verdict]}</b>
          <p>{strongest?.reason ?? 'Nothing judged yet'}</p>
        </div>
      </div>
      <div aria-live="polite">
        <p className={styles.resultLabel}>
          {first ? `${reductionLabel[first.judges]}, judged` : 'Judged'}
          {bench.parsed && <span className={styles.preview}> with what is typed</span>}
        </p>
        <p className={styles.big} data-empty={judged ? undefined : ''}>
          <span className="figure">{judged ? figure(judged.valueMm) : '–'}</span>
          <span className={`figure ${styles.unit}`}>
            {unit}
            {judged && ` ± ${figure(2 * judged.uncertaintyMm)}`}
          </span>
        </p>
      </div>
      <LimitRibbon
        model={ribbonOf(characteristic, result, record.job.policy)}
        width={300}
        labels
        system={system}
        stepMm={characteristic.showToMm}
      />
      <table className={styles.values}>
        <caption className="hidden-label">Reduced values and their limits, {unit}</caption>
        <tbody>
          {rowsOf(bench).map(({ name, where, value, limits }) => (
            <tr key={name}>
              <th scope="row">
                {reductionLabel[name]}
                <span className={styles.where}> {where}</span>
              </th>
              <td className="figure">{figure(value)}</td>
              <td className={`figure ${styles.limit}`}>
                {limits.map((limit) => (
                  <span key={limit}>{limit}</span>
                ))}
              </td>
            </tr>
          ))}
          <SinceLast bench={bench} />
        </tbody>
      </table>
      {result.rate && result.forecast && (
        <p className={styles.note}>
          Wears{' '}
          <span className="figure">
            {formatSignedLength(result.rate.perThousandHoursMm, system, characteristic.showToMm / 10)}
          </span>{' '}
          {unit} per 1 000 h; expected <span className="figure">{figure(result.forecast.valueMm)}</span> at{' '}
          <span className="figure">{formatHours(result.forecast.atHours)} h</span>.
        </p>
      )}
      <h2>Why</h2>
      <VoteList votes={result.votes} documents={record.book.documents} />
      <p className={styles.note}>
        New {figure(characteristic.new.lowerMm)} … {figure(characteristic.new.upperMm)} {unit}{' '}
        <SourceNote source={characteristic.new.source} documents={record.book.documents} />
      </p>
      <MateFit bench={bench} />
    </aside>
  )
}

function rowsOf({ result, characteristic, system }: Bench) {
  const judges = characteristic.limits[0]?.judges
  const names = Object.keys(result.reductions.values) as ReductionName[]
  return names
    .filter((name) => name !== judges)
    .flatMap((name) => {
      const value = result.reductions.values[name]
      if (!value) return []
      const limits = characteristic.limits
        .filter((limit) => limit.judges === name)
        .map((limit) => `${limit.side === 'upper' ? '≤' : '≥'} ${formatLength(limit.wearMm, system, characteristic.showToMm)}`)
      return [
        { name, where: name === 'mean' || name === 'wear' || name === 'range' ? '' : value.where, value: value.valueMm, limits },
      ]
    })
}

function SinceLast({ bench }: { readonly bench: Bench }) {
  const { result, system, characteristic, record } = bench
  const last = result.judged?.open === 'complete' ? result.line.at(-2) : result.line.at(-1)
  if (!last || !result.judged) return null
  return (
    <tr>
      <th scope="row">Since last overhaul</th>
      <td className="figure">{formatSignedLength(result.judged.valueMm - last.valueMm, system, characteristic.showToMm)}</td>
      <td className={`figure ${styles.limit}`}>in {formatHours(record.job.runningHours - last.runningHours)} h</td>
    </tr>
  )
}

function MateFit({ bench }: { readonly bench: Bench }) {
  const { record, results, characteristic, system } = bench
  const spec = record.book.fits.find((fit) => [fit.bore, fit.journal, fit.strip].includes(characteristic.id))
  const fit = results.fits.find(({ id }) => id === spec?.id)
  if (!spec || !fit) return null
  const figure = (mm: number | null): string => (mm === null ? '–' : formatLength(mm, system, spec.showToMm))
  return (
    <>
      <h2>{spec.name}</h2>
      <p className={styles.fit}>
        <span>Clearance</span>
        <span className="figure">
          {figure(fit.clearance.minimumMm)} … {figure(fit.clearance.maximumMm)}
        </span>
        <span className={`figure ${styles.limit}`}>
          {figure(spec.limits.find(({ side }) => side === 'lower')?.wearMm ?? null)} …{' '}
          {figure(spec.limits.find(({ side }) => side === 'upper')?.wearMm ?? null)}
        </span>
      </p>
    </>
  )
}
