import { useVirtualizer } from '@tanstack/react-virtual'
import { type KeyboardEvent, memo, useEffect, useRef, useState } from 'react'
import { say } from '../../labels/strip'
import styles from './StripMap.module.css'
import type { TreeRow } from './stripModel'

export interface StripTreeProps {
  readonly jobId: string
  readonly rows: readonly TreeRow[]
  readonly selected: string | null
  readonly mayMove: boolean
  readonly dragged: string | null
  readonly onSelect: (id: string) => void
  readonly onToggle: (id: string) => void
  readonly onLayOut: (id: string) => void
  readonly onPutBack: (id: string) => void
  readonly onTag: () => void
}

/** Height of a row, px; larger where fingers press. */
const ROW_PX = typeof matchMedia === 'function' && matchMedia('(pointer: coarse)').matches ? 44 : 32
const ROW_ID = 'row-'
const domId = (id: string): string => `${ROW_ID}${id}`
/** The position that a row of the tree stands for. */
export const positionOfRow = (rowId: string): string => rowId.slice(ROW_ID.length)

/** The machine as a tree by position. One stop for Tab; arrow keys move, Enter lays out, Backspace puts back. */
export function StripTree(props: StripTreeProps) {
  const { rows, selected } = props
  const tree = useRef<HTMLDivElement>(null)
  // Only the rows in sight are drawn: a machine has hundreds, and each of them can be dragged.
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => tree.current,
    estimateSize: () => ROW_PX,
    getItemKey: (index) => rows[index]?.id ?? index,
    initialRect: { width: 320, height: 480 },
    overscan: 8,
  })
  const pictures = useAfterFirstFrame()
  const at = rows.findIndex(({ id }) => id === selected)
  useEffect(() => {
    if (at >= 0) virtual.scrollToIndex(at, { align: 'auto' })
  }, [at, virtual])

  function onKeyDown(event: KeyboardEvent): void {
    const row = rows[at]
    const go = (index: number): void => {
      const next = rows[Math.min(rows.length - 1, Math.max(0, index))]
      if (next) props.onSelect(next.id)
    }
    if (event.altKey || event.ctrlKey || event.metaKey) return
    switch (event.key) {
      case 'ArrowDown':
        go(at + 1)
        break
      case 'ArrowUp':
        go(at - 1)
        break
      case 'Home':
        go(0)
        break
      case 'End':
        go(rows.length - 1)
        break
      case 'ArrowRight':
        if (row?.hasChildren && !row.open) props.onToggle(row.id)
        else go(at + 1)
        break
      case 'ArrowLeft':
        if (row?.hasChildren && row.open) props.onToggle(row.id)
        else go(parentIndex(rows, at))
        break
      case 'Enter':
        if (row) props.onLayOut(row.id)
        break
      case 'Backspace':
        if (row) props.onPutBack(row.id)
        break
      case 't':
        props.onTag()
        break
      default:
        return
    }
    event.preventDefault()
  }

  return (
    <div
      ref={tree}
      className={styles.tree}
      role="tree"
      aria-label={say.machinePosition}
      tabIndex={0}
      aria-activedescendant={selected === null ? undefined : domId(selected)}
      onKeyDown={onKeyDown}
      onFocus={() => {
        const first = rows[0]
        if (selected === null && first) props.onSelect(first.id)
      }}
    >
      <div className={styles.rows} style={{ blockSize: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, start }) => {
          const row = rows[index]
          return row ? (
            <Row
              key={row.id}
              row={row}
              place={index + 1}
              of={rows.length}
              start={start}
              jobId={props.jobId}
              selected={row.id === selected}
              mayMove={props.mayMove}
              dragged={row.id === props.dragged}
              pictures={pictures}
              onSelect={props.onSelect}
              onToggle={props.onToggle}
            />
          ) : null
        })}
      </div>
    </div>
  )
}

/**
 * Pictures are asked for once the map is alive and drawn: their frames stand from the beginning, and two dozen of them
 * would keep its scripts waiting for a connection.
 */
function useAfterFirstFrame(): boolean {
  const [drawn, setDrawn] = useState(false)
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => setDrawn(true))
    })
    return () => {
      cancelAnimationFrame(frame)
      clearTimeout(timer)
    }
  }, [])
  return drawn
}

function parentIndex(rows: readonly TreeRow[], at: number): number {
  const depth = rows[at]?.depth ?? 0
  for (let index = at - 1; index >= 0; index -= 1) if ((rows[index]?.depth ?? 0) < depth) return index
  return at
}

interface RowProps {
  readonly row: TreeRow
  /** Its place among all rows, for those who hear the tree. */
  readonly place: number
  readonly of: number
  /** Where it lies, px from the top. */
  readonly start: number
  readonly jobId: string
  readonly selected: boolean
  readonly mayMove: boolean
  readonly dragged: boolean
  /** Its picture is asked for. */
  readonly pictures: boolean
  readonly onSelect: (id: string) => void
  readonly onToggle: (id: string) => void
}

const sameRow = (a: RowProps, b: RowProps): boolean =>
  a.selected === b.selected &&
  a.place === b.place &&
  a.of === b.of &&
  a.start === b.start &&
  a.mayMove === b.mayMove &&
  a.dragged === b.dragged &&
  a.pictures === b.pictures &&
  a.onSelect === b.onSelect &&
  a.onToggle === b.onToggle &&
  (Object.keys(a.row) as (keyof TreeRow)[]).every((key) => a.row[key] === b.row[key])

const Row = memo(function Row(props: RowProps) {
  const { row, selected, mayMove, onSelect, onToggle } = props
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the tree around it answers the keys for all its rows
    <div
      id={domId(row.id)}
      className={styles.row}
      role="treeitem"
      tabIndex={-1}
      aria-level={row.depth + 1}
      aria-posinset={props.place}
      aria-setsize={props.of}
      aria-selected={selected}
      aria-expanded={row.hasChildren ? row.open : undefined}
      data-out={row.tray !== null || undefined}
      data-drag={mayMove ? row.id : undefined}
      data-dragging={props.dragged || undefined}
      style={{ paddingInlineStart: 8 + row.depth * 18, transform: `translateY(${props.start}px)`, blockSize: ROW_PX }}
      onClick={() => onSelect(row.id)}
    >
      {row.hasChildren ? (
        <span
          className={styles.fold}
          aria-hidden="true"
          data-open={row.open || undefined}
          onPointerDown={(event) => {
            event.stopPropagation()
            onToggle(row.id)
          }}
        />
      ) : (
        <span className={styles.leaf} aria-hidden="true" />
      )}
      {row.picture && (
        <img
          className={styles.thumb}
          src={props.pictures ? `/api/jobs/${props.jobId}/pictures/${row.picture}?small` : undefined}
          alt=""
          width={32}
          height={24}
          loading="lazy"
          decoding="async"
        />
      )}
      <span className={styles.rowName}>{row.name}</span>
      {row.count > 1 && <span className={`figure ${styles.times}`}> ×{row.count}</span>}
      {row.faults > 0 && (
        <span className={styles.faultMark} title={say.missingOf(row.faults)}>
          !<span className="hidden-label"> {say.missingOf(row.faults)}</span>
        </span>
      )}
      {row.hasChildren && row.below > 0 && (
        <span className={`figure ${styles.below}`}>
          {row.out}/{row.below}
        </span>
      )}
      {row.tray !== null && (
        <span className={`figure ${styles.number}`} title={row.tray}>
          {row.number === '' ? '–' : row.number}
          <span className="hidden-label">{say.outIn(row.tray)}</span>
        </span>
      )}
    </div>
  )
}, sameRow)
