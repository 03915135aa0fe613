import { counted } from '../core/words/plain'

export const say = {
  sayWhereReadings: 'Say where the readings come from.',
  chooseFile: 'Choose the file.',
  serverCannotReached: 'The server cannot be reached. Nothing was imported: send it again.',
  imported: (readings: number, overhauls: number): string =>
    `Imported: ${counted(readings, 'reading', 'readings')} of ${counted(overhauls, 'overhaul', 'overhauls')}.`,
  wearTrends: 'Wear trends',
  anotherTable: 'Another table',
  whereTheyCome: 'Where they come from',
  recordSheets2006: 'Record sheets 2006 to 2019, folder 3',
  tableAsCsv: 'Table as CSV, in UTF-8, or the record of a job as JSON',
  rowsCannotTaken: 'Rows that cannot be imported',
  cancelled: 'Cancelled. Nothing was imported.',
  cancelledUnknown: 'Cancelled, but the server cannot be reached to say what became of it. Send it again: it is imported once.',
  takeReadingsOver: 'Import readings',
  column: 'Column',
  whatStands: 'What stands in it',
  mayLeftOut: ' (may be left out)',
  emptyTable: 'An empty table',
  earlierReadings: 'Earlier readings of',
  readingsFromBefore:
    'Readings from before Medida, or of another installation, join the history: wear trends and checks for slips use them from then on. A file is imported whole or not at all; each row that cannot be read is named.',
  machineHasNo:
    'This machine has no limit book yet: nothing says how its readings are laid out. Measure it once, type its limits and make a draft book; then come back.',
  youMayLook: 'You have read-only access. Earlier readings are imported by an inspector or the planner.',
  aRecord:
    'The record of a job, as its page exports it, brings that job and the overhauls before it, with gauges, conditions and who read them. It was measured against the same limit book; overhauls that are on record here are left out.',
  record: 'A record',
  table: 'The table',
  earlierReadingsTitle: 'Earlier readings',
  earlierReadingsAt: (machine: string): string => `Earlier readings, ${machine}`,
} as const
