import type { PictureMark } from '../../core/notes/shapes'
import styles from './Pictures.module.css'

/** What was drawn on a picture, over it at any size. */
export function MarksOverlay({
  marks,
  width,
  height,
}: {
  readonly marks: readonly PictureMark[]
  readonly width: number
  readonly height: number
}) {
  if (marks.length === 0) return null
  const unit = Math.max(width, height) / 100
  return (
    <svg className={styles.overlay} viewBox={`0 0 ${width} ${height}`} preserveAspectRatio={'xMidYMid meet'} aria-hidden="true">
      {marks.map((mark, index) => (
        // Marks have no ids and never change places.
        // biome-ignore lint/suspicious/noArrayIndexKey: a list that is only ever replaced as a whole
        <MarkShape key={index} mark={mark} width={width} height={height} unit={unit} />
      ))}
    </svg>
  )
}

interface ShapeProps {
  readonly mark: PictureMark
  readonly width: number
  readonly height: number
  readonly unit: number
}

function MarkShape({ mark, width, height, unit }: ShapeProps) {
  const x = (part: number): number => part * width
  const y = (part: number): number => part * height
  switch (mark.kind) {
    case 'ring':
      return (
        <ellipse cx={x(mark.at[0])} cy={y(mark.at[1])} rx={x(mark.radius[0])} ry={y(mark.radius[1])} strokeWidth={unit * 0.7} />
      )
    case 'arrow': {
      const [fromX, fromY, toX, toY] = [x(mark.from[0]), y(mark.from[1]), x(mark.to[0]), y(mark.to[1])]
      const angle = Math.atan2(toY - fromY, toX - fromX)
      const barb = (side: number): string =>
        `${toX - unit * 4 * Math.cos(angle + side)} ${toY - unit * 4 * Math.sin(angle + side)}`
      return <path d={`M${fromX} ${fromY}L${toX} ${toY}M${barb(0.45)}L${toX} ${toY}L${barb(-0.45)}`} strokeWidth={unit * 0.7} />
    }
    case 'text':
      return (
        <text x={x(mark.at[0])} y={y(mark.at[1])} fontSize={unit * 4} strokeWidth={unit * 0.8}>
          {mark.text}
        </text>
      )
  }
}
