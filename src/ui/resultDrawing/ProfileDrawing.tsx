import type { MethodOf } from '../../core/method/method'
import { isPoint } from '../../core/quantity/interval'
import { say } from '../../labels/drawings'
import type { DrawingProps } from './drawingProps'
import { around, Frame, scaleTo, styles } from './frame'

const HEIGHT = 112
const LEFT = 58
const RIGHT = 200
const SECOND = ['', 'second', 'third'] as const

/** Profile along in each direction, and around at the station that is least round. */
export function ProfileDrawing({
  method,
  taken,
  figures,
}: DrawingProps & { readonly method: MethodOf<'outsideDiameter' | 'boreDiameter'> }) {
  const points = taken.filter(({ interval }) => isPoint(interval))
  const at = (station: string, direction: string) =>
    points.find((reading) => reading.station === station && reading.direction === direction)?.interval.low
  const values = points.map(({ interval }) => interval.low)
  if (values.length < 2) return null
  const y = scaleTo(values, HEIGHT - 26, 12)
  const x = (index: number): number => LEFT + 14 + ((RIGHT - LEFT - 28) * index) / Math.max(1, method.stations.length - 1)
  const worst = method.stations
    .map((station) => {
      const own = method.directions.flatMap(({ id }) => at(station.id, id) ?? [])
      return { station, own, spread: own.length < 2 ? -1 : Math.max(...own) - Math.min(...own) }
    })
    .reduce((a, b) => (b.spread > a.spread ? b : a))
  const mean = worst.own.reduce((sum, value) => sum + value, 0) / Math.max(1, worst.own.length)
  const cx = 252
  const cy = 48
  return (
    <Frame title={worst.spread >= 0 ? say.alongAround(worst.station.id) : say.along} height={HEIGHT}>
      <path className={styles.rule} d={`M${LEFT} 8V${HEIGHT - 20}H${RIGHT}`} fill="none" />
      {method.directions.map((direction, index) => {
        const line = method.stations.flatMap((station, place) => {
          const value = at(station.id, direction.id)
          return value === undefined ? [] : [{ px: x(place), py: y(value) }]
        })
        const last = line.at(-1)
        return (
          <g key={direction.id}>
            <path
              className={styles.line}
              data-second={SECOND[index] === 'second' ? '' : undefined}
              data-third={index >= 2 ? '' : undefined}
              d={line.map(({ px, py }, k) => `${k === 0 ? 'M' : 'L'}${px} ${py}`).join('')}
            />
            {line.map(({ px, py }) => (
              <circle key={px} className={styles.dot} cx={px} cy={py} r="2.6" />
            ))}
            {last && (
              <text className={styles.text} x={last.px + 7} y={last.py + 4}>
                {direction.id}
              </text>
            )}
          </g>
        )
      })}
      {method.stations.map(({ id }, index) => (
        <text key={id} className={styles.text} x={x(index)} y={HEIGHT - 6} textAnchor="middle">
          {id}
        </text>
      ))}
      <text className={styles.figure} x={2} y={14}>
        {figures.figure(Math.max(...values))}
      </text>
      <text className={styles.figure} x={2} y={HEIGHT - 24}>
        {figures.figure(Math.min(...values))}
      </text>
      {worst.spread >= 0 && (
        <>
          <circle className={styles.axis} cx={cx} cy={cy} r="30" />
          {method.directions.flatMap(({ id }, index) => {
            const value = at(worst.station.id, id)
            if (value === undefined) return []
            // The difference is drawn larger than life: the widest one stands 12 px out.
            const radius = 30 + (worst.spread === 0 ? 0 : ((value - mean) / worst.spread) * 24)
            const angle = (180 * index) / method.directions.length
            const [a, b] = [around(cx, cy, radius, angle), around(cx, cy, radius, angle + 180)]
            return [
              <g key={id}>
                <line
                  className={styles.line}
                  x1={a.x}
                  y1={a.y}
                  x2={b.x}
                  y2={b.y}
                  data-second={index === 1 ? '' : undefined}
                  data-third={index >= 2 ? '' : undefined}
                />
                <circle className={styles.dot} cx={a.x} cy={a.y} r="2.6" />
                <circle className={styles.dot} cx={b.x} cy={b.y} r="2.6" />
              </g>,
            ]
          })}
          <text className={styles.text} x={cx} y={HEIGHT - 6} textAnchor="middle">
            {say.outRound(figures.figure(worst.spread))}
          </text>
        </>
      )}
    </Frame>
  )
}
