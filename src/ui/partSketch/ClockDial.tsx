import { say } from '../../labels/drawings'
import styles from './PartSketch.module.css'

const HOURS = [12, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11] as const
const CENTRE = 60
const RADIUS = 44

const at = (hour: number, radius: number): [number, number] => {
  const angle = ((hour % 12) * Math.PI) / 6
  return [CENTRE + radius * Math.sin(angle), CENTRE - radius * Math.cos(angle)]
}

/** The face of a round part as a clock, seen from where the book looks: tap an hour, or choose it with the arrow keys. */
export function ClockDial({
  label,
  value,
  marked = [],
  onChange,
  disabled = false,
}: {
  readonly label: string
  readonly value: number | null
  /** Hours where something is on record already. */
  readonly marked?: readonly number[]
  readonly onChange: (hour: number | null) => void
  readonly disabled?: boolean
}) {
  const turn = (by: number): void => onChange(value === null ? 12 : ((value + by + 11) % 12) + 1)
  return (
    <div
      className={styles.dial}
      role="slider"
      aria-label={label}
      aria-valuemin={1}
      aria-valuemax={12}
      aria-valuenow={value ?? 12}
      aria-valuetext={value === null ? say.noHourChosen : `${value} o’clock`}
      aria-disabled={disabled || undefined}
      tabIndex={disabled ? -1 : 0}
      onKeyDown={(event) => {
        if (disabled) return
        if (event.key === 'ArrowRight' || event.key === 'ArrowUp') turn(1)
        else if (event.key === 'ArrowLeft' || event.key === 'ArrowDown') turn(-1)
        else if (event.key === 'Backspace' || event.key === 'Delete') onChange(null)
        else return
        event.preventDefault()
      }}
    >
      <svg viewBox="0 0 120 120" aria-hidden="true">
        <circle className={styles.body} cx={CENTRE} cy={CENTRE} r={RADIUS} />
        <path className={styles.axis} d={`M${CENTRE} 4V116M4 ${CENTRE}H116`} />
        {HOURS.map((hour) => {
          const [x, y] = at(hour, RADIUS)
          return (
            // The dial itself is the control; hours are places on it.
            <g
              key={hour}
              className={styles.hour}
              data-chosen={hour === value || undefined}
              data-marked={marked.includes(hour) || undefined}
              onPointerDown={() => !disabled && onChange(hour === value ? null : hour)}
            >
              <circle className={styles.reach} cx={x} cy={y} r={13} />
              <circle className={styles.dot} cx={x} cy={y} r={hour === value ? 10 : 8.5} />
              <text x={x} y={y + 3.6}>
                {hour}
              </text>
            </g>
          )
        })}
      </svg>
    </div>
  )
}
