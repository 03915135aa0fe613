import { Fragment, type ReactNode, useEffect, useRef } from 'react'
import { say } from '../../labels/verdicts'
import { RowGap } from '../../ui/dataTable/RowGap'
import { useRowWindow } from '../../ui/dataTable/useRowWindow'
import type { BoardRow } from '../decisions/useBoard'
import type { RowPlace } from './PartRow'
import styles from './VerdictBoard.module.css'

/** A part, its reasons under it, or the head of those of an assembly. */
export type BoardItem =
  | { readonly kind: 'assembly'; readonly name: string }
  | { readonly kind: 'part' | 'reasons'; readonly row: BoardRow }

const COLUMNS = 8
/** Height of most rows, px. */
const ROW_PX = 54
const keyOf = (item: BoardItem): string => `${item.kind} ${item.kind === 'assembly' ? item.name : item.row.part.id}`
const partIn = (item: BoardItem | undefined): string | null => (item?.kind === 'part' ? item.row.part.id : null)

export interface BoardTableProps {
  readonly items: readonly BoardItem[]
  readonly head: ReactNode
  readonly foot: ReactNode
  readonly rowOf: (item: Exclude<BoardItem, { kind: 'assembly' }>, place: RowPlace) => ReactNode
  /** A key pressed on a part; true where it has done something. */
  readonly onKey: (key: string, row: BoardRow, isOnRow: boolean) => boolean
}

/** The parts of the board. Arrows go from part to part, also to those that are out of sight. */
export function BoardTable({ items, head, foot, rowOf, onKey }: BoardTableProps) {
  const table = useRef<HTMLTableElement>(null)
  const rows = useRowWindow(table, items.map(keyOf), ROW_PX)
  const wanted = useRef<string | null>(null)
  const drawnRow = (part: string): HTMLElement | undefined =>
    [...(table.current?.querySelectorAll<HTMLElement>('tr[data-part]') ?? [])].find(({ dataset }) => dataset.part === part)
  const go = (from: number, step: 1 | -1): void => {
    let at = from + step
    while (items[at] && partIn(items[at]) === null) at += step
    const part = partIn(items[at])
    if (part === null) return
    const drawn = drawnRow(part)
    if (drawn) return drawn.focus()
    wanted.current = part
    rows.scrollTo(at)
  }
  useEffect(() => {
    const row = wanted.current === null ? undefined : drawnRow(wanted.current)
    if (!row) return
    wanted.current = null
    row.focus()
  })
  const pressed = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented || document.querySelector('dialog[open]')) return
    const target = event.target as HTMLElement
    if (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) return
    const here = target.closest<HTMLElement>('tr[data-part]')
    const at = here ? items.findIndex((item) => partIn(item) === here.dataset.part) : -1
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key] as 1 | -1 | undefined
    const item = items[at]
    // Nothing is chosen yet: the arrows begin at the first row, or at the last.
    if (step !== undefined && (item || target === document.body)) go(item ? at : step === 1 ? -1 : items.length, step)
    else if (item?.kind !== 'part' || !onKey(event.key, item.row, target === here)) return
    event.preventDefault()
  }
  useEffect(() => {
    addEventListener('keydown', pressed)
    return () => removeEventListener('keydown', pressed)
  })
  return (
    <table
      ref={table}
      className={styles.table}
      data-long={rows.isPart || undefined}
      aria-rowcount={rows.isPart ? items.length + 1 : undefined}
    >
      <caption className="hidden-label">{say.partsRecommendedDecided}</caption>
      {head}
      <tbody>
        <RowGap px={rows.before} columns={COLUMNS} />
        {rows.drawn.map((index) => {
          const item = items[index]
          if (!item) return null
          const place = { 'data-index': index, 'aria-rowindex': rows.isPart ? index + 2 : undefined, ref: rows.measure }
          if (item.kind !== 'assembly') return <Fragment key={keyOf(item)}>{rowOf(item, place)}</Fragment>
          return (
            <tr key={keyOf(item)} {...place}>
              <th colSpan={COLUMNS} scope="colgroup" className={styles.assembly}>
                {item.name}
              </th>
            </tr>
          )
        })}
        <RowGap px={rows.after} columns={COLUMNS} />
      </tbody>
      {foot}
    </table>
  )
}
