import type { MethodOf } from '../../core/method/method'
import { say } from '../../labels/drawings'
import type { DrawingProps } from './drawingProps'
import { Frame, styles, WIDTH } from './frame'

/** How contact is shared out: a bar per column and per row, percent of its cells. */
export function ContactShares({ method, taken }: DrawingProps & { readonly method: MethodOf<'contactPattern'> }) {
  const share = (own: typeof taken): number | null =>
    own.length === 0 ? null : own.reduce((sum, { interval }) => sum + interval.low, 0) / own.length
  const bars = [
    ...method.columns.map(({ id, label }) => ({ id, label, share: share(taken.filter(({ station }) => station === id)) })),
    ...method.rows.map(({ id, label }) => ({ id, label, share: share(taken.filter(({ direction }) => direction === id)) })),
  ]
  const height = bars.length * 15 + 4
  return (
    <Frame title={say.sharedColumnsRows} height={height}>
      {bars.map((bar, index) => (
        <g key={`${bar.id}${bar.label}`} transform={`translate(0 ${index * 15 + (index >= method.columns.length ? 4 : 0)})`}>
          <text className={styles.text} x="2" y="11">
            {`${bar.id} ${bar.label}`}
          </text>
          <rect className={styles.fill} x="96" y="2" width={((bar.share ?? 0) / 100) * (WIDTH - 140)} height="10" />
          <text className={styles.figure} x={WIDTH - 2} y="11" textAnchor="end">
            {bar.share === null ? '–' : `${Math.round(bar.share)} %`}
          </text>
        </g>
      ))}
    </Frame>
  )
}
