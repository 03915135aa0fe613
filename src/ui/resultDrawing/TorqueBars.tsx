import type { MethodOf } from '../../core/method/method'
import { say } from '../../labels/drawings'
import type { DrawingProps } from './drawingProps'
import { Frame, styles, WIDTH } from './frame'

const HEIGHT = 108

/** Each fastener against the target; one beyond the wrench is drawn open at the top. */
export function TorqueBars({ method, taken, figures }: DrawingProps & { readonly method: MethodOf<'torque'> }) {
  const most =
    Math.max(method.targetNm, ...taken.map(({ interval }) => (Number.isFinite(interval.high) ? interval.high : interval.low))) *
    1.08
  const y = (value: number): number => HEIGHT - 18 - (value / most) * (HEIGHT - 30)
  const step = (WIDTH - 10) / method.fasteners.length
  return (
    <Frame title={say.against(figures.figure(method.targetNm), figures.unit)} height={HEIGHT}>
      {method.fasteners.map(({ id }, index) => {
        const reading = taken.find(({ station }) => station === id)
        const x = 6 + index * step
        return (
          <g key={id}>
            {reading && Number.isFinite(reading.interval.low) && (
              <rect
                className={styles.fill}
                x={x}
                y={y(reading.interval.low)}
                width={step * 0.7}
                height={HEIGHT - 18 - y(reading.interval.low)}
                strokeDasharray={Number.isFinite(reading.interval.high) ? undefined : '3 2'}
              />
            )}
            <text className={styles.text} x={x + step * 0.35} y={HEIGHT - 5} textAnchor="middle">
              {id}
            </text>
          </g>
        )
      })}
      <line className={styles.mark} x1="0" x2={WIDTH} y1={y(method.targetNm)} y2={y(method.targetNm)} />
    </Frame>
  )
}
