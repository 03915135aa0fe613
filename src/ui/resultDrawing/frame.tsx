import type { ReactNode } from 'react'
import styles from './ResultDrawing.module.css'

export const WIDTH = 300

/** A result drawing with its title; what it shows is also said in figures beside it. */
export function Frame({
  title,
  height,
  children,
}: {
  readonly title: string
  readonly height: number
  readonly children: ReactNode
}) {
  return (
    <figure className={styles.frame}>
      <figcaption className={styles.title}>{title}</figcaption>
      <svg viewBox={`0 0 ${WIDTH} ${height}`} width="100%" aria-hidden="true">
        {children}
      </svg>
    </figure>
  )
}

export { styles }

/** Scale from values to pixels, with air at both ends; a flat set still gets a height. */
export function scaleTo(values: readonly number[], from: number, to: number): (value: number) => number {
  const low = Math.min(...values)
  const high = Math.max(...values)
  const span = high - low || Math.abs(high) * 1e-6 || 1
  return (value) => from + ((value - low) / span) * (to - from)
}

/** A point on a circle, for an angle clockwise from the top. */
export const around = (cx: number, cy: number, radius: number, angleDeg: number): { x: number; y: number } => {
  const turn = (angleDeg * Math.PI) / 180
  return { x: cx + radius * Math.sin(turn), y: cy - radius * Math.cos(turn) }
}
