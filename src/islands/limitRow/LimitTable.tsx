import { Fragment, type ReactNode, useId } from 'react'
import { say } from '../../labels/limitRow'
import { Button } from '../../ui/Button'
import { PassedCell, TextCell } from './Cells'
import type { Cell, Texts } from './cell'
import { overlaid } from './cell'
import styles from './LimitRow.module.css'
import { useCellKeys } from './useCellKeys'

/** A row of a short table of limits, with the cells that it has. */
export interface LimitTableRow {
  readonly key: string
  /** Whose limit it is, in words, and as it is shown or chosen. */
  readonly of: string
  readonly head: ReactNode
  readonly unit: string
  readonly texts: Partial<Texts>
  readonly wrong: (cell: Cell) => string | null
  /** A figure that lies far from what stands beside it. */
  readonly far: readonly [string, string] | null
}

/** The limits of one measurement or fit, a row each, with the keys of the limits sheet. */
export function LimitTable({
  rows,
  cells,
  onType,
  onRemove,
}: {
  readonly rows: readonly LimitTableRow[]
  readonly cells: readonly Cell[]
  readonly onType: (rows: ReadonlyMap<number, Partial<Texts>>) => void
  readonly onRemove?: (at: number) => void
}) {
  const id = useId()
  const keys = useCellKeys({
    keys: rows.map(({ key }) => key),
    asAbove: (at, cell) => {
      const above = rows[at - 1]?.texts[cell]
      if (above !== undefined) onType(new Map([[at, { [cell]: above }]]))
    },
    paste: (at, block) =>
      onType(
        new Map(
          block.flatMap((line, index) => {
            const row = rows[at.row + index]
            return row ? [[at.row + index, overlaid(row.texts, at.cell, line, false)] as const] : []
          }),
        ),
      ),
  })
  const columns = cells.length + 2 + (onRemove ? 1 : 0)
  return (
    <table {...keys} className={styles.table}>
      <thead>
        <tr>
          <th scope="col">{say.value}</th>
          {cells.map((cell) => (
            <Fragment key={cell}>
              <th scope="col" data-cell={cell}>
                {say.cell[cell]}
              </th>
              {cell === 'wear' && (
                <th scope="col" data-cell="unit">
                  {say.unit}
                </th>
              )}
            </Fragment>
          ))}
          {onRemove && (
            <th data-cell="remove">
              <span className="hidden-label">{say.removeColumn}</span>
            </th>
          )}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ key, of, head, unit, texts, wrong, far }, at) => {
          const faults = cells.flatMap((cell) => wrong(cell) ?? [])
          const own = { at, row: key, of, mayType: true }
          const told = [...faults, ...(far ? [say.far(far[0], far[1])] : [])]
          return (
            <Fragment key={key}>
              <tr>
                <th scope="row">{head}</th>
                {cells.map((cell) => {
                  const value = texts[cell] ?? ''
                  const type = (text: string): void => onType(new Map([[at, { [cell]: text }]]))
                  return (
                    <Fragment key={cell}>
                      {cell === 'whenPassed' ? (
                        <PassedCell {...own} value={value} onType={type} />
                      ) : (
                        <TextCell
                          {...own}
                          cell={cell}
                          value={value}
                          isWrong={wrong(cell) !== null}
                          describedBy={told.length > 0 ? `${id}-${at}` : undefined}
                          onType={type}
                        />
                      )}
                      {cell === 'wear' && <td className={styles.unit}>{unit}</td>}
                    </Fragment>
                  )
                })}
                {onRemove && (
                  <td>
                    <Button kind="quiet" onClick={() => onRemove(at)} aria-label={say.remove(of)}>
                      ×
                    </Button>
                  </td>
                )}
              </tr>
              {told.length > 0 && (
                <tr className={styles.told}>
                  <td colSpan={columns} id={`${id}-${at}`} role="alert">
                    {told.join(' ')}
                  </td>
                </tr>
              )}
            </Fragment>
          )
        })}
      </tbody>
    </table>
  )
}
