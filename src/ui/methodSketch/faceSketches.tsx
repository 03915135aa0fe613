import type { MethodOf } from '../../core/method/method'
import type { Place } from '../../core/method/slot'
import { say } from '../../labels/drawings'
import { Balloon, Caption, Dial, Dimension, useHatches } from './drawing'
import styles from './MethodSketch.module.css'
import { type SketchProps, spread, stationMark } from './marks'

const LEFT = 70
const RIGHT = 530

/** Balloons of the points below the drawing, each at its place along the part. */
function PointBalloons({ points, y, ...props }: SketchProps & { readonly points: readonly Place[]; readonly y: number }) {
  const at = spread(points.length, LEFT + 40, RIGHT - 40)
  return points.map(({ id }, index) => <Balloon key={id} x={at[index] ?? 0} y={y} text={id} state={stationMark(props, id)} />)
}

/** A plate, a pad or a pin with its size taken at the points. */
export function SizeSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'size'> }) {
  const { hatches, defs } = useHatches()
  const at = spread(method.points.length, LEFT + 40, RIGHT - 40)
  const lying = method.what === 'length' || method.what === 'width'
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <rect className={styles.outline} x={LEFT} y="70" width={RIGHT - LEFT} height="84" style={{ fill: hatches.metal }} />
      {lying
        ? method.points.map(({ id }, index) => {
            const rows = spread(method.points.length, 84, 140)
            return (
              <Dimension
                key={id}
                x1={LEFT}
                x2={RIGHT}
                y1={rows[index] ?? 0}
                y2={rows[index] ?? 0}
                state={stationMark(props, id)}
                heads="outward"
              />
            )
          })
        : method.points.map(({ id }, index) => (
            <Dimension
              key={id}
              x1={at[index] ?? 0}
              x2={at[index] ?? 0}
              y1={70}
              y2={154}
              state={stationMark(props, id)}
              heads="outward"
            />
          ))}
      <PointBalloons points={method.points} y={lying ? 196 : 186} {...props} />
      <Caption x={300} y={228} anchor="middle">
        {say.pointBurrsDressed(method.what, method.points.length)}
      </Caption>
    </svg>
  )
}

/** A piston in section with its ring groove; the width is taken at its root around. */
export function GrooveSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'grooveWidth'> }) {
  const { hatches, defs } = useHatches()
  const now = method.points.some(({ id }) => stationMark(props, id) === 'now')
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <path className={styles.outline} d="M60 24H250V80H206V124H250V196H60z" style={{ fill: hatches.metal }} />
      <Dimension x1={214} x2={214} y1={80} y2={124} state={now ? 'now' : 'taken'} heads="outward" />
      <Caption x={268} y={106}>
        {say.widthRoot}
      </Caption>
      <PointsAround points={method.points} {...props} cx={480} cy={112} />
      <Caption x={480} y={228} anchor="middle">
        {say.pointsAround}
      </Caption>
    </svg>
  )
}

/** The ring in its groove with the feeler beside it. */
export function SideClearanceSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'sideClearance'> }) {
  const { hatches, defs } = useHatches()
  const now = method.points.some(({ id }) => stationMark(props, id) === 'now')
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <path className={styles.outline} d="M50 20H230V72H170V140H230V200H50z" style={{ fill: hatches.metal }} />
      <rect className={styles.outline} x="176" y="90" width="76" height="50" style={{ fill: hatches.lining }} />
      <Dimension x1={240} x2={240} y1={72} y2={90} state={now ? 'now' : 'taken'} heads="inward" />
      <path className={styles.thin} d="M176 76H330V86H176z" />
      <Caption x={262} y={66}>
        {say.feeler}
      </Caption>
      <Caption x={262} y={120}>
        {say.ringOneSide}
      </Caption>
      <PointsAround points={method.points} {...props} cx={484} cy={112} />
      <Caption x={484} y={228} anchor="middle">
        {say.pointsAroundGroove}
      </Caption>
    </svg>
  )
}

/** Places around a circle, the first at the top. */
function PointsAround({
  points,
  cx,
  cy,
  ...props
}: SketchProps & { readonly points: readonly Place[]; readonly cx: number; readonly cy: number }) {
  return (
    <>
      <circle className={styles.face} cx={cx} cy={cy} r="62" />
      <circle className={styles.thin} cx={cx} cy={cy} r="50" strokeDasharray="3 4" />
      {points.map(({ id }, index) => {
        const turn = (2 * Math.PI * index) / points.length
        return (
          <Balloon key={id} x={cx + 84 * Math.sin(turn)} y={cy - 84 * Math.cos(turn)} text={id} state={stationMark(props, id)} />
        )
      })}
    </>
  )
}

/** One joint face bolted, the gap at the other one: how much the shell stands proud. */
export function CrushSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'shellCrush'> }) {
  const { hatches, defs } = useHatches()
  const now = method.points.some(({ id }) => stationMark(props, id) === 'now')
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <path className={styles.outline} d="M120 120H480V214H120z" style={{ fill: hatches.metal }} />
      <path className={styles.outline} d="M120 112L480 102V24H120z" style={{ fill: hatches.metal }} />
      <circle className={styles.face} cx="300" cy="114" r="74" />
      <path className={styles.outline} d="M226 118a74 74 0 0 0 148 0h-12a62 62 0 0 1 -124 0z" style={{ fill: hatches.lining }} />
      <path className={styles.outline} d="M226 110a74 74 0 0 1 148 -4h-12a62 62 0 0 0 -124 4z" style={{ fill: hatches.lining }} />
      <path className={styles.thin} d="M150 30v180M144 30h12M144 210h12" strokeWidth="3" />
      <Dimension x1={446} x2={446} y1={102.8} y2={120} state={now ? 'now' : 'taken'} heads="inward" />
      <Caption x={496} y={116}>
        {say.gap}
      </Caption>
      <Caption x={112} y={116} anchor="end">
        {say.bolted}
      </Caption>
      {method.points.map(({ id }, index) => (
        <Balloon
          key={id}
          x={520 + (index % 2) * 32}
          y={40 + Math.floor(index / 2) * 30}
          text={id}
          state={stationMark(props, id)}
        />
      ))}
    </svg>
  )
}

