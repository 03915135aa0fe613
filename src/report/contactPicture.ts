import type { Method } from '../core/method/method'
import type { Reading } from '../core/record/recordSchema'
import { say } from '../labels/report'

export type ContactCell = 'full' | 'part' | 'none' | 'open'

/** A contact print as a sheet: its columns and, row by row, what each cell showed. */
export interface ContactPicture {
  readonly columns: readonly string[]
  readonly rows: readonly { readonly label: string; readonly cells: readonly ContactCell[] }[]
}

export const contactWord: Record<ContactCell, string> = {
  full: say.contactFull,
  part: say.contactPartial,
  none: say.contactNone,
  open: say.notRead,
}

/** The picture of a contact print from its standing readings; null for every other method, and where nothing was read. */
export function contactPicture(method: Method, readings: readonly Reading[]): ContactPicture | null {
  if (method.kind !== 'contactPattern' || readings.every(({ value }) => value === null)) return null
  const at = (column: string, row: string): ContactCell => {
    const value = readings.find(({ station, direction }) => station === column && direction === row)?.value ?? null
    return value === null ? 'open' : value >= 100 ? 'full' : value > 0 ? 'part' : 'none'
  }
  const nameOf = ({ id, label }: { readonly id: string; readonly label: string }): string => (label === '' ? id : label)
  return {
    columns: method.columns.map(nameOf),
    rows: method.rows.map((row) => ({ label: nameOf(row), cells: method.columns.map(({ id }) => at(id, row.id)) })),
  }
}

const CELL = 16

/** The same as a drawing of squares: filled, half filled, empty, crossed where nothing was read. For paper, in black. */
export function contactSvg({ columns, rows }: ContactPicture): { readonly svg: string; readonly width: number } {
  const [width, height] = [columns.length * CELL, rows.length * CELL]
  const square = (cell: ContactCell, x: number, y: number): string => {
    const frame = `<rect x="${x + 1}" y="${y + 1}" width="${CELL - 2}" height="${CELL - 2}" fill="none" stroke="#444" stroke-width="0.7"/>`
    switch (cell) {
      case 'full':
        return `${frame}<rect x="${x + 1}" y="${y + 1}" width="${CELL - 2}" height="${CELL - 2}" fill="#21409a"/>`
      case 'part':
        return `${frame}<path d="M${x + 1} ${y + CELL - 1}L${x + CELL - 1} ${y + 1}V${y + CELL - 1}Z" fill="#21409a"/>`
      case 'open':
        return `${frame}<path d="M${x + 1} ${y + 1}L${x + CELL - 1} ${y + CELL - 1}M${x + CELL - 1} ${y + 1}L${x + 1} ${y + CELL - 1}" stroke="#444" stroke-width="0.5"/>`
      case 'none':
        return frame
    }
  }
  const cells = rows.flatMap((row, y) => row.cells.map((cell, x) => square(cell, x * CELL, y * CELL)))
  return { svg: `<svg viewBox="0 0 ${width} ${height}" xmlns="http://www.w3.org/2000/svg">${cells.join('')}</svg>`, width }
}
