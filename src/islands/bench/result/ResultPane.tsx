import { coverageOf, figuresAt, paceAt } from '../../../contract/figuresAt'
import { lastsWord } from '../../../contract/forecastWords'
import { readBy } from '../../../core/fit/kinds'
import { quantityOf } from '../../../core/method/gives'
import type { ReductionName } from '../../../core/method/reduction'
import { formatLength, withSign } from '../../../core/quantity/format'
import { shownOf } from '../../../core/verdict/shown'
import { shownName, valueName } from '../../../core/words/labels'
import { perThousandWords, ranAtWords, ranWords } from '../../../core/words/meter'
import { whereWords } from '../../../core/words/places'
import { reasonOf } from '../../../core/words/votes'
import { ribbonOf } from '../../../drawing/ribbonScale'
import { say } from '../../../labels/bench'
import { LimitRibbon } from '../../../ui/limitRibbon/LimitRibbon'
import { ResultDrawing } from '../../../ui/resultDrawing/ResultDrawing'
import { SourceNote } from '../../../ui/SourceNote'
import { VerdictMark } from '../../../ui/VerdictMark'
import { VoteList } from '../../../ui/VoteList'
import type { Bench } from '../benchState'
import { CrossChecks } from './CrossChecks'
import { ErrorSources } from './ErrorSources'
import styles from './ResultPane.module.css'
import { StagesBeside } from './StagesBeside'
import shared from './values.module.css'

/** What follows from the readings: verdict, judged value, ribbon, reductions against their limits, reasons. */
export function ResultPane({ bench }: { readonly bench: Bench }) {
  const { characteristic, result, record, system } = bench
  // A method may judge by itself what its book limits by nothing.
  const first = characteristic.limits[0] ?? result.limits[0]?.limit
  const judges = first?.judges ?? firstValue(result.reductions.values)
  const { figure, extent, expanded, unit } = figuresAt(bench, judges)
  const { judged } = result
  const shown = judged ?? (first || !judges ? null : (result.reductions.values[judges] ?? null))
  const strongest = result.votes[0]
  const verdict = shownOf(result)
  return (
    <aside className={styles.result} aria-label={say.result}>
      <div className={styles.verdict} data-verdict={verdict}>
        <VerdictMark verdict={verdict} size={30} />
        <div>
          <b>{shownName[verdict]}</b>
          <p>{strongest ? reasonOf(bench.speaker, strongest) : say.nothingJudgedYet}</p>
        </div>
      </div>
      <div aria-live="polite">
        <p className={styles.resultLabel}>
          {first ? `${valueName[first.judges]}, judged` : judges ? say.information(valueName[judges]) : say.judged}
          {bench.parsed && <span className={styles.preview}> {say.whatTyped}</span>}
        </p>
        <p className={styles.big} data-empty={shown ? undefined : ''} data-long={shown?.interval ? '' : undefined}>
          <span className="figure">{shown ? extent(shown) : '–'}</span>
          <span className={`figure ${styles.unit}`}>
            {unit}
            {shown && shown.uncertainty > 0 && ` ± ${expanded(shown.uncertainty, coverageOf(shown))}`}
          </span>
        </p>
      </div>
      {shown && judges && shown.uncertainty > 0 && <ErrorSources bench={bench} name={judges} value={shown} />}
      <LimitRibbon model={ribbonOf(characteristic, result, record.job.policy)} width={300} labels system={system} />
      {bench.stage !== 'asFound' && <StagesBeside bench={bench} />}
      <ResultDrawing method={characteristic.method} taken={bench.taken} figures={figuresAt(bench, undefined)} />
      <table className={shared.values}>
        <caption className="hidden-label">{say.reducedValuesTheir(unit)}</caption>
        <tbody>
          {rowsOf(bench).map(({ name, where, value, doubt, limits }) => (
            <tr key={name}>
              <th scope="row">
                {valueName[name]}
                <span className={styles.where}> {where}</span>
              </th>
              <td className="figure">
                {value}
                {doubt !== '' && <span className={styles.doubt}>{doubt}</span>}
              </td>
              <td className={`figure ${shared.limit}`}>
                {limits.map((limit) => (
                  <span key={limit}>{limit}</span>
                ))}
              </td>
            </tr>
          ))}
          <SinceLast bench={bench} />
        </tbody>
      </table>
      {bench.stage === 'asFound' && <StagesBeside bench={bench} />}
      <CrossChecks bench={bench} />
      {result.rate && result.forecast && (
        <p className={shared.note}>
          {say.wears} <span className="figure">{paceAt(bench, judges)(result.rate.perThousandHours)}</span>{' '}
          {say.per1000(unit, perThousandWords(bench.speaker.meter))}
          <span className="figure">
            {figure(result.forecast.value)} ({figure(result.forecast.low)} … {figure(result.forecast.high)})
          </span>{' '}
          {say.at} <span className="figure">{ranAtWords(result.forecast.atHours, bench.speaker.meter)}</span>:{' '}
          {lastsWord[result.forecast.lasts]}.
        </p>
      )}
      <h2>{say.why}</h2>
      <VoteList votes={result.votes} speaker={bench.speaker} />
      {characteristic.new && (
        <p className={shared.note}>
          {say.newOne(figure(characteristic.new.lower), figure(characteristic.new.upper), unit)}
          <SourceNote source={characteristic.new.source} documents={record.book.documents} />
        </p>
      )}
      <MateFit bench={bench} />
    </aside>
  )
}

