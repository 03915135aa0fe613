import type { Method, MethodOf } from '../../core/method/method'
import { formatLength } from '../../core/quantity/format'
import { say } from '../../labels/drawings'
import { Balloon, Caption, Dial, Dimension, type MarkState, useHatches } from './drawing'
import styles from './MethodSketch.module.css'
import { repeatMark, type SketchProps } from './marks'

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
        {say.pushZero}
      </Caption>
      <Caption x={350} y={148} anchor="middle">
        {say.pullRead}
      </Caption>
      <Caption x={482} y={162} anchor="middle">
        {say.dialShaftEnd}
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

/** The shaft lifted and pressed down in its bearing, the dial on its rim; an overhung dial on its lever. */
export function PlaySketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'radialPlay'> }) {
  const { hatches, defs } = useHatches()
  const repeats = Array.from({ length: method.repeatsAtLeast }, (_, index) => index + 1)
  const dialX = method.lever === null ? 250 : 420
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      <path className={styles.outline} d="M140 40h110v46H140zM140 138h110v46H140z" style={{ fill: hatches.metal }} />
      <path className={styles.face} d="M60 92H480V132H60z" />
      <line className={styles.axis} x1="40" x2="500" y1="112" y2="112" />
      <Dimension x1={195} x2={195} y1={86} y2={138} state={props.active ? 'now' : 'taken'} heads="outward" />
      <Dial x={dialX} y={34} state={props.active ? 'now' : 'taken'} small />
      <line className={styles.thin} x1={dialX} x2={dialX} y1="54" y2="92" />
      <path className={styles.thin} d="M520 92V52m-5 8l5 -8 5 8M520 132V172m-5 -8l5 8 5 -8" />
      <Caption x={534} y={76}>
        {say.up}
      </Caption>
      <Caption x={534} y={158}>
        {say.down}
      </Caption>
      {method.lever !== null && (
        <>
          <path className={styles.thin} d="M60 196H195M60 208H420M60 190v24M195 190v12M420 202v12" />
          <Caption x={204} y={200}>
            {say.bearing(formatLength(method.lever.bearingMm, props.system, 1))}
          </Caption>
          <Caption x={428} y={212}>
            {say.dial(formatLength(method.lever.dialMm, props.system, 1))}
          </Caption>
        </>
      )}
      {repeats.map((repeat, index) => (
        <Balloon key={repeat} x={60 + index * 32} y={229} text={String(repeat)} state={repeatMark(props, repeat)} />
      ))}
      <Caption x={70 + repeats.length * 32} y={233}>
        {say.upDownTheir}
      </Caption>
    </svg>
  )
}
