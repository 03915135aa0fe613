import { sayErrorSource } from '../../../contract/errorWords'
import { coverageOf, figuresAt } from '../../../contract/figuresAt'
import type { Reduced, ReductionName } from '../../../core/method/reduction'
import { say } from '../../../labels/bench'
import type { Bench } from '../benchState'
import styles from './ErrorSources.module.css'
import shared from './values.module.css'

/** What the ± of the judged value is made of: each source as its share of it, largest first. */
export function ErrorSources({
  bench,
  name,
  value,
}: {
  readonly bench: Bench
  readonly name: ReductionName
  readonly value: Reduced
}) {
  const { expanded, unit } = figuresAt(bench, name)
  const k = coverageOf(value)
  const sources = [...value.contributions].sort((a, b) => b.standard - a.standard)
  if (sources.length === 0) return null
  return (
    <details className={styles.sources}>
      <summary>{say.whatMade}</summary>
      <table className={shared.values}>
        <tbody>
          {sources.map((source) => (
            <tr key={`${source.kind} ${source.of}`}>
              <th scope="row">{sayErrorSource(source, bench.record.gauges)}</th>
              <td className="figure">
                ± {expanded(source.standard, k)} {unit}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className={shared.note}>
        {say.addedAsRoot} <span className="figure">{k.toFixed(k === 2 ? 0 : 2)}</span>
        {say.gaugesErrorsSizes}
      </p>
    </details>
  )
}
