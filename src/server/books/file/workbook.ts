import { unzipSync } from 'fflate'
import readXlsxFile from 'read-excel-file/node'
import writeXlsxFile from 'write-excel-file/node'
import type { Cell } from '../../../core/bookSheets/codec'
import type { SheetOfCells } from '../../../core/bookSheets/toSheets'

/** Most that a spreadsheet may hold once it is unpacked; a book of five thousand characteristics takes a tenth. */
const MOST_UNPACKED_BYTES = 64 * 1024 * 1024
const MOST_CELLS = 1_000_000

/** Why a file is not read as a spreadsheet. */
export type WorkbookRefusal = 'notASpreadsheet' | 'tooLarge'

/** Whether a file is packed as spreadsheets are. */
export const isPacked = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b

/** The sheets of a spreadsheet, cells as they stand: texts are not trimmed, formulas are not worked out. */
export async function readWorkbook(bytes: Uint8Array): Promise<readonly SheetOfCells[] | WorkbookRefusal> {
  let unpacked = 0
  try {
    // What each part says it unpacks to, before anything is unpacked; where that is a lie, the thread ends at its memory.
    unzipSync(bytes, {
      filter: ({ originalSize }) => {
        unpacked += originalSize
        return false
      },
    })
    if (unpacked > MOST_UNPACKED_BYTES) return 'tooLarge'
    const sheets = await readXlsxFile(Buffer.from(bytes), { trim: false })
    const read = sheets.map(({ sheet, data }) => ({ name: sheet, rows: data.map((row) => row.map(cellOf)) }))
    const cells = read.reduce((sum, { rows }) => sum + rows.reduce((of, row) => of + row.length, 0), 0)
    return cells > MOST_CELLS ? 'tooLarge' : read
  } catch {
    return 'notASpreadsheet'
  }
}

const cellOf = (value: unknown): Cell => {
  if (value instanceof Date) return value.toISOString().slice(0, 10)
  return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean' ? value : null
}

/** Sheets as a spreadsheet: texts stay texts, whatever they begin with, so that no program works them out. */
export function writeWorkbook(sheets: readonly SheetOfCells[]): Promise<Buffer> {
  return writeXlsxFile(
    sheets.map(({ name, rows }) => ({
      sheet: name,
      stickyRowsCount: 1,
      columns: widthsOf(rows),
      data: rows.map((row, at) =>
        row.map((cell) => {
          if (cell === null) return null
          const own =
            typeof cell === 'string'
              ? { type: String, value: cell }
              : typeof cell === 'number'
                ? { type: Number, value: cell }
                : { type: Boolean, value: cell }
          return at === 0 ? { ...own, fontWeight: 'bold' as const } : own
        }),
      ),
    })),
  ).toBuffer()
}

const MOST_WIDE = 60
const LEAST_WIDE = 9
function widthsOf(rows: SheetOfCells['rows']): { width: number }[] {
  const widths: number[] = []
  for (const row of rows)
    row.forEach((cell, at) => {
      widths[at] = Math.max(widths[at] ?? LEAST_WIDE, Math.min(MOST_WIDE, String(cell ?? '').length + 2))
    })
  return widths.map((width) => ({ width }))
}