const firstValue = (values: Bench['result']['reductions']['values']): ReductionName | undefined =>
  (Object.keys(values) as ReductionName[])[0]

const NO_PLACE_NEEDED: ReadonlySet<ReductionName> = new Set(['mean', 'median', 'wear', 'range'])

function rowsOf(bench: Bench) {
  const { result, characteristic } = bench
  const judges = characteristic.limits[0]?.judges
  const names = Object.keys(result.reductions.values) as ReductionName[]
  return names
    .filter((name) => name !== judges)
    .flatMap((name) => {
      const value = result.reductions.values[name]
      if (!value) return []
      const { figure, extent, expanded, unit } = figuresAt(bench, name)
      const other = value.quantity === quantityOf(characteristic.method) || unit === '' ? '' : ` ${unit}`
      const limits = characteristic.limits
        .filter((limit) => limit.judges === name)
        .map((limit) => `${limit.side === 'upper' ? '≤' : '≥'} ${figure(limit.wear)}`)
      return [
        {
          name,
          where: NO_PLACE_NEEDED.has(name) ? '' : whereWords(bench.speaker, characteristic.id, value.where),
          value: `${extent(value)}${other}`,
          doubt: value.uncertainty > 0 ? `± ${expanded(value.uncertainty, coverageOf(value))}` : '',
          limits,
        },
      ]
    })
}

function SinceLast({ bench }: { readonly bench: Bench }) {
  const { result, characteristic, record } = bench
  const last = result.judged?.open === 'complete' ? result.line.at(-2) : result.line.at(-1)
  const now = result.judged?.value ?? null
  if (!last || now === null) return null
  return (
    <tr>
      <th scope="row">{say.sinceLastOverhaul}</th>
      <td className="figure">{withSign(figuresAt(bench, characteristic.limits[0]?.judges).difference(now - last.value))}</td>
      <td className={`figure ${shared.limit}`}>
        {say.inRun(ranWords(record.job.runningHours - last.runningHours, bench.speaker.meter))}
      </td>
    </tr>
  )
}

function MateFit({ bench }: { readonly bench: Bench }) {
  const { record, characteristic, system } = bench
  const index = record.book.fits.findIndex((one) => readBy(one).includes(characteristic.id))
  const [spec, fit] = [record.book.fits[index], bench.fitAt(index)]
  if (!spec || !fit) return null
  const figure = (mm: number | null): string => (mm === null ? '–' : formatLength(mm, system, spec.showTo))
  return (
    <>
      <h2>{spec.name}</h2>
      <p className={styles.fit}>
        <span>{say.clearance}</span>
        <span className="figure">
          {figure(fit.clearance.minimumMm)} … {figure(fit.clearance.maximumMm)}
        </span>
        <span className={`figure ${shared.limit}`}>
          {figure(spec.limits.find(({ side }) => side === 'lower')?.wear ?? null)} …{' '}
          {figure(spec.limits.find(({ side }) => side === 'upper')?.wear ?? null)}
        </span>
      </p>
    </>
  )
}
