import { coverageFactor } from '../../core/gauge/errors'
import type { Gauge } from '../../core/gauge/gauge'
import { gaugeKindFacts } from '../../core/gauge/gaugeKinds'
import { ownUnits } from '../../core/gauge/ownUnits'
import { readingUncertainty } from '../../core/gauge/uncertainty'
import { figuresOf } from '../../core/quantity/figures'
import { gaugeKindName } from '../../core/words/gauges'
import { say } from '../../labels/gauges'
import { type DataColumn, DataTable } from '../../ui/dataTable/DataTable'
import styles from './GaugeTable.module.css'

type State = 'lapsed' | 'soon' | 'good'
const stateWords: Readonly<Record<State, string>> = { lapsed: say.lapsed, soon: say.within60Days, good: say.calibration }

/** Figures of a gauge: to its own step, errors one place finer. */
const ofGauge = (gauge: Gauge, step: number) => figuresOf(gaugeKindFacts[gauge.kind].quantity, ownUnits(gauge), step)
const errorsOf = (gauge: Gauge) =>
  ofGauge(gauge, Math.min(gauge.resolution, gauge.maximumPermissibleError || gauge.resolution) / 2)
const own = (gauge: Gauge) => ofGauge(gauge, gauge.resolution)

function range(gauge: Gauge): string {
  if (gauge.range === null) return say.notRecord
  const { figure } = ofGauge(gauge, gauge.resolution >= 1 ? 1 : 0.1)
  return `${figure(gauge.range.least)} … ${figure(gauge.range.greatest)}`
}

/** The store: each gauge in the units it is divided in; what has lapsed, or soon will, stands on top. */
export function GaugeTable({
  gauges,
  places,
  today,
  soon,
}: {
  readonly gauges: readonly Gauge[]
  /** Where each is kept, by its id. */
  readonly places: Readonly<Record<string, string>>
  readonly today: string
  /** A calibration that ends before this day is to be seen to. */
  readonly soon: string
}) {
  const state = ({ calibrationDue }: Gauge): State =>
    calibrationDue < today ? 'lapsed' : calibrationDue < soon ? 'soon' : 'good'
  const columns: readonly DataColumn<Gauge>[] = [
    { id: 'code', head: say.code, by: ({ code }) => code, cell: ({ code }) => <span className="figure">{code}</span> },
    {
      id: 'gauge',
      head: say.gauge,
      by: ({ name, kind }) => `${name} ${gaugeKindName[kind]}`,
      cell: ({ name, kind }) => (
        <>
          {name}
          <span className={styles.kind}>{gaugeKindName[kind]}</span>
        </>
      ),
    },
    { id: 'place', head: say.place, by: ({ id }) => places[id] ?? '', cell: ({ id }) => places[id] || say.notRecord },
    {
      id: 'range',
      head: say.rangeTitle,
      by: (gauge) => gauge.range?.greatest ?? 0,
      cell: (gauge) => <span className="figure">{range(gauge)}</span>,
      right: true,
    },
    {
      id: 'step',
      head: say.step,
      by: ({ resolution }) => resolution,
      cell: (gauge) => <span className="figure">{own(gauge).bound(gauge.resolution)}</span>,
      right: true,
    },
    {
      id: 'error',
      head: say.error,
      by: (gauge) => gauge.maximumPermissibleError,
      cell: (gauge) => <span className="figure">{errorsOf(gauge).figure(gauge.maximumPermissibleError)}</span>,
      right: true,
    },
    {
      id: 'uncertainty',
      head: say.uncertainty,
      by: (gauge) => readingUncertainty(gauge),
      cell: (gauge) => <span className="figure">{errorsOf(gauge).figure(coverageFactor(null) * readingUncertainty(gauge))}</span>,
      right: true,
    },
    { id: 'unit', head: say.unit, by: (gauge) => own(gauge).unit, cell: (gauge) => own(gauge).unit },
    {
      id: 'corrections',
      head: say.corrections,
      by: ({ corrections }) => corrections.length,
      cell: (gauge) =>
        gauge.corrections.length === 0 ? (
          '–'
        ) : (
          <details>
            <summary>
              {gauge.corrections.length} {say.points}
            </summary>
            <ul className={styles.points}>
              {gauge.corrections.map(({ at, error }) => (
                <li key={at} className="figure">
                  {own(gauge).figure(at)}: {error > 0 ? '+' : ''}
                  {errorsOf(gauge).figure(error)}
                </li>
              ))}
            </ul>
          </details>
        ),
    },
    {
      id: 'due',
      head: say.calibratedUntil,
      by: ({ calibrationDue }) => calibrationDue,
      cell: (gauge) => (
        <>
          <span className="figure">{gauge.calibrationDue}</span>{' '}
          <span className={styles.state} data-state={state(gauge)}>
            {state(gauge) === 'lapsed' ? '! ' : ''}
            {stateWords[state(gauge)]}
          </span>
        </>
      ),
    },
  ]
  return (
    <DataTable
      label={say.allGauges}
      rows={gauges}
      columns={columns}
      keyOf={({ id }) => id}
      search={say.search}
      empty={say.noGaugeStore}
    />
  )
}
