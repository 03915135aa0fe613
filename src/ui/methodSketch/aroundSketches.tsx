import { ALIGNMENT } from '../../core/method/kinds/shaftAlignment'
import type { MethodOf } from '../../core/method/method'
import { say } from '../../labels/drawings'
import { Balloon, Caption, Dial, useHatches } from './drawing'
import styles from './MethodSketch.module.css'
import { onCircle, placeMark, type SketchProps, spread, stationMark, valueAt } from './marks'

/** Rotor in its ring: the gap at each clock position, drawn as wide as it was read. */
export function GapClockSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'gapAtPositions'> }) {
  const { hatches, defs } = useHatches()
  const cx = 300
  const cy = 122
  const read = method.positions.map(({ id }) => valueAt(props, id))
  const most = Math.max(...read.map((value) => value ?? 0), 1e-9)
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <circle className={styles.outline} cx={cx} cy={cy} r="92" style={{ fill: hatches.metal }} />
      <circle className={styles.face} cx={cx} cy={cy} r="80" />
      <circle className={styles.face} cx={cx} cy={cy} r="56" style={{ fill: hatches.lining }} />
      <path className={styles.axis} d={`M${cx - 20} ${cy}h40M${cx} ${cy - 20}v40`} />
      {method.positions.map(({ id, angleDeg }, index) => {
        const value = read[index]
        const from = onCircle(cx, cy, 56, angleDeg)
        const to = onCircle(cx, cy, value === undefined ? 80 : 58 + (22 * value) / most, angleDeg)
        const balloon = onCircle(cx, cy, 108, angleDeg)
        return (
          <g key={id}>
            <g className={styles.measure} data-state={stationMark(props, id)}>
              <line
                x1={from.x}
                y1={from.y}
                x2={to.x}
                y2={to.y}
                strokeWidth={value === undefined ? 1.2 : 4}
                strokeDasharray={value === undefined ? '3 3' : undefined}
              />
            </g>
            <Balloon x={balloon.x} y={balloon.y} text={id} state={stationMark(props, id)} />
          </g>
        )
      })}
      <Caption x={30} y={24}>
        {say.gapEachPosition}
      </Caption>
      <Caption x={30} y={42}>
        {say.clockwiseFromTop}
      </Caption>
    </svg>
  )
}

/** The shaft with its stations, and the turning dial with the angles at the station read now. */
export function RunoutSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'runout'> }) {
  const { hatches, defs } = useHatches()
  const at = spread(method.stations.length, 70, 330)
  const active = method.stations.findIndex(({ id }) => id === props.active?.station)
  const x = at[Math.max(0, active)] ?? 200
  const cx = 475
  const cy = 118
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <path className={styles.outline} d="M40 104H360V152H40z" style={{ fill: hatches.metal }} />
      <path className={styles.axis} d="M20 128H384" />
      <path className={styles.thin} d="M22 128l18 -10v20zM378 128l-18 -10v20z" />
      <Dial x={x} y={48} state={active < 0 ? 'taken' : 'now'} />
      <line className={styles.thin} x1={x} x2={x} y1="84" y2="104" />
      {method.stations.map(({ id }, index) => (
        <g key={id}>
          <g className={styles.measure} data-state={stationMark(props, id)}>
            <line x1={at[index] ?? 0} x2={at[index] ?? 0} y1="96" y2="162" strokeDasharray="2 3" />
          </g>
          <Balloon x={at[index] ?? 0} y={186} text={id} state={stationMark(props, id)} />
        </g>
      ))}
      <circle className={styles.face} cx={cx} cy={cy} r="62" style={{ fill: hatches.metal }} />
      <path className={styles.axis} d={`M${cx - 74} ${cy}h148M${cx} ${cy - 74}v148`} />
      {method.angles.map(({ id, angleDeg }) => {
        const point = onCircle(cx, cy, 84, angleDeg)
        const state = props.active ? placeMark(props, props.active.station, id) : 'taken'
        return <Balloon key={id} x={point.x} y={point.y} text={id} state={state} />
      })}
      <path className={styles.thin} d={`M${cx + 28} ${cy - 40}a48 48 0 0 1 20 24m-1 -9l1 9 -8 -4`} />
      <Caption x={cx} y={236} anchor="middle">
        {say.turnWayTowards}
      </Caption>
      <Caption x={40} y={228}>
        {method.stations[0]?.label ?? ''}
      </Caption>
    </svg>
  )
}

/** Two coupling flanges with the dial on rim and face, and the positions around. */
export function AlignmentSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'shaftAlignment'> }) {
  const { hatches, defs } = useHatches()
  const cx = 465
  const cy = 118
  const kind = props.active?.direction
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <path className={styles.outline} d="M30 104H130V64H166V172H130V132H30z" style={{ fill: hatches.metal }} />
      <path className={styles.outline} d="M320 108H220V70H184V178H220V136H320z" style={{ fill: hatches.lining }} />
      <path className={styles.axis} d="M16 118H150M200 122H336" />
      <Dial x={206} y={30} state={kind === ALIGNMENT.rim ? 'now' : 'taken'} small />
      <line className={styles.thin} x1="206" x2="206" y1="50" y2="70" />
      {method.faceDiameterMm !== null && (
        <>
          <Dial x={262} y={86} state={kind === ALIGNMENT.face ? 'now' : 'taken'} small />
          <line className={styles.thin} x1="242" x2="221" y1="86" y2="86" />
        </>
      )}
      <Caption x={120} y={206} anchor="middle">
        {say.dialTurnsShaft}
      </Caption>
      <Caption x={232} y={26}>
        {say.rim}
      </Caption>
      {method.faceDiameterMm !== null && (
        <Caption x={288} y={90}>
          {say.face}
        </Caption>
      )}
      <circle className={styles.face} cx={cx} cy={cy} r="60" />
      <path className={styles.axis} d={`M${cx - 72} ${cy}h144M${cx} ${cy - 72}v144`} />
      {method.positions.map(({ id, angleDeg }) => {
        const point = onCircle(cx, cy, 84, angleDeg)
        const state = kind ? placeMark(props, id, kind) : 'taken'
        return <Balloon key={id} x={point.x} y={point.y} text={id} state={state} />
      })}
      <Caption x={cx} y={236} anchor="middle">
        {say.bothShaftsTurned}
      </Caption>
    </svg>
  )
}
