import type { Method } from '../../core/method/method'
import { Balloon, Caption, Dimension, type MarkState, useHatches } from './drawing'
import type { SketchProps } from './MethodSketch'
import styles from './MethodSketch.module.css'

type FloatMethod = Extract<Method, { kind: 'endFloat' }>

/** The thrust collar between its faces, the dial on the shaft end, push one way and the other. */
export function FloatSketch({ method, active, taken }: SketchProps & { readonly method: FloatMethod }) {
  const { hatches, defs } = useHatches()
  const repeats = Array.from({ length: method.repeatsAtLeast }, (_, index) => index + 1)
  const state = (repeat: number): MarkState => (active?.repeat === repeat ? 'now' : taken.has(`-/-/${repeat}`) ? 'taken' : 'open')
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <path className={styles.outline} d="M150 20h34v62h-34zM150 130h34v62h-34z" style={{ fill: hatches.metal }} />
      <path className={styles.outline} d="M246 20h34v62h-34zM246 130h34v62h-34z" style={{ fill: hatches.metal }} />
      <path className={styles.face} d="M40 84H196V44h36v40H420v44H232v40h-36v-40H40" />
      <line className={styles.axis} x1="24" x2="470" y1="106" y2="106" />
      <Dimension x1={184} y1={182} x2={196} y2={182} state={active ? 'now' : 'taken'} heads="inward" />
      <Dimension x1={232} y1={182} x2={246} y2={182} state={active ? 'now' : 'taken'} heads="inward" />
      <path className={styles.thin} d="M420 106h26" />
      <circle className={styles.face} cx="482" cy="106" r="36" />
      <circle className={styles.thin} cx="482" cy="106" r="28" strokeDasharray="1 4.86" />
      <path
        className={styles.measure}
        data-state={active ? 'now' : 'taken'}
        d="M482 106l14 -20"
        strokeWidth="2.4"
        stroke="currentColor"
      />
      <Caption x={90} y={148} anchor="middle">
        push, zero
      </Caption>
      <Caption x={350} y={148} anchor="middle">
        pull, read
      </Caption>
      <Caption x={482} y={162} anchor="middle">
        dial on the shaft end
      </Caption>
      {repeats.map((repeat, index) => (
        <Balloon
          key={repeat}
          x={215 + (index - (method.repeatsAtLeast - 1) / 2) * 34}
          y={226}
          text={String(repeat)}
          state={state(repeat)}
        />
      ))}
    </svg>
  )
}
