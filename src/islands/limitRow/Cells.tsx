import { say } from '../../labels/limitRow'
import type { Cell } from './cell'
import styles from './LimitRow.module.css'

/** So many letters of the usual size have room in a cell. */
const MOST_IN_CELL = 7
const MOST_IN_NEW = 14

/** Longest text of a cell: limits take tables. */
const LONGEST: Readonly<Record<Cell, number>> = { new: 60, plan: 400, wear: 400, whenPassed: 10, document: 40, page: 40 }

interface CellProps {
  /** Place of its row, and the row's own key: by them a key leads from cell to cell. */
  readonly at: number
  readonly row: string
  readonly cell: Cell
  /** “Journal, largest”: whose limit it is. */
  readonly of: string
  readonly value: string
  readonly mayType: boolean
  readonly onType: (text: string) => void
}

export const cellKey = (row: string, cell: string): string => `${row} ${cell}`

/** One cell of a row of limits that takes text. */
export function TextCell({
  at,
  row,
  cell,
  of,
  value,
  placeholder = '',
  mayType,
  isWrong,
  describedBy,
  onType,
}: CellProps & {
  readonly placeholder?: string | undefined
  readonly isWrong: boolean
  readonly describedBy?: string | undefined
}) {
  return (
    <td className={styles.cell} data-cell={cell}>
      <input
        className="figure"
        aria-label={`${of}: ${say.cell[cell]}`}
        data-at={cellKey(row, cell)}
        data-row={at}
        data-cell={cell}
        value={value}
        data-long={value.length > (cell === 'new' ? MOST_IN_NEW : MOST_IN_CELL) || undefined}
        placeholder={placeholder}
        maxLength={LONGEST[cell]}
        autoComplete="off"
        readOnly={!mayType}
        aria-invalid={isWrong || undefined}
        aria-describedby={describedBy}
        onChange={({ target }) => onType(target.value)}
      />
    </td>
  )
}

/** What is done when the limit is passed. */
export function PassedCell({ at, row, of, value, mayType, onType }: Omit<CellProps, 'cell'>) {
  return (
    <td className={styles.cell} data-cell="whenPassed">
      <select
        aria-label={`${of}: ${say.cell.whenPassed}`}
        data-at={cellKey(row, 'whenPassed')}
        data-row={at}
        data-cell="whenPassed"
        value={value}
        disabled={!mayType}
        onChange={({ target }) => onType(target.value)}
      >
        <option value="mend">{say.mend}</option>
        <option value="replace">{say.replace}</option>
      </select>
    </td>
  )
}
