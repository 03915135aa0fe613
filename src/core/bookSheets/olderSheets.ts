import { methodNow } from '../record/fromVersion2'
import type { SheetNames } from './names'
import type { SheetOfCells } from './toSheets'

/** What a column of version 2 was called that has another name now. */
const RENAMED = [{ sheet: 'procedure', was: 'stage', now: 'phase' }] as const

const same = (cell: unknown, name: string): boolean =>
  String(cell ?? '')
    .trim()
    .toLowerCase() === name.toLowerCase()

/**
 * A workbook of an earlier version with today's columns and methods, so that its cells are read as they are today; one of
 * today's stays as it is. Its line of the version stays: what else changed, the file says (record/upgrade.ts).
 */
export function sheetsNow(workbook: readonly SheetOfCells[], names: SheetNames): readonly SheetOfCells[] {
  const about = workbook.find(({ name }) => same(name, names.book))
  const version = about?.rows.find(([name]) => same(name, names.header('book', 'version')))?.[1]
  if (Number(version) !== 2) return workbook
  return workbook.map((sheet) => {
    const [header = [], ...rows] = sheet.rows
    const methodAt = same(sheet.name, names.sheet('characteristics'))
      ? header.findIndex((cell) => same(cell, names.header('characteristics', 'method.kind')))
      : -1
    const renamed = RENAMED.filter((of) => same(sheet.name, names.sheet(of.sheet)))
    return {
      ...sheet,
      rows: [
        header.map((cell) => {
          const found = renamed.find(({ was }) => same(cell, was))
          return found ? names.header(found.sheet, found.now) : cell
        }),
        ...rows.map((row) =>
          row.map((cell, at) => (at === methodAt && typeof cell === 'string' ? methodNow(cell.trim()) : cell)),
        ),
      ],
    }
  })
}
