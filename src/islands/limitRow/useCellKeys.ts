import { type ClipboardEvent, type KeyboardEvent, type RefObject, useRef } from 'react'
import { cellKey } from './Cells'
import { type Cell, cellsIn } from './cell'

interface CellKeys {
  readonly ref: RefObject<HTMLTableElement | null>
  readonly onKeyDown: (event: KeyboardEvent<HTMLTableElement>) => void
  readonly onPaste: (event: ClipboardEvent<HTMLTableElement>) => void
}

/** Keys of a table of limits: up and down, as above, and a block pasted from a spreadsheet. */
export function useCellKeys({
  keys,
  asAbove,
  paste,
}: {
  /** Of the rows shown, in their order. */
  readonly keys: readonly string[]
  readonly asAbove: (at: number, cell: Cell) => void
  readonly paste: (at: { readonly row: number; readonly cell: Cell }, block: readonly (readonly string[])[]) => void
}): CellKeys {
  const ref = useRef<HTMLTableElement>(null)
  const goTo = (at: number, cell: string): boolean => {
    const row = keys[at]
    const field =
      row === undefined ? null : ref.current?.querySelector<HTMLElement>(`[data-at="${CSS.escape(cellKey(row, cell))}"]`)
    field?.focus()
    return field != null
  }
  return {
    ref,
    onKeyDown: (event) => {
      const field = event.target as HTMLElement
      const at = Number(field.dataset.row)
      const cell = field.dataset.cell as Cell | undefined
      if (cell === undefined || Number.isNaN(at) || event.altKey) return
      const isChoice = field instanceof HTMLSelectElement
      if (event.key === 'd' && (event.ctrlKey || event.metaKey)) {
        event.preventDefault()
        asAbove(at, cell)
      } else if (event.ctrlKey || event.metaKey) return
      else if (event.key === 'Enter' || (event.key === 'ArrowDown' && !isChoice)) {
        // Typing of limits goes down the column; a form is not sent by it while there is a row below.
        if (goTo(at + (event.shiftKey ? -1 : 1), cell)) event.preventDefault()
      } else if (event.key === 'ArrowUp' && !isChoice && goTo(at - 1, cell)) event.preventDefault()
    },
    onPaste: (event) => {
      const field = event.target as HTMLElement
      const cell = field.dataset.cell as Cell | undefined
      const block = cellsIn(event.clipboardData.getData('text/plain'))
      if (cell === undefined || (block.length === 1 && (block[0]?.length ?? 0) < 2)) return
      event.preventDefault()
      paste({ row: Number(field.dataset.row), cell }, block)
    },
  }
}
