import styles from './DataTable.module.css'
import type { Head } from './useTableModel'

/** The head of a column: a button that sorts by it, the other way round, and back. */
export function SortHead({
  text,
  head,
  right = false,
}: {
  readonly text: string
  readonly head: Head
  readonly right?: boolean
}) {
  const { sorted, toggle } = head
  return (
    <th
      scope="col"
      className={styles.head}
      data-right={right || undefined}
      aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : undefined}
    >
      {text !== '' && (
        <button type="button" className={styles.sort} onClick={toggle}>
          {text}
          <span aria-hidden="true" className={styles.order}>
            {sorted === 'asc' ? '↑' : sorted === 'desc' ? '↓' : ''}
          </span>
        </button>
      )}
    </th>
  )
}
