import { say } from '../../labels/drawings'
import styles from './PartSketch.module.css'

export interface SketchStation {
  readonly id: string
  readonly label: string
}

const WIDTH = 260
const HEIGHT = 120
const EDGE = 16

/** A part seen from its side, with its stations along it: tap one to say where; tap it again to take that back. */
export function PartSketch({
  name,
  form,
  stations,
  value,
  marked = [],
  onChange,
  disabled = false,
}: {
  readonly name: string
  readonly form: 'round' | 'flat'
  readonly stations: readonly SketchStation[]
  readonly value: string | null
  readonly marked?: readonly string[]
  readonly onChange: (station: string | null) => void
  readonly disabled?: boolean
}) {
  const along = (index: number): number => EDGE + ((index + 0.5) * (WIDTH - 2 * EDGE)) / Math.max(1, stations.length)
  const cell = (WIDTH - 2 * EDGE) / Math.max(1, stations.length)
  return (
    <div className={styles.side}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} aria-hidden="true">
        <rect className={styles.body} x={EDGE} y={24} width={WIDTH - 2 * EDGE} height={72} rx={form === 'round' ? 2 : 6} />
        {form === 'round' && <path className={styles.axis} d={`M2 60H${WIDTH - 2}`} />}
        {stations.map((station, index) => (
          <g
            key={station.id}
            className={styles.station}
            data-chosen={station.id === value || undefined}
            data-marked={marked.includes(station.id) || undefined}
            onPointerDown={() => !disabled && onChange(station.id === value ? null : station.id)}
          >
            <rect className={styles.reach} x={along(index) - cell / 2} y={10} width={cell} height={100} />
            <path d={`M${along(index)} 24V96`} />
            <circle cx={along(index)} cy={60} r={13} />
            <text x={along(index)} y={64.5}>
              {station.id}
            </text>
          </g>
        ))}
      </svg>
      {stations.length > 0 && (
        <fieldset className={styles.stations} disabled={disabled}>
          <legend className="hidden-label">{say.station(name)}</legend>
          {stations.map((station) => (
            <label key={station.id} data-chosen={station.id === value || undefined}>
              <input type="radio" name={`station-${name}`} checked={station.id === value} onChange={() => onChange(station.id)} />
              <b className="figure">{station.id}</b> {station.label}
            </label>
          ))}
        </fieldset>
      )}
    </div>
  )
}
