import type { MethodOf } from '../../core/method/method'
import { say } from '../../labels/drawings'
import { Balloon, Caption, useHatches } from './drawing'
import styles from './MethodSketch.module.css'
import { onCircle, placeMark, type SketchProps, valueAt } from './marks'

/** The grid on the part as the marking paste shows it: full, partial, none. */
export function ContactSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'contactPattern'> }) {
  const { hatches, defs } = useHatches()
  const width = Math.min(56, 420 / method.columns.length)
  const height = Math.min(34, 170 / method.rows.length)
  const left = 300 - (width * method.columns.length) / 2
  // As high as its rows: the sheet below, on which it is painted, needs the room.
  const top = 22
  const bottom = top + height * method.rows.length
  return (
    <svg className={styles.sketch} viewBox={`0 0 600 ${bottom + 30}`} aria-hidden="true">
      {defs}
      {method.rows.map((row, y) =>
        method.columns.map((column, x) => {
          const value = valueAt(props, column.id, row.id)
          const state = placeMark(props, column.id, row.id)
          const fill = value === 100 ? 'var(--blue)' : value === 50 ? hatches.lining : 'none'
          return (
            <g key={`${column.id}/${row.id}`} className={styles.measure} data-state={state}>
              <rect
                x={left + x * width + 1.5}
                y={top + y * height + 1.5}
                width={width - 3}
                height={height - 3}
                style={{ fill: fill === 'none' ? 'var(--sheet)' : fill }}
                strokeWidth={state === 'now' ? 2.4 : 1}
                strokeDasharray={value === undefined && state !== 'now' ? '3 3' : undefined}
              />
              {value === 0 && (
                <path d={`M${left + (x + 0.35) * width} ${top + (y + 0.5) * height}h${width * 0.3}`} strokeWidth="1.2" />
              )}
            </g>
          )
        }),
      )}
      {method.columns.map(({ id }, x) => (
        <Caption key={id} x={left + (x + 0.5) * width} y={top - 6} anchor="middle">
          {id}
        </Caption>
      ))}
      {method.rows.map(({ id }, y) => (
        <Caption key={id} x={left - 8} y={top + (y + 0.5) * height + 4} anchor="end">
          {id}
        </Caption>
      ))}
      <Caption x={300} y={bottom + 22} anchor="middle">
        {say.filledFullContact}
      </Caption>
    </svg>
  )
}

/** Numbered elements in rings or rows, with what is known of each. */
export function ElementsSketch({ method, ...props }: SketchProps & { readonly method: MethodOf<'elementPattern'> }) {
  const { defs } = useHatches()
  const group = method.groups.find(({ id }) => id === props.active?.station) ?? method.groups[0]
  if (!group) return null
  const size = group.count > 28 ? 6 : group.count > 18 ? 8 : 11
  return (
    <svg className={styles.sketch} viewBox="0 0 600 244" aria-hidden="true">
      {defs}
      {method.arranged === 'rings' && <circle className={styles.face} cx="300" cy="116" r="70" />}
      {Array.from({ length: group.count }, (_, index) => {
        const id = String(index + 1)
        const perRow = Math.ceil(group.count / Math.ceil(group.count / 18))
        const at =
          method.arranged === 'rings'
            ? onCircle(300, 116, 92, (360 * index) / group.count)
            : { x: 300 + ((index % perRow) - (perRow - 1) / 2) * 28, y: 70 + Math.floor(index / perRow) * 34 }
        const value = valueAt(props, group.id, id)
        const state = placeMark(props, group.id, id)
        const damaged = value !== undefined && value >= method.damagedFromPercent
        return (
          <g key={id} className={styles.measure} data-state={state}>
            <rect
              x={at.x - size}
              y={at.y - size}
              width={2 * size}
              height={2 * size}
              style={{ fill: 'var(--sheet)' }}
              strokeWidth={state === 'now' ? 2.4 : 1}
            />
            {value !== undefined && value > 0 && (
              <rect
                x={at.x - size}
                y={at.y - size}
                width={2 * size}
                height={(2 * size * value) / 100}
                style={{ fill: damaged ? 'var(--scribe)' : 'var(--band-used)' }}
                stroke="none"
              />
            )}
            {size > 7 && (
              <text x={at.x} y={at.y + 4} textAnchor="middle">
                {id}
              </text>
            )}
          </g>
        )
      })}
      <Caption x={300} y={120} anchor="middle">
        {method.arranged === 'rings' ? `${group.label}: ${group.count} × ${method.element}` : ''}
      </Caption>
      <Caption x={300} y={236} anchor="middle">
        {say.filledAsFar(method.damagedFromPercent)}
      </Caption>
      {method.groups.length > 1 &&
        method.groups.map(({ id }, index) => (
          <Balloon key={id} x={40} y={40 + index * 30} text={id} state={id === group.id ? 'now' : 'open'} />
        ))}
    </svg>
  )
}