/** Two bodies and the distance set between them at the points. */
export function SetSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'setDimension'> }) {
  const { hatches, defs } = useHatches()
  const at = spread(method.points.length, LEFT + 40, RIGHT - 40)
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <rect className={styles.outline} x={LEFT} y="24" width={RIGHT - LEFT} height="46" style={{ fill: hatches.metal }} />
      <rect className={styles.outline} x={LEFT} y="132" width={RIGHT - LEFT} height="46" style={{ fill: hatches.metal }} />
      {method.points.map(({ id }, index) => (
        <Dimension
          key={id}
          x1={at[index] ?? 0}
          x2={at[index] ?? 0}
          y1={70}
          y2={132}
          state={stationMark(props, id)}
          heads="outward"
        />
      ))}
      <PointBalloons points={method.points} y={200} {...props} />
      <Caption x={300} y={236} anchor="middle">
        {say.asSetAfter}
      </Caption>
    </svg>
  )
}

/** A dial run along a face or a straight edge. */
export function StraightnessSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'straightness'> }) {
  const { hatches, defs } = useHatches()
  const at = spread(method.points.length, LEFT + 40, RIGHT - 40)
  const active = method.points.findIndex(({ id }) => stationMark(props, id) === 'now')
  const x = at[Math.max(0, active)] ?? 300
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <path
        className={styles.outline}
        d={`M${LEFT} 142C200 138 320 146 ${RIGHT} 140V190H${LEFT}z`}
        style={{ fill: hatches.metal }}
      />
      <Dial x={x} y={62} state={active < 0 ? 'taken' : 'now'} />
      <line className={styles.thin} x1={x} x2={x} y1="98" y2="140" />
      {method.points.map(({ id }, index) => (
        <g key={id} className={styles.measure} data-state={stationMark(props, id)}>
          <line x1={at[index] ?? 0} x2={at[index] ?? 0} y1="134" y2="148" />
        </g>
      ))}
      <PointBalloons points={method.points} y={212} {...props} />
      <Caption x={LEFT} y={16}>
        {say.pressesDial}
      </Caption>
    </svg>
  )
}

/** Teeth in mesh with a dial on the flank, or a caliper over teeth. */
export function BacklashSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'backlash'> }) {
  const { hatches, defs } = useHatches()
  const teeth = Array.from({ length: 9 }, (_, index) => 60 + index * 46)
  const now = method.points.some(({ id }) => stationMark(props, id) === 'now')
  const state = now ? 'now' : 'taken'
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <path
        className={styles.outline}
        d={`M40 200V150${teeth.map((x) => `H${x}l7 -44h14l7 44`).join('')}H490V200z`}
        style={{ fill: hatches.metal }}
      />
      {method.what === 'backlash' ? (
        <>
          <path
            className={styles.outline}
            d={`M40 60V96${teeth
              .slice(0, 8)
              .map((x) => `H${x + 25}l6 42h13l6 -42`)
              .join('')}H490V60z`}
            style={{ fill: hatches.lining }}
          />
          <Dial x={530} y={70} state={state} />
          <path className={styles.thin} d="M494 74L452 120" />
          <Caption x={490} y={140}>
            {say.squareFlank}
          </Caption>
        </>
      ) : (
        <Dimension
          x1={teeth[3] ?? 0}
          x2={(teeth[method.what === 'span' ? 5 : 3] ?? 0) + 28}
          y1={128}
          y2={128}
          state={state}
          heads="inward"
        />
      )}
      {method.points.map(({ id }, index) => (
        <Balloon
          key={id}
          x={spread(method.points.length, 70, 470)[index] ?? 0}
          y={224}
          text={id}
          state={stationMark(props, id)}
        />
      ))}
    </svg>
  )
}

/** Brushes, pads or linings side by side, each with what is left of it. */
export function RemainingSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'remainingThickness'> }) {
  const { hatches, defs } = useHatches()
  const at = spread(method.points.length, LEFT + 30, RIGHT - 30)
  const width = Math.min(52, (RIGHT - LEFT) / method.points.length - 10)
  const read = method.points.map(({ id }) => props.values.get(`${id}/-/1`))
  const most = Math.max(...read.map((value) => value ?? 0), 1e-9)
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <rect
        className={styles.outline}
        x={LEFT - 20}
        y="20"
        width={RIGHT - LEFT + 40}
        height="22"
        style={{ fill: hatches.metal }}
      />
      {method.points.map(({ id }, index) => {
        const value = read[index]
        const height = value === undefined ? 120 : 30 + (90 * value) / most
        const x = at[index] ?? 0
        return (
          <g key={id}>
            <rect
              className={styles.outline}
              x={x - width / 2}
              y="42"
              width={width}
              height={height}
              style={{ fill: hatches.lining }}
              strokeDasharray={value === undefined ? '4 3' : undefined}
            />
            <Dimension x1={x} x2={x} y1={42} y2={42 + height} state={stationMark(props, id)} heads="outward" />
            <Balloon x={x} y={192} text={id} state={stationMark(props, id)} />
          </g>
        )
      })}
      <Caption x={300} y={232} anchor="middle">
        {say.leastLeft(method.what)}
      </Caption>
    </svg>
  )
}
