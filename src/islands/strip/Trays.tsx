import { useDraggable, useDroppable } from '@dnd-kit/core'
import { memo } from 'react'
import type { WorkPosition } from '../../core/work/fold'
import styles from './StripMap.module.css'

/** Where a dragged part would go: into a tray behind another part, or back into the machine. */
export interface DropPlace {
  readonly tray: string
  readonly after: string | null
}

export interface TraysProps {
  readonly trays: readonly { readonly name: string; readonly positions: readonly WorkPosition[] }[]
  readonly current: string
  readonly selected: string | null
  readonly mayMove: boolean
  readonly place: DropPlace | null
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
  const { setNodeRef, isOver } = useDroppable({ id: `tray:${tray.name}`, data: { tray: tray.name } })
  const isCurrent = tray.name === props.current
  const first = props.place?.tray === tray.name && props.place.after === null
  return (
    <section
      ref={setNodeRef}
      className={styles.tray}
      data-over={isOver || undefined}
      data-current={isCurrent || undefined}
      data-tray={tray.name}
      aria-label={tray.name}
    >
      <button type="button" className={styles.trayName} aria-pressed={isCurrent} onClick={() => props.onCurrent(tray.name)}>
        {tray.name}
        <span className={`figure ${styles.below}`}>{tray.positions.length}</span>
      </button>
      <ol className={styles.cards} data-first={first || undefined}>
        {tray.positions.map((position) => (
          <Card
            key={position.id}
            position={position}
            selected={position.id === props.selected}
            mayMove={props.mayMove}
            insert={props.place?.tray === tray.name && props.place.after === position.id}
            onSelect={props.onSelect}
            onShift={props.onShift}
          />
        ))}
        {tray.positions.length === 0 && <li className={styles.emptyTray}>Drag parts here, or press Enter on one in the tree.</li>}
      </ol>
    </section>
  )
}

const Card = memo(function Card({
  position,
  selected,
  mayMove,
  insert,
  onSelect,
  onShift,
}: {
  readonly position: WorkPosition
  readonly selected: boolean
  readonly mayMove: boolean
  readonly insert: boolean
  readonly onSelect: (id: string) => void
  readonly onShift: (id: string, by: 1 | -1) => void
}) {
  const { setNodeRef, listeners, isDragging } = useDraggable({
    id: `card:${position.id}`,
    data: { position: position.id, name: position.name },
    disabled: !mayMove,
  })
  return (
    <li className={styles.cardPlace} data-insert={insert || undefined} data-card={position.id}>
      <button
        type="button"
        ref={setNodeRef}
        className={styles.card}
        aria-current={selected ? 'true' : undefined}
        data-dragging={isDragging || undefined}
        onClick={() => onSelect(position.id)}
        {...listeners}
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
