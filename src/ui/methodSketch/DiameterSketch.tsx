import type { Method } from '../../core/method/method'
import { say } from '../../labels/drawings'
import { Balloon, Caption, Dimension, Mark, type MarkState, useHatches } from './drawing'
import styles from './MethodSketch.module.css'
import type { SketchProps } from './marks'

type DiameterMethod = Extract<Method, { kind: 'boreDiameter' | 'outsideDiameter' }>

const LEFT = 30
const RIGHT = 330
const AXIS = 120
const HALF = 46
const CENTRE = 480
const RADIUS = 56

/** A bore in section or a journal from the side with its stations, and the end view with its directions. */
export function DiameterSketch({ method, active, taken }: SketchProps & { readonly method: DiameterMethod }) {
  const { hatches, defs } = useHatches()
  const isBore = method.kind === 'boreDiameter'
  const heads = isBore ? 'outward' : 'inward'
  const stationX = (index: number): number => LEFT + ((RIGHT - LEFT) * (index + 0.5)) / method.stations.length
  const angleOf = (index: number): number => (index * Math.PI) / method.directions.length
  const state = (isNow: boolean, done: boolean): MarkState => (isNow ? 'now' : done ? 'taken' : 'open')
  const stationState = (id: string): MarkState =>
    state(
      active?.station === id,
      method.directions.every((direction) => taken.has(`${id}/${direction.id}`)),
    )
  const directionState = (id: string): MarkState =>
    state(
      active?.direction === id,
      method.stations.every((station) => taken.has(`${station.id}/${id}`)),
    )
  const [first] = method.stations
  const last = method.stations.at(-1)
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      {isBore ? (
        <>
          <rect
            className={styles.outline}
            x={LEFT}
            y={AXIS - HALF - 52}
            width={RIGHT - LEFT}
            height="40"
            fill={hatches.metal}
            style={{ fill: hatches.metal }}
          />
          <rect
            className={styles.outline}
            x={LEFT}
            y={AXIS + HALF + 12}
            width={RIGHT - LEFT}
            height="40"
            style={{ fill: hatches.metal }}
          />
          <rect
            className={styles.thin}
            x={LEFT + 16}
            y={AXIS - HALF - 12}
            width={RIGHT - LEFT - 32}
            height="12"
            style={{ fill: hatches.lining }}
          />
          <rect
            className={styles.thin}
            x={LEFT + 16}
            y={AXIS + HALF}
            width={RIGHT - LEFT - 32}
            height="12"
            style={{ fill: hatches.lining }}
          />
          <circle className={styles.outline} cx={CENTRE} cy={AXIS} r={RADIUS + 32} style={{ fill: hatches.metal }} />
          <circle className={styles.thin} cx={CENTRE} cy={AXIS} r={RADIUS + 11} style={{ fill: hatches.lining }} />
        </>
      ) : (
        <>
          <path
            className={styles.face}
            d={`M${LEFT - 18} ${AXIS - HALF + 16}h34v-16H${RIGHT - 16}v16h34M${LEFT - 18} ${AXIS + HALF - 16}h34v16H${RIGHT - 16}v-16h34`}
          />
          <path
            className={styles.thin}
            d={`M${LEFT - 18} ${AXIS - HALF + 16}c-7 14 7 26 0 40s7 12 0 20M${RIGHT + 18} ${AXIS - HALF + 16}c7 14 -7 26 0 40s-7 12 0 20`}
          />
          <circle className={styles.thin} cx={CENTRE} cy={AXIS} r={RADIUS + 22} strokeDasharray="3 4" />
        </>
      )}
      <circle className={styles.face} cx={CENTRE} cy={AXIS} r={RADIUS} style={isBore ? undefined : { fill: hatches.metal }} />
      <line className={styles.axis} x1={LEFT - 24} x2={RIGHT + 24} y1={AXIS} y2={AXIS} />
      {method.stations.map((station, index) => {
        const at = stationState(station.id)
        const x = stationX(index)
        const reach = isBore ? HALF : HALF
        return (
          <g key={station.id}>
            <Dimension x1={x} y1={AXIS - reach} x2={x} y2={AXIS + reach} state={at} heads={heads} />
            <Balloon x={x} y={228} text={station.id} state={at} />
          </g>
        )
      })}
      {method.directions.map((direction, index) => {
        // Direction 1 is upright; the others follow clockwise.
        const angle = angleOf(index) - Math.PI / 2
        const at = directionState(direction.id)
        const reach = isBore ? RADIUS : RADIUS
        const x = Math.cos(angle) * reach
        const y = Math.sin(angle) * reach
        const label = isBore ? RADIUS - 16 : RADIUS + 14
        return (
          <g key={direction.id}>
            <Dimension x1={CENTRE - x} y1={AXIS - y} x2={CENTRE + x} y2={AXIS + y} state={at} heads={heads} />
            <Mark
              x={CENTRE + Math.cos(angle + 0.32) * label}
              y={AXIS + Math.sin(angle + 0.32) * label + 4}
              text={direction.id}
              state={at}
            />
          </g>
        )
      })}
      <Caption x={LEFT} y={14}>
        {first?.label ?? ''}
      </Caption>
      {method.stations.length > 1 && (
        <Caption x={RIGHT} y={14} anchor="end">
          {last?.label ?? ''}
        </Caption>
      )}
      <Caption x={CENTRE} y={232} anchor="middle">
        {say.seenFrom(first?.label ?? say.station1)}
      </Caption>
    </svg>
  )
}
