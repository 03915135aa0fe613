import type { Method } from '../../core/method/method'
import { formatLength, unitLabel } from '../../core/quantity/format'
import { say } from '../../labels/drawings'
import { Balloon, Caption, type MarkState, useHatches } from './drawing'
import styles from './MethodSketch.module.css'
import type { SketchProps } from './marks'

type StripMethod = Extract<Method, { kind: 'plasticStrip' }>

const LEFT = 40
const WIDTH = 300

/** Shaft under the cap with the strips lying at the crown, and one flattened strip against its printed scale. */
export function StripSketch({ method, active, taken, system }: SketchProps & { readonly method: StripMethod }) {
  const { hatches, defs } = useHatches()
  const state = (id: string): MarkState =>
    active?.station === id ? 'now' : taken.has(`${id}/${method.direction.id}`) ? 'taken' : 'open'
  const x = (index: number): number => LEFT + 34 + ((WIDTH - 68) * index) / Math.max(1, method.stations.length - 1)
  const byWidth = [...method.scale].sort((a, b) => a.widthMm - b.widthMm)
  const steps = [byWidth[0], byWidth[Math.floor(byWidth.length / 2)], byWidth.at(-1)].filter((point) => point !== undefined)
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <rect className={styles.outline} x={LEFT} y="26" width={WIDTH} height="46" style={{ fill: hatches.metal }} />
      <rect className={styles.thin} x={LEFT + 12} y="72" width={WIDTH - 24} height="12" style={{ fill: hatches.lining }} />
      <path className={styles.face} d={`M${LEFT - 22} 92H${LEFT + WIDTH + 22}M${LEFT - 22} 168H${LEFT + WIDTH + 22}`} />
      <line className={styles.axis} x1={LEFT - 30} x2={LEFT + WIDTH + 30} y1="130" y2="130" />
      <rect className={styles.thin} x={LEFT + 12} y="168" width={WIDTH - 24} height="12" style={{ fill: hatches.lining }} />
      <rect className={styles.outline} x={LEFT} y="180" width={WIDTH} height="20" style={{ fill: hatches.metal }} />
      {method.stations.map((station, index) => {
        const at = state(station.id)
        return (
          <g key={station.id} className={styles.measure} data-state={at}>
            <rect x={x(index) - 15} y="84.5" width="30" height="7" fill="currentColor" stroke="none" />
            <line x1={x(index)} x2={x(index)} y1="96" y2="212" strokeDasharray="2 3" />
            <Balloon x={x(index)} y={224} text={station.id} state={at} />
          </g>
        )
      })}
      <Caption x={LEFT} y={16}>
        {say.cap}
      </Caption>
      <Caption x={LEFT + WIDTH} y={16} anchor="end">
        {say.stripCrown}
      </Caption>
      <g transform="translate(430 40)">
        <rect className={styles.face} x="0" y="0" width="136" height="150" />
        {steps.map((point, index) => {
          const width = 26 + index * 34
          return (
            <g key={point.widthMm} transform={`translate(68 ${30 + index * 46})`}>
              <rect x={-width / 2} y="-9" width={width} height="18" className={styles.thin} style={{ fill: 'var(--band-new)' }} />
              <text className={styles.caption} x="0" y="23" textAnchor="middle">
                {`${formatLength(point.widthMm, system, 0.05)} → ${formatLength(point.clearanceMm, system, 0.001)} ${unitLabel(system)}`}
              </text>
            </g>
          )
        })}
        <Caption x={68} y={172} anchor="middle">
          {say.flattenedWidthClearance}
        </Caption>
      </g>
    </svg>
  )
}
