import { parse } from 'csv-parse/sync'
import { type HistoryContext, type ImportedOverhaul, type RowFault, readHistory } from '../../../core/record/historyTable'
import { say } from '../../../labels/refusals'

/** What a table of earlier readings turned out to be. */
export type TableRead =
  | { readonly kind: 'noTable'; readonly says: string }
  | { readonly kind: 'faults'; readonly faults: readonly RowFault[] }
  | { readonly kind: 'read'; readonly overhauls: readonly ImportedOverhaul[] }

const MOST_ROWS = 250_000
const LONGEST_ROW = 4_000

const noTable = (says: string): TableRead => ({ kind: 'noTable', says })

/** Reads a file of earlier readings, cell by cell; it takes seconds for a large one, and so runs in a thread of its own. */
export function parseTable(file: Uint8Array, context: HistoryContext, onRow?: (done: number, of: number) => void): TableRead {
  const text = new TextDecoder('utf-8').decode(file)
  if (text.includes('\0')) return noTable(say.fileHoldsSign)
  if (text.includes('\ufffd')) return noTable(say.fileNotUtf)
  const [first = ''] = text.split('\n', 1)
  // Spreadsheets part by semicolons where the comma is the decimal mark.
  const delimiter = [';', '\t', ','].find((sign) => first.includes(sign)) ?? ','
  let rows: string[][]
  try {
    rows = parse(text, {
      delimiter,
      bom: true,
      relax_column_count: true,
      skip_empty_lines: false,
      max_record_size: LONGEST_ROW,
      to: MOST_ROWS + 1,
    })
  } catch (error) {
    return noTable(say.fileNotTable(error instanceof Error ? error.message : say.notCsv))
  }
  if (rows.length > MOST_ROWS) return noTable(say.tableHasMore(MOST_ROWS))
  const read = readHistory(rows, context, onRow)
  return read.ok ? { kind: 'read', overhauls: read.value } : { kind: 'faults', faults: read.fault }
}
