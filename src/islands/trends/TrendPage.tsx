import { useMemo, useState } from 'react'
import type { JobView } from '../../contract/answers'
import { figuresAt, paceAt } from '../../contract/figuresAt'
import { forecastLines, lastsWord } from '../../contract/forecastWords'
import type { Characteristic } from '../../core/book/bookSchema'
import { evaluate } from '../../core/evaluate/evaluate'
import type { CharacteristicResult } from '../../core/evaluate/results'
import { formatHours, withSign } from '../../core/quantity/format'
import { type Meter, meterOf } from '../../core/quantity/meter'
import { spreadWords, valueName, verdictName } from '../../core/words/labels'
import { meterHead, perThousandWords, ranAtWords } from '../../core/words/meter'
import { say } from '../../labels/trends'
import { VerdictMark } from '../../ui/VerdictMark'
import { receiving } from '../pageData/pageData'
import styles from './TrendPage.module.css'
import { WearChart } from './WearChart'

/** Wear of each characteristic over the overhauls, with its limits and what is expected at the next one. */
function TrendPage({ view, opened }: { readonly view: JobView; readonly opened: string | null }) {
  const { record } = view
  const results = useMemo(() => evaluate(record), [record])
  const { characteristics } = record.book
  const [chosen, setChosen] = useState(characteristics.find(({ id }) => id === opened)?.id ?? characteristics[0]?.id)
  const characteristic = characteristics.find(({ id }) => id === chosen)
  const result = results.characteristics.find(({ id }) => id === chosen)
  if (!characteristic || !result) return <p className={styles.empty}>{say.machinesBookHas}</p>
  const choose = (id: string): void => {
    setChosen(id)
    history.replaceState(null, '', `?c=${encodeURIComponent(id)}`)
  }
  const system = record.machine.units
  return (
    <div className={styles.page}>
      <nav className={styles.list} aria-label={say.characteristics}>
        <h2>{say.wearLines}</h2>
        <ul>
          {characteristics.map((item) => {
            const { id, name, limits } = item
            const of = { characteristic: item, system }
            const own = results.characteristics.find((other) => other.id === id)
            return (
              <li key={id}>
                <button
                  type="button"
                  className={styles.item}
                  aria-current={id === chosen ? 'true' : undefined}
                  onClick={() => choose(id)}
                >
                  <b>{name}</b>
                  {own && <VerdictMark verdict={own.verdict} size={14} title={verdictName[own.verdict]} />}
                  <span className={styles.rate}>
                    {own?.rate ? (
                      <>
                        <span className="figure">{paceAt(of, limits[0]?.judges)(own.rate.perThousandHours)}</span>
                        {say.rateUnit(figuresAt(of, limits[0]?.judges).unit, perThousandWords(meterOf(record.machine)))}
                      </>
                    ) : (
                      say.noRateYet
                    )}
                  </span>
                </button>
              </li>
            )
          })}
        </ul>
      </nav>
      <section className={styles.main} aria-labelledby="line">
        <div>
          <h1 id="line">{characteristic.name}</h1>
          <p className={styles.how}>{howDrawn(characteristic, view)}</p>
        </div>
        {result.line.length === 0 ? (
          <p className={styles.empty}>{say.nothingMeasuredYet}</p>
        ) : (
          <>
            <WearChart
              characteristic={characteristic}
              result={result}
              meter={meterOf(record.machine)}
              system={system}
              describe={describe(characteristic, result, view)}
            />
            <div className={styles.below}>
              <Points characteristic={characteristic} result={result} view={view} />
              <Facts characteristic={characteristic} result={result} view={view} />
            </div>
            <Foretold characteristic={characteristic} result={result} view={view} />
          </>
        )}
      </section>
    </div>
  )
}

interface PartProps {
  readonly characteristic: Characteristic
  readonly result: CharacteristicResult
  readonly view: JobView
}

function howDrawn(characteristic: Characteristic, { record }: JobView): string {
  const [limit] = characteristic.limits
  const part = record.book.parts.find(({ id }) => id === characteristic.part)
  const mark = record.job.installed[characteristic.part]
  return say.asFoundInstalled(
    limit ? valueName[limit.judges] : say.value,
    part?.name.toLowerCase() ?? say.part,
    mark ? ` ${mark}` : '',
  )
}

