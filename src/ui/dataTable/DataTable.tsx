import { type ReactNode, useState } from 'react'
import { say } from '../../labels/shell'
import { SearchField } from '../SearchField'
import styles from './DataTable.module.css'
import { SortHead } from './SortHead'
import { type ModelColumn, useTableModel } from './useTableModel'

export interface DataColumn<T> extends ModelColumn<T> {
  readonly head: string
  readonly cell: (row: T) => ReactNode
  /** Figures stand to the right. */
  readonly right?: boolean
}

/** A table that is sorted by its heads and searched by words, in the order its rows come in until somebody asks for another. */
export function DataTable<T extends object>({
  label,
  rows,
  columns,
  keyOf,
  stateOf,
  search,
  empty,
}: {
  readonly label: string
  readonly rows: readonly T[]
  readonly columns: readonly DataColumn<T>[]
  readonly keyOf: (row: T) => string
  /** What a row says of itself by its look. */
  readonly stateOf?: (row: T) => string | undefined
  /** Of the field that searches; without one nothing is searched. */
  readonly search?: string
  readonly empty: string
}) {
  const [words, setWords] = useState('')
  const table = useTableModel(rows, columns, keyOf, words)
  return (
    <div className={styles.whole}>
      {search !== undefined && (
        <div className={styles.search}>
          <SearchField label={search} value={words} onChange={setWords} />
        </div>
      )}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls sideways is reached by keyboard */}
      <section className={styles.scroll} tabIndex={0} aria-label={label}>
        <table className={styles.table}>
          <thead>
            <tr>
              {columns.map(({ id, head, right }) => (
                <SortHead key={id} text={head} head={table.headOf(id)} right={right} />
              ))}
            </tr>
          </thead>
          <tbody>
            {table.rows.map((row) => (
              <tr key={keyOf(row)} data-state={stateOf?.(row)}>
                {columns.map(({ id, cell, right }, at) => {
                  const className = right ? styles.right : undefined
                  return at === 0 ? (
                    <th key={id} scope="row" className={className}>
                      {cell(row)}
                    </th>
                  ) : (
                    <td key={id} className={className}>
                      {cell(row)}
                    </td>
                  )
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      {table.rows.length === 0 && <p role="status">{words === '' ? empty : say.nothingMatches}</p>}
    </div>
  )
}
