import { runoutStations } from '../../core/method/kinds/runout'
import { sheetInputOf, slotsOf } from '../../core/method/layout'
import type { MethodOf } from '../../core/method/method'
import { say } from '../../labels/drawings'
import type { DrawingProps } from './drawingProps'
import { around, Frame, styles, WIDTH } from './frame'

const HEIGHT = 128
const BOW_HEIGHT = 76
const CY = 62

/** What the dial showed around at the worst station, eccentricity and oval part told apart; and the bow along the shaft. */
export function RunoutDrawing({ method, taken, figures }: DrawingProps & { readonly method: MethodOf<'runout'> }) {
  const stations = runoutStations({ ...sheetInputOf(method, taken, slotsOf(method), 0), method })
  const fitted = stations.flatMap((item) => (item.fit ? [{ ...item, fit: item.fit }] : []))
  const [first, ...others] = fitted
  if (!first) return null
  const worst = others.reduce((a, b) => (b.fit.totalIndicated > a.fit.totalIndicated ? b : a), first)
  const { fit } = worst
  // Of a few readings on one side the fitted circle can reach further than the dial was ever seen to move.
  const most = Math.max(fit.totalIndicated, fit.firstAmplitude, fit.secondAmplitude ?? 0, 1e-9)
  const radius = (value: number): number => 34 + ((value - fit.mean) / most) * 26
  const curve = (value: (deg: number) => number, cx: number): string =>
    `${Array.from({ length: 73 }, (_, index) => {
      const { x, y } = around(cx, CY, radius(fit.mean + value(index * 5)), index * 5)
      return `${index === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`
    }).join('')}Z`
  const cos = (deg: number): number => Math.cos((deg * Math.PI) / 180)
  const firstPart = (deg: number): number => fit.firstAmplitude * cos(deg - fit.highPointDeg)
  const secondPart = (deg: number): number => (fit.secondAmplitude ?? 0) * cos(2 * (deg - (fit.secondHighPointDeg ?? 0)))
  const tip = around(70, CY, 8 + (fit.firstAmplitude / most) * 40, fit.highPointDeg)
  const bent = stations.filter(({ bow, atMm, fit: own }) => bow !== null && atMm !== null && own !== null)
  return (
    <>
      <Frame title={say.aroundEccentricityWhat(worst.station)} height={HEIGHT}>
        <circle className={styles.axis} cx="70" cy={CY} r="34" />
        <path className={styles.line} d={curve(firstPart, 70)} />
        {worst.taken.map(({ direction, interval }) => {
          const place = method.angles.find(({ id }) => id === direction)
          const dot = around(70, CY, radius(interval.low), place?.angleDeg ?? 0)
          return <circle key={direction} className={styles.dot} cx={dot.x} cy={dot.y} r="2.6" />
        })}
        <line className={styles.arrow} x1="70" y1={CY} x2={tip.x} y2={tip.y} />
        <path
          className={styles.head}
          d="M0 0l-8 -4v8z"
          transform={`translate(${tip.x} ${tip.y}) rotate(${fit.highPointDeg - 90})`}
        />
        <text className={styles.text} x="2" y={HEIGHT - 2}>
          {say.at(figures.figure(fit.firstAmplitude), Math.round(fit.highPointDeg))}
        </text>
        {fit.secondAmplitude !== null && (
          <>
            <circle className={styles.axis} cx="216" cy={CY} r="34" />
            <path className={styles.line} data-second="" d={curve(secondPart, 216)} />
            <text className={styles.text} x="176" y={HEIGHT - 2}>
              {say.oval(figures.figure(fit.secondAmplitude))}
            </text>
          </>
        )}
      </Frame>
      {bent.length >= 3 && <BowCurve bent={bent} figures={figures} />}
    </>
  )
}

function BowCurve({ bent, figures }: { readonly bent: ReturnType<typeof runoutStations> } & Pick<DrawingProps, 'figures'>) {
  const size = ({ bow }: (typeof bent)[number]): number =>
    bow?.x.interval && bow.y.interval ? Math.hypot(bow.x.interval.low, bow.y.interval.low) : 0
  const most = Math.max(...bent.map(size), 1e-9)
  const end = Math.max(...bent.map(({ atMm }) => atMm ?? 0), 1)
  const points = bent.map((item) => ({ x: 14 + ((item.atMm ?? 0) / end) * (WIDTH - 60), y: 58 - (size(item) / most) * 42, item }))
  return (
    <Frame title={say.bowAlongShaft} height={BOW_HEIGHT}>
      <path className={styles.axis} d={`M14 58H${WIDTH - 46}`} />
      <path className={styles.line} d={points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join('')} />
      {points.map(({ x, y, item }) => (
        <g key={item.station}>
          <circle className={styles.dot} cx={x} cy={y} r="2.6" />
          <text className={styles.text} x={x} y="72" textAnchor="middle">
            {item.station}
          </text>
          {size(item) === most && (
            <text className={styles.figure} x={x + 8} y={y + 2}>
              {figures.figure(most)}
            </text>
          )}
        </g>
      ))}
    </Frame>
  )
}
