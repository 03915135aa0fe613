import { memo } from 'react'
import type { NotedPosition } from '../../core/notes/state'
import { say } from '../../labels/strip'
import styles from './StripMap.module.css'
import type { Dragging } from './useDragging'

export interface TraysProps {
  readonly trays: readonly { readonly name: string; readonly positions: readonly NotedPosition[] }[]
  readonly current: string
  readonly selected: string | null
  readonly mayMove: boolean
  readonly dragging: Dragging | null
  readonly onCurrent: (tray: string) => void
  readonly onSelect: (id: string) => void
  readonly onShift: (id: string, by: 1 | -1) => void
}

/** The trays with their parts in order of removal. */
export function Trays(props: TraysProps) {
  return (
    <div className={styles.trays}>
      {props.trays.map((tray) => (
        <Tray key={tray.name} {...props} tray={tray} />
      ))}
    </div>
  )
}

function Tray({ tray, ...props }: TraysProps & { readonly tray: TraysProps['trays'][number] }) {
  const isCurrent = tray.name === props.current
  const target = props.dragging?.target
  const over = target?.kind === 'tray' && target.tray === tray.name ? target : null
  return (
    <section
      className={styles.tray}
      data-over={over !== null || undefined}
      data-current={isCurrent || undefined}
      data-tray={tray.name}
      aria-label={tray.name}
    >
      <button type="button" className={styles.trayName} aria-pressed={isCurrent} onClick={() => props.onCurrent(tray.name)}>
        {tray.name}
        <span className={`figure ${styles.below}`}>{tray.positions.length}</span>
      </button>
      <ol className={styles.cards} data-first={over?.after === null || undefined}>
        {tray.positions.map((position) => (
          <Card
            key={position.id}
            position={position}
            selected={position.id === props.selected}
            mayMove={props.mayMove}
            dragged={position.id === props.dragging?.id}
            insert={position.id === over?.after}
            onSelect={props.onSelect}
            onShift={props.onShift}
          />
        ))}
        {tray.positions.length === 0 && <li className={styles.emptyTray}>{say.dragPartsHere}</li>}
      </ol>
    </section>
  )
}

const Card = memo(function Card({
  position,
  selected,
  mayMove,
  dragged,
  insert,
  onSelect,
  onShift,
}: {
  readonly position: NotedPosition
  readonly selected: boolean
  readonly mayMove: boolean
  readonly dragged: boolean
  readonly insert: boolean
  readonly onSelect: (id: string) => void
  readonly onShift: (id: string, by: 1 | -1) => void
}) {
  return (
    <li className={styles.cardPlace} data-insert={insert || undefined} data-card={position.id}>
      <button
        type="button"
        className={styles.card}
        aria-current={selected ? 'true' : undefined}
        data-drag={mayMove ? position.id : undefined}
        data-dragging={dragged || undefined}
        onClick={() => onSelect(position.id)}
        onKeyDown={(event) => {
          if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
          event.preventDefault()
          onShift(position.id, event.key === 'ArrowUp' ? -1 : 1)
        }}
      >
        <span className={`figure ${styles.cardNumber}`}>{position.tag?.number || '–'}</span>
        <span className={styles.rowName}>{position.name}</span>
        <span className={styles.cardFacts}>
          {[position.tag?.face, position.tag?.clock ? `${position.tag.clock} o’clock` : '', position.thickness?.text]
            .filter(Boolean)
            .join(' · ')}
        </span>
      </button>
    </li>
  )
})
