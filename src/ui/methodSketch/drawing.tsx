import { useId } from 'react'
import styles from './MethodSketch.module.css'

/** taken: read already; now: the one to be read; open: not yet. */
export type MarkState = 'taken' | 'now' | 'open'

interface Hatches {
  readonly metal: string
  readonly lining: string
}

/** Hatching of cut faces, as on an engineering drawing: wide for the body, narrow and crossed the other way for a lining. */
export function useHatches(): { readonly hatches: Hatches; readonly defs: React.ReactNode } {
  const id = useId()
  const metal = `${id}m`
  const lining = `${id}l`
  const defs = (
    <defs>
      <pattern id={metal} width="7" height="7" patternTransform="rotate(45)" patternUnits="userSpaceOnUse">
        <line x1="0" y1="0" x2="0" y2="7" stroke="var(--ink)" strokeWidth=".8" />
      </pattern>
      <pattern id={lining} width="4" height="4" patternTransform="rotate(-45)" patternUnits="userSpaceOnUse">
        <line x1="0" y1="0" x2="0" y2="4" stroke="var(--ink)" strokeWidth=".6" />
      </pattern>
    </defs>
  )
  return { hatches: { metal: `url(#${metal})`, lining: `url(#${lining})` }, defs }
}

interface Span {
  readonly x1: number
  readonly y1: number
  readonly x2: number
  readonly y2: number
  readonly state: MarkState
  /** Arrowheads point outward (a bore) or inward (a journal held from outside). */
  readonly heads?: 'outward' | 'inward'
}

/** A dimension between two points with its arrowheads. */
export function Dimension({ x1, y1, x2, y2, state, heads = 'outward' }: Span) {
  const angle = (Math.atan2(y2 - y1, x2 - x1) * 180) / Math.PI
  const turn = heads === 'outward' ? 0 : 180
  return (
    <g className={styles.measure} data-state={state}>
      <line x1={x1} y1={y1} x2={x2} y2={y2} />
      <path d="M0 0l-9 -4v8z" transform={`translate(${x2} ${y2}) rotate(${angle + turn})`} />
      <path d="M0 0l-9 -4v8z" transform={`translate(${x1} ${y1}) rotate(${angle + 180 + turn})`} />
    </g>
  )
}

/** A station's letter in its balloon. */
export function Balloon({
  x,
  y,
  text,
  state,
}: {
  readonly x: number
  readonly y: number
  readonly text: string
  readonly state: MarkState
}) {
  return (
    <g className={styles.measure} data-state={state}>
      <circle className={styles.balloon} cx={x} cy={y} r="11" />
      <text x={x} y={y + 4.5} textAnchor="middle" data-long={text.length > 2 ? '' : undefined}>
        {text}
      </text>
    </g>
  )
}

export function Mark({
  x,
  y,
  text,
  state,
}: {
  readonly x: number
  readonly y: number
  readonly text: string
  readonly state: MarkState
}) {
  return (
    <g className={styles.measure} data-state={state}>
      <text x={x} y={y} textAnchor="middle">
        {text}
      </text>
    </g>
  )
}

export function Caption({
  x,
  y,
  children,
  anchor = 'start',
}: {
  readonly x: number
  readonly y: number
  readonly children: string
  readonly anchor?: 'start' | 'middle' | 'end'
}) {
  return (
    <text className={styles.caption} x={x} y={y} textAnchor={anchor}>
      {children}
    </text>
  )
}

/** A dial indicator with its needle. */
export function Dial({
  x,
  y,
  state,
  small = false,
}: {
  readonly x: number
  readonly y: number
  readonly state: MarkState
  readonly small?: boolean
}) {
  const radius = small ? 20 : 36
  return (
    <g>
      <circle className={styles.face} cx={x} cy={y} r={radius} />
      <circle className={styles.thin} cx={x} cy={y} r={radius - (small ? 5 : 8)} strokeDasharray="1 4.86" />
      <g className={styles.measure} data-state={state}>
        <path d={`M${x} ${y}l${radius * 0.4} ${-radius * 0.55}`} strokeWidth="2.4" />
      </g>
    </g>
  )
}
