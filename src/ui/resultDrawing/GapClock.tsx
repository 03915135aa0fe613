import type { MethodOf } from '../../core/method/method'
import { fitAround } from '../../core/method/reduce/clockVector'
import { say } from '../../labels/drawings'
import type { DrawingProps } from './drawingProps'
import { around, Frame, styles } from './frame'

const HEIGHT = 166
const CX = 150
const CY = 74
const RING = 52

/** Gaps on the clock, larger than life, with the vector of eccentricity: towards where the gap is widest. */
export function GapClock({ method, taken, figures }: DrawingProps & { readonly method: MethodOf<'gapAtPositions'> }) {
  const fit = fitAround(method.positions, taken, ({ station }) => station)
  const read = method.positions.flatMap((place) => {
    const reading = taken.find(({ station }) => station === place.id)
    return reading && Number.isFinite(reading.interval.high) ? [{ ...place, value: reading.interval.high }] : []
  })
  if (read.length < 2) return null
  const mean = read.reduce((sum, { value }) => sum + value, 0) / read.length
  const most = Math.max(...read.map(({ value }) => Math.abs(value - mean)), 1e-9)
  const radius = (value: number): number => RING - 18 + ((value - mean) / most) * 14
  const outline = read.map(({ angleDeg, value }) => around(CX, CY, radius(value), angleDeg))
  const tip = fit && around(CX, CY, Math.min(40, 10 + (fit.firstAmplitude / most) * 26), fit.highPointDeg)
  return (
    <Frame title={say.gapsAroundDifferences} height={HEIGHT}>
      <circle className={styles.axis} cx={CX} cy={CY} r={RING - 18} />
      <path className={styles.line} d={`${outline.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join('')}Z`} />
      {read.map(({ id, angleDeg, value }) => {
        const label = around(CX, CY, RING + 12, angleDeg)
        const dot = around(CX, CY, radius(value), angleDeg)
        return (
          <g key={id}>
            <circle className={styles.dot} cx={dot.x} cy={dot.y} r="2.6" />
            <text
              className={styles.figure}
              x={label.x}
              y={label.y + 4}
              textAnchor={label.x < CX - 8 ? 'end' : label.x > CX + 8 ? 'start' : 'middle'}
            >
              {figures.figure(value)}
            </text>
          </g>
        )
      })}
      {fit && tip && (
        <>
          <line className={styles.arrow} x1={CX} y1={CY} x2={tip.x} y2={tip.y} />
          <path
            className={styles.head}
            d="M0 0l-8 -4v8z"
            transform={`translate(${tip.x} ${tip.y}) rotate(${fit.highPointDeg - 90})`}
          />
          <text className={styles.text} x="2" y={HEIGHT - 4}>
            {say.widestEccentricity(Math.round(fit.highPointDeg), figures.figure(fit.firstAmplitude), figures.unit)}
          </text>
        </>
      )}
    </Frame>
  )
}
