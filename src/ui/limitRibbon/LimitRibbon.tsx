import type { UnitSystem } from '../../core/quantity/unitSystem'
import type { RibbonModel } from '../../drawing/ribbonScale'
import { describeRibbon, ribbonShapes, type Shape, type Tone } from '../../drawing/ribbonShapes'
import styles from './LimitRibbon.module.css'

export interface LimitRibbonProps {
  readonly model: RibbonModel
  readonly width: number
  readonly labels?: boolean
  readonly system: UnitSystem
}

const colour: Record<Tone, string> = {
  ink: 'var(--ink)',
  faint: 'var(--ink-3)',
  track: 'var(--band-track)',
  bandNew: 'var(--band-new)',
  bandUsed: 'var(--band-used)',
  bandEdge: 'var(--blue)',
  plan: 'var(--recondition)',
  wear: 'var(--replace)',
  guard: 'var(--hold)',
  pointer: 'var(--pointer)',
  sheet: 'var(--sheet)',
  label: 'var(--ink-2)',
}

/**
 * The limit ribbon: a characteristic on the scale of its own limits. New band, allowance used, plan limit, hatched zone
 * beyond the wear limit with its guard band, readings as ticks, the result as a pointer with its uncertainty, the last
 * overhaul's result as an outline, the forecast as an arrow.
 */
export function LimitRibbon({ model, width, labels = false, system }: LimitRibbonProps) {
  const drawing = ribbonShapes(model, { width, labels, system })
  return (
    <svg
      className={styles.ribbon}
      data-grade={model.result?.grade ?? 0}
      style={{ maxWidth: width * 1.5 }}
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      role="img"
      aria-label={describeRibbon(model, system)}
    >
      {drawing.shapes.map((shape, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: shapes have no state and two may be alike
        <Drawn key={index} shape={shape} />
      ))}
    </svg>
  )
}

/** One shape of a drawing, in the colours of the page. */
export function Drawn({ shape }: { readonly shape: Shape }) {
  switch (shape.kind) {
    case 'rect':
      return (
        <rect
          x={shape.x}
          y={shape.y}
          width={shape.width}
          height={shape.height}
          fill={colour[shape.fill]}
          opacity={shape.opacity}
        />
      )
    case 'line':
      return (
        <line
          x1={shape.x1}
          y1={shape.y1}
          x2={shape.x2}
          y2={shape.y2}
          stroke={colour[shape.stroke]}
          strokeWidth={shape.width}
          strokeDasharray={shape.dash}
          opacity={shape.opacity}
        />
      )
    case 'path':
      return (
        <path
          d={shape.d}
          fill={shape.fill ? colour[shape.fill] : 'none'}
          stroke={colour[shape.stroke]}
          strokeWidth={shape.width}
          opacity={shape.opacity}
        />
      )
    case 'text':
      return (
        <text className={styles.label} x={shape.x} y={shape.y} textAnchor={shape.anchor ?? 'middle'} fill={colour[shape.fill]}>
          {shape.text}
        </text>
      )
  }
}
