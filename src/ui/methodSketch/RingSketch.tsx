import type { Method } from '../../core/method/method'
import { formatLength, unitLabel } from '../../core/quantity/format'
import { say } from '../../labels/drawings'
import { Caption, Dimension, Mark, type MarkState, useHatches } from './drawing'
import styles from './MethodSketch.module.css'
import type { SketchProps } from './marks'

type RingMethod = Extract<Method, { kind: 'ringEndGap' }>

const X = 190
const Y = 122

/** The ring squared in its gauge with the gap at the top, and the joint enlarged with the feeler in it. */
export function RingSketch({ method, active, taken, system }: SketchProps & { readonly method: RingMethod }) {
  const { hatches, defs } = useHatches()
  const [segment] = method.segments
  const state: MarkState = active ? 'now' : segment && taken.has(`${segment.id}/-`) ? 'taken' : 'open'
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <circle className={styles.outline} cx={X} cy={Y} r="110" style={{ fill: hatches.metal }} />
      <circle className={styles.face} cx={X} cy={Y} r="90" />
      <path
        className={styles.face}
        d={`M${X + 5} ${Y - 89}A89 89 0 1 1 ${X - 5} ${Y - 89}l.5 14A75 75 0 1 0 ${X + 4.5} ${Y - 75}z`}
        style={{ fill: 'var(--band-track)' }}
      />
      <circle className={styles.thin} cx={X} cy={Y - 82} r="22" strokeDasharray="4 3" />
      <path className={styles.thin} d={`M${X + 20} ${Y - 92}L404 70`} strokeDasharray="4 3" />
      <g transform="translate(400 58)">
        <path className={styles.outline} d="M-10 6H176v-26H-10z" style={{ fill: hatches.metal }} />
        <path className={styles.face} d="M-10 6H68v58H-10zM98 6H176v58H98z" style={{ fill: 'var(--band-track)' }} />
        <Dimension x1={68} y1={80} x2={98} y2={80} state={state} heads="inward" />
        <path className={styles.thin} d="M68 66v22M98 66v22" />
        <Mark x={83} y={106} text="gap" state={state} />
        <Caption x={83} y={136} anchor="middle">
          {method.springs === 'outward' ? say.wearOpensGap : say.wearClosesGap}
        </Caption>
      </g>
      <Caption x={X} y={Y + 5} anchor="middle">
        {say.ringGauge(formatLength(method.referenceDiameterMm, system, 0.1), unitLabel(system))}
      </Caption>
    </svg>
  )
}
