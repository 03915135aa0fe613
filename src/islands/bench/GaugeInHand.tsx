import { gaugeKindLabel } from '../../core/gauge/uncertainty'
import { formatLength } from '../../core/quantity/format'
import styles from './Bench.module.css'
import type { Bench } from './useBench'

/** The gauge readings are taken with, remembered for its kind; a lapsed calibration is said plainly. */
export function GaugeInHand({ bench, today }: { readonly bench: Bench; readonly today: string }) {
  const { gauge, gaugesOfKind, characteristic, system } = bench
  const lapsed = gauge !== undefined && gauge.calibrationDue < today
  return (
    <div className={styles.hand}>
      <label className={styles.handLabel} htmlFor="gauge">
        In hand
      </label>
      {gauge ? (
        <>
          <select
            id="gauge"
            className={styles.handSelect}
            value={gauge.id}
            onChange={(event) => bench.takeInHand(event.currentTarget.value)}
          >
            {gaugesOfKind.map((item) => (
              <option key={item.id} value={item.id}>
                {item.code} · {item.name}
              </option>
            ))}
          </select>
          <span className={styles.handFacts}>
            <span className="figure">± {formatLength(gauge.maximumPermissibleErrorMm, system, 0.001)}</span>,{' '}
            {lapsed ? (
              <b className={styles.lapsed}>! calibration lapsed {gauge.calibrationDue}</b>
            ) : (
              <span>
                calibrated until <span className="figure">{gauge.calibrationDue}</span>
              </span>
            )}
          </span>
        </>
      ) : (
        <b className={styles.lapsed}>No {gaugeKindLabel[characteristic.gaugeKind].toLowerCase()} in the store</b>
      )}
    </div>
  )
}
