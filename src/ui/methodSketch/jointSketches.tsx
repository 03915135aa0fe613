import type { MethodOf } from '../../core/method/method'
import { formatQuantity, unitOf } from '../../core/quantity/format'
import { say } from '../../labels/drawings'
import { Balloon, Caption, Mark, useHatches } from './drawing'
import styles from './MethodSketch.module.css'
import { type SketchProps, spread, stationMark, valueAt } from './marks'
import { placesInPattern } from './pattern'

/** Bearing cap with shims at its joint and soft wire over the shell's back. */
export function PinchSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'capPinch'> }) {
  const { hatches, defs } = useHatches()
  const wires = spread(method.wires.length, 250, 350)
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <path className={styles.outline} d="M120 134H480V210H120z" style={{ fill: hatches.metal }} />
      <path className={styles.outline} d="M120 126V36H480V126H396a96 96 0 0 0 -192 0z" style={{ fill: hatches.metal }} />
      <path className={styles.outline} d="M216 130a84 84 0 0 1 168 0h-20a64 64 0 0 0 -128 0z" style={{ fill: hatches.lining }} />
      {method.shims.map(({ id }, index) => {
        const x = index % 2 === 0 ? 126 : 406
        return (
          <g key={id}>
            <g className={styles.measure} data-state={stationMark(props, id)}>
              <rect x={x} y="126.5" width="68" height="7" fill="currentColor" stroke="none" />
            </g>
            <Balloon
              x={index % 2 === 0 ? 92 : 508}
              y={112 + Math.floor(index / 2) * 28}
              text={id}
              state={stationMark(props, id)}
            />
          </g>
        )
      })}
      {method.wires.map(({ id }, index) => {
        const x = wires[index] ?? 300
        const y = 130 - Math.sqrt(Math.max(0, 88 ** 2 - (x - 300) ** 2))
        return (
          <g key={id}>
            <g className={styles.measure} data-state={stationMark(props, id)}>
              <circle cx={x} cy={y} r="4.5" fill="currentColor" stroke="none" />
              <line x1={x} x2={x} y1={y - 6} y2="30" strokeDasharray="2 3" />
            </g>
            <Balloon x={x} y={17} text={id} state={stationMark(props, id)} />
          </g>
        )
      })}
      <Caption x={300} y={232} anchor="middle">
        {say.pinchShimFlattened}
      </Caption>
      <Caption x={40} y={150}>
        {say.shims}
      </Caption>
      <Caption x={372} y={20}>
        {say.wires}
      </Caption>
    </svg>
  )
}

/** Fasteners as they stand on the joint, each with its share of the target. */
export function TorqueSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'torque'> }) {
  const { hatches, defs } = useHatches()
  const places = placesInPattern(method.fasteners.length, method.arranged, {
    cx: 300,
    cy: 116,
    radius: 82,
    width: 420,
    height: 120,
  })
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      {method.arranged === 'circle' ? (
        <>
          <circle className={styles.outline} cx="300" cy="116" r="110" style={{ fill: hatches.metal }} />
          <circle className={styles.face} cx="300" cy="116" r="54" />
        </>
      ) : (
        <rect className={styles.outline} x="66" y="36" width="468" height="164" rx="8" style={{ fill: hatches.metal }} />
      )}
      {method.fasteners.map(({ id }, index) => {
        const { x, y } = places[index] ?? { x: 0, y: 0 }
        return <Hexagon key={id} x={x} y={y} text={id} state={stationMark(props, id)} />
      })}
      <Caption x={24} y={232}>
        {
          {
            loosening: say.breakawayLooseningInformation,
            tighteningFurther: say.breakawayTighteningFurther,
            final: say.order(formatQuantity(method.targetNm, 'torque', props.system, 1), unitOf('torque', props.system)),
          }[method.taken]
        }
      </Caption>
    </svg>
  )
}

function Hexagon({
  x,
  y,
  text,
  state,
}: {
  readonly x: number
  readonly y: number
  readonly text: string
  readonly state: 'now' | 'taken' | 'open'
}) {
  const corner = (index: number): string =>
    `${x + 17 * Math.cos((index * Math.PI) / 3)} ${y + 17 * Math.sin((index * Math.PI) / 3)}`
  return (
    <g className={styles.measure} data-state={state}>
      <path className={styles.balloon} d={`M${[0, 1, 2, 3, 4, 5].map(corner).join('L')}z`} />
      <text x={x} y={y + 4.5} textAnchor="middle">
        {text}
      </text>
    </g>
  )
}

/** A nut with its mark against the mark on the part. */
export function MarkSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'markShift'> }) {
  const { hatches, defs } = useHatches()
  const active = props.active?.station ?? method.points[0]?.id ?? ''
  const angle = valueAt(props, active) ?? 12
  const turn = ((angle - 90) * Math.PI) / 180
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <rect className={styles.outline} x="60" y="24" width="220" height="180" style={{ fill: hatches.metal }} />
      <Hexagonal cx={170} cy={116} r={66} />
      <path className={styles.measure} data-state="taken" d="M170 40V24" strokeWidth="4" stroke="currentColor" />
      <path
        className={styles.measure}
        data-state={props.active ? 'now' : 'taken'}
        d={`M${170 + 40 * Math.cos(turn)} ${116 + 40 * Math.sin(turn)}L${170 + 62 * Math.cos(turn)} ${116 + 62 * Math.sin(turn)}`}
        strokeWidth="4"
        stroke="currentColor"
      />
      <Mark x={262} y={64} text="angle" state={props.active ? 'now' : 'taken'} />
      <Caption x={60} y={228}>
        {say.markPartTop}
      </Caption>
      {method.points.map(({ id }, index) => (
        <Balloon
          key={id}
          x={340 + (index % 6) * 40}
          y={60 + Math.floor(index / 6) * 36}
          text={id}
          state={stationMark(props, id)}
        />
      ))}
    </svg>
  )
}

function Hexagonal({ cx, cy, r }: { readonly cx: number; readonly cy: number; readonly r: number }) {
  const corner = (index: number): string =>
    `${cx + r * Math.cos((index * Math.PI) / 3)} ${cy + r * Math.sin((index * Math.PI) / 3)}`
  return (
    <>
      <path className={styles.face} d={`M${[0, 1, 2, 3, 4, 5].map(corner).join('L')}z`} />
      <circle className={styles.thin} cx={cx} cy={cy} r={r * 0.5} />
    </>
  )
}
