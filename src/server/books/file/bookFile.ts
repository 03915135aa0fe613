import type { LimitBook } from '../../../core/book/bookSchema'
import { checkBook } from '../../../core/book/checkBook'
import type { Path } from '../../../core/book/path'
import { bookFromSheets } from '../../../core/bookSheets/fromSheets'
import type { UnitSystem } from '../../../core/quantity/unitSystem'
import { upgradeBook } from '../../../core/record/upgrade'
import { bookFaultLines, bookWarningWords } from '../../../core/words/bookFile'
import { bookPlaceWords } from '../../../core/words/bookPlaces'
import { cellPlaceWords, sheetFaultWords } from '../../../core/words/bookSheetFaults'
import { sheetNames } from '../../../core/words/bookSheets'
import { say } from '../../../labels/bookFile'
import { isPacked, readWorkbook } from './workbook'

/** One thing to look at in a file, where it stands. */
export interface FileLine {
  readonly place: string
  readonly says: string
}

export interface BookFileRead {
  /** The book; null where anything is wrong with it. */
  readonly book: LimitBook | null
  /** Units its figures were written in; null where the file does not say, as JSON does not. */
  readonly system: UnitSystem | null
  readonly faults: readonly FileLine[]
  readonly warnings: readonly FileLine[]
}

const refused = (says: string): BookFileRead => ({
  book: null,
  system: null,
  faults: [{ place: say.wholeFile, says }],
  warnings: [],
})

/** Reads a limit book from a file, JSON or spreadsheet: the whole of it, or everything that is wrong with it. */
export async function readBookFile(bytes: Uint8Array): Promise<BookFileRead> {
  if (isPacked(bytes)) return fromWorkbook(bytes)
  let json: unknown
  try {
    json = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes))
  } catch {
    return refused(say.neitherNor)
  }
  // A record has its book in it.
  const bare = typeof json === 'object' && json !== null && 'book' in json && !('parts' in json) ? json.book : json
  const file = upgradeBook(bare)
  return checkedFile(file, null, (path) => bookPlaceWords(file, path))
}

async function fromWorkbook(bytes: Uint8Array): Promise<BookFileRead> {
  const sheets = await readWorkbook(bytes)
  if (typeof sheets === 'string') return refused(sheets === 'tooLarge' ? say.tooLarge : say.notASpreadsheet)
  const { file, system, faults, placeOf } = bookFromSheets(sheets, sheetNames)
  const read = checkedFile(upgradeBook(file), system, (path) => cellPlaceWords(placeOf(path)))
  if (faults.length === 0) return read
  const own = faults.map(({ place, fault }) => ({ place: cellPlaceWords(place), says: sheetFaultWords(fault) }))
  // A cell that cannot be read is told once, by what is wrong with the cell.
  const told = new Set(own.map(({ place }) => place))
  return { ...read, book: null, warnings: [], faults: [...own, ...read.faults.filter(({ place }) => !told.has(place))] }
}

function checkedFile(file: unknown, system: UnitSystem | null, placeOf: (path: Path) => string): BookFileRead {
  const checked = checkBook(file)
  return {
    book: checked.book,
    system,
    faults: bookFaultLines(checked, system ?? 'metric').map(({ path, says }) => ({ place: placeOf(path), says })),
    warnings: checked.warnings.map(({ path, warning }) => ({ place: placeOf(path), says: bookWarningWords(warning) })),
  }
}
