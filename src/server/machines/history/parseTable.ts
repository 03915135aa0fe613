import { parse } from 'csv-parse/sync'
import type { Gauge } from '../../../core/gauge/gauge'
import { type HistoryContext, type ImportedOverhaul, readHistory } from '../../../core/record/historyTable'
import { type RecordHistoryContext, readRecordHistory } from '../../../core/record/recordHistory'
import { historyFaultWords } from '../../../core/words/history'
import { recordHistoryFaultWords } from '../../../core/words/recordHistory'
import { say } from '../../../labels/refusals'

/** What a file of earlier readings turned out to be: a table, or the record of a job. */
export type TableRead =
  | { readonly kind: 'noTable'; readonly says: string }
  | { readonly kind: 'faults'; readonly faults: readonly { readonly where: string; readonly says: string }[] }
  | { readonly kind: 'read'; readonly overhauls: readonly ImportedOverhaul[]; readonly gauges: readonly Gauge[] }

export type TableContext = HistoryContext & RecordHistoryContext
const MOST_FAULTS = 50

const MOST_ROWS = 250_000
const LONGEST_ROW = 4_000

const noTable = (says: string): TableRead => ({ kind: 'noTable', says })

/** Reads a file of earlier readings, cell by cell; it takes seconds for a large one, and so runs in a thread of its own. */
export function parseTable(file: Uint8Array, context: TableContext, onRow?: (done: number, of: number) => void): TableRead {
  const text = new TextDecoder('utf-8').decode(file)
  if (text.includes('\0')) return noTable(say.fileHoldsSign)
  if (text.includes('\ufffd')) return noTable(say.fileNotUtf)
  if (/^\s*\{/.test(text)) return parseRecord(text, context)
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
  if (read.ok) return { kind: 'read', overhauls: read.value, gauges: [] }
  return {
    kind: 'faults',
    faults: read.fault.map(({ line, fault }) => ({ where: say.line(line), says: historyFaultWords(fault) })),
  }
}

/** The record of a job, as `record.json` gives it. */
function parseRecord(text: string, context: TableContext): TableRead {
  let file: unknown
  try {
    file = JSON.parse(text)
  } catch {
    return noTable(say.recordNotJson)
  }
  const read = readRecordHistory(file, context)
  return read.ok
    ? { kind: 'read', ...read.value }
    : { kind: 'faults', faults: read.fault.slice(0, MOST_FAULTS).map(recordHistoryFaultWords) }
}
