import {
  type ColumnDef,
  columnFilteringFeature,
  constructFilterFn,
  constructSortFn,
  createFilteredRowModel,
  createSortedRowModel,
  globalFilteringFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table'
import { useMemo } from 'react'
import { hasWords } from '../../core/base/search'

/** What the rows of a table are sorted and found by, column by column. */
export interface ModelColumn<T> {
  readonly id: string
  readonly by: (row: T) => string | number
}

export interface Head {
  readonly sorted: false | 'asc' | 'desc'
  readonly toggle: (event: unknown) => void
}

export interface TableModel<T> {
  /** What the words find, in the order that was asked for. */
  readonly rows: readonly T[]
  /** Somebody asked for another order than the one they came in. */
  readonly isSorted: boolean
  readonly headOf: (id: string) => Head
}

const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' })

/** Figures by their value, then texts as a person reads them: “G-9” before “G-10”. */
export function compareCells(a: string | number, b: string | number): number {
  if (typeof a === 'number' && typeof b === 'number') return a - b
  if (typeof a === 'number') return -1
  return typeof b === 'number' ? 1 : collator.compare(a, b)
}

const features = tableFeatures({
  rowSortingFeature,
  columnFilteringFeature,
  globalFilteringFeature,
  sortedRowModel: createSortedRowModel(),
  filteredRowModel: createFilteredRowModel(),
  sortFns: { cells: constructSortFn({ sort: compareCells }) },
})

/** Rows sorted by the heads of their columns and found by words, whatever draws them. */
export function useTableModel<T extends object>(
  rows: readonly T[],
  columns: readonly ModelColumn<T>[],
  keyOf: (row: T) => string,
  words: string,
): TableModel<T> {
  const data = useMemo(() => [...rows], [rows])
  const defs = useMemo(
    (): ColumnDef<typeof features, T>[] =>
      columns.map(({ id, by }) => ({
        id,
        accessorFn: by,
        sortFn: 'cells' as const,
        // Of figures too the smallest comes first.
        sortDescFirst: false,
      })),
    [columns],
  )
  const table = useTable({
    features,
    data,
    columns: defs,
    getRowId: keyOf,
    state: { globalFilter: words },
    globalFilterFn: byWords,
    enableSortingRemoval: true,
  })
  const heads = new Map(
    table
      .getHeaderGroups()
      .flatMap(({ headers }) =>
        headers.map(({ column }): [string, Head] => [
          column.id,
          { sorted: column.getIsSorted(), toggle: column.getToggleSortingHandler() ?? (() => {}) },
        ]),
      ),
  )
  return {
    rows: table.getRowModel().rows.map(({ original }) => original),
    isSorted: [...heads.values()].some(({ sorted }) => sorted !== false),
    headOf: (id) => heads.get(id) ?? { sorted: false, toggle: () => {} },
  }
}

/** The filter is asked column by column, so that a row is found by its words wherever they stand: by all columns at once. */
const byWords = constructFilterFn({
  filter: (_value, typed: string, row) =>
    hasWords(
      row
        .getAllCells()
        .map((cell) => String(cell.getValue() ?? ''))
        .join(' '),
      typed,
    ),
})