function describe(characteristic: Characteristic, result: CharacteristicResult, { record }: JobView): string {
  const { figure } = figuresAt({ characteristic, system: record.machine.units }, characteristic.limits[0]?.judges)
  const points = result.line
    .map((point) => say.at(figure(point.value), ranAtWords(point.runningHours, meterOf(record.machine))))
    .join(', ')
  const next = result.forecast
    ? say.expectedH(
        figure(result.forecast.value),
        figure(result.forecast.low),
        figure(result.forecast.high),
        ranAtWords(result.forecast.atHours, meterOf(record.machine)),
      )
    : ''
  const wear = characteristic.limits[0] ? say.wearLimit(figure(characteristic.limits[0].wear)) : ''
  return `${characteristic.name}: ${points}${next}${wear}`
}

function Points({ characteristic, result, view }: PartProps) {
  const { figure, unit } = figuresAt({ characteristic, system: view.record.machine.units }, characteristic.limits[0]?.judges)
  return (
    <table className={styles.table}>
      <caption className="hidden-label">{say.valuesWearLine}</caption>
      <thead>
        <tr>
          <th scope="col">{say.overhaul}</th>
          <th scope="col">{meterHead(meterOf(view.record.machine))}</th>
          <th scope="col">{unit === '' ? say.value : say.valueOf(unit)}</th>
          <th scope="col">{say.change}</th>
        </tr>
      </thead>
      <tbody>
        {result.line.map((point, index) => {
          const before = result.line[index - 1]
          return (
            <tr key={point.overhaul}>
              <td>
                {point.overhaul} <span className={styles.rate}>{point.date}</span>
              </td>
              <td className="figure">{countOnly(point.runningHours, meterOf(view.record.machine))}</td>
              <td className="figure">{figure(point.value)}</td>
              <td className="figure">{before ? withSign(figure(point.value - before.value)) : '–'}</td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}

/** Under a head that names the meter: a bare count, and of dates the day. */
const countOnly = (count: number, meter: Meter): string => (meter === 'days' ? ranAtWords(count, meter) : formatHours(count))

function Facts({ characteristic, result, view }: PartProps) {
  const of = { characteristic, system: view.record.machine.units }
  const { unit } = figuresAt(of, characteristic.limits[0]?.judges)
  const { rate } = result
  const spread = result.trends[0]?.spread ?? null
  return (
    <dl className={styles.facts}>
      <dt>{say.rateLeastSquares}</dt>
      <dd className="figure">
        {rate
          ? `${paceAt(of, characteristic.limits[0]?.judges)(rate.perThousandHours)}${say.rateUnit(unit, perThousandWords(meterOf(view.record.machine)))}`
          : '–'}
      </dd>
      <dt>{say.overhaulsLine}</dt>
      <dd className="figure">{result.line.length}</dd>
      {spread && (
        <>
          <dt>{say.band(spreadWords[spread.from])}</dt>
          <dd className="figure">
            ± {figuresAt(of, characteristic.limits[0]?.judges).expanded(spread.value)} {unit}
          </dd>
        </>
      )}
    </dl>
  )
}

/** What is expected at the next overhaul, of every limit, with its doubt. */
function Foretold({ characteristic, result, view }: PartProps) {
  const lines = forecastLines(characteristic, result.trends, view.record.machine.units, meterOf(view.record.machine))
  if (lines.length === 0) return <p className={styles.how}>{whyNothing(result)}</p>
  return (
    <table className={styles.table}>
      <caption className={styles.caption}>
        {say.forecast} {lines[0]?.atHours}
        {say.nineteenTwentyReadings}
      </caption>
      <thead>
        <tr>
          <th scope="col">{say.valueLimit}</th>
          <th scope="col">{say.expected}</th>
          <th scope="col">{say.nextInterval}</th>
          <th scope="col">{say.planLimit}</th>
          <th scope="col">{say.toWearLimit}</th>
          <th scope="col">{say.earliest}</th>
        </tr>
      </thead>
      <tbody>
        {lines.map((line) => (
          <tr key={`${line.judges} ${line.limit}`}>
            <td>
              {valueName[line.judges]} <span className="figure">{line.limit}</span>
            </td>
            <td className="figure">{line.expected}</td>
            <td data-lasts={line.lasts}>{lastsWord[line.lasts]}</td>
            <td className="figure">{line.hoursToPlan ?? '–'}</td>
            <td className="figure">{line.hoursToWear}</td>
            <td className="figure">{line.earliest}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function whyNothing(result: CharacteristicResult): string {
  if (result.judged?.open !== 'complete') return say.noForecastBefore
  if (result.line.length < 2) return say.noForecastNeeds
  if (result.trends.every(({ rate }) => rate === null)) return say.noForecastAll
  return say.noForecastMoved
}

/** As its page shows it. */
export const TrendPageIsland = receiving(TrendPage)
