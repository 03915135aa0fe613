import type { RowFault } from '../core/kit/limitSheet'
import { ownOnSafetyWords } from '../core/words/additions'
import { valueName } from '../core/words/labels'
import { tableFaultWords } from '../core/words/limitTables'
import { typedFaultWords } from '../core/words/typedFaults'

export const say = {
  sheet: 'Limits sheet',
  sheetOf: (machine: string): string => `Limits of ${machine}`,
  type: 'Type',
  check: 'Check',
  mode: 'What you do',
  all: 'All',
  empty: 'Empty',
  faulty: 'With a fault',
  toCheck: 'To check',
  value: 'Value',
  new: 'New size or class',
  plan: 'Plan',
  wear: 'Wear',
  unit: 'Unit',
  passed: 'When passed',
  document: 'Document',
  page: 'Page',
  state: 'State',
  mend: 'mend',
  replace: 'replace',
  stateWord: { empty: 'empty', typed: 'typed, to check', agreed: 'agreed', differs: 'differs' },
  stateOf: (state: string, by: string): string => (by === '' ? state : `${state}, ${by}`),
  counted: { agreed: 'agreed', typed: 'typed, to check', differs: 'not as on the page', empty: 'empty' },
  judged: (value: string, side: 'upper' | 'lower'): string => `${value}, ${side === 'upper' ? 'at most' : 'at least'}`,
  typedOf: (typed: number, all: number): string => `${typed} of ${all} typed`,
  save: (rows: number): string => (rows === 0 ? 'Nothing to save' : `Save ${rows} ${rows === 1 ? 'row' : 'rows'}`),
  agrees: 'Agrees',
  differs: 'Differs',
  pageSays: 'What the page says',
  own: 'You typed it: a second person checks.',
  waiting: (rows: number): string =>
    rows === 0 ? 'Nothing waits to be checked.' : `${rows} ${rows === 1 ? 'row waits' : 'rows wait'} for your check.`,
  nothing: 'Nothing on this machine wants a limit yet.',
  composeFirst: 'Compose it first',
  compose: 'Compose',
  far: (text: string, other: string): string => `${text} lies far from ${other}: is the point in its place?`,
  tabKey: 'Tab',
  fillKey: 'Ctrl D',
  pasteKeys: 'Ctrl V',
  saveKeys: 'Ctrl S',
  nextCell: 'next cell',
  row: 'row',
  fillDown: 'as above',
  saveKey: 'save',
  pasteKey: 'paste from a spreadsheet',
  byTable: 'By size or hours: type ≤ 50: 0.10; ≤ 80: 0.15; above: 0.20, or ≤ 2000 h: 0.10; above: 0.15.',
  emptyJudges: 'An empty limit holds its part. Where the manual gives none, type none with its page.',
  tellsOf: 'Tells of',
  setBy: 'Set by',
  restsOn: 'Rests on',
  changeSetting: 'Change',
  saveSetting: 'Save',
  cancel: 'Cancel',
  ringNeverSet: 'The end gap of a ring is wear: it is never set.',
  settingChecked: 'Its limits then wait for a second person again.',
  anotherValue: 'Another value of this measurement',
  chooseValue: 'Choose …',
  addRow: 'Add a row',
  equalRows: (count: number): string => `Same for ${count} equal`,
  equalAbout: (names: string): string => `Fills the empty rows of ${names}.`,
  notReached: 'The server cannot be reached. Try again in a moment.',
  storing: 'Storing …',
  pageOf: (document: string, page: string): string => `${document}, page ${page}`,
  addPage: (document: string, page: string): string => `+ Picture or PDF of ${document}, page ${page}`,
  whichPage: (file: string, pages: number): string => `Page of ${file}, 1 to ${pages}`,
  noSuchPage: (pages: number): string => `This file has pages 1 to ${pages}.`,
  storePage: 'Store this page',
  otherFile: 'Cancel',
  pageAgain: (document: string, page: string): string => `+ Picture or PDF of ${document}, page ${page}, again`,
  noManual: 'Where no manual gives it, type “as found” as its document: the limit is then the shop’s own.',
  typedBy: (by: string): string => `Typed by ${by}`,
  saysOf: (by: string, note: string): string => `${by}: ${note}`,
  mayLook: 'You may look. Inspectors and planners type limits; a second person checks them.',
}

/** What is wrong with a row of the limits sheet, and what to do. */
export function rowFaultWords(fault: RowFault): string {
  switch (fault.code) {
    case 'noRow':
      return 'This row is gone: somebody changed the machine meanwhile.'
    case 'noPage':
      return 'Say which document and page it stands on.'
    case 'ownOnSafety':
      return ownOnSafetyWords(fault.name)
    case 'neverSet':
      return say.ringNeverSet
    case 'noneAndMore':
      return 'With “none” the maker gives no limit here: leave the plan limit empty.'
    case 'newTwoEnds':
      return `New size “${fault.text}”: type both ends, 80.03 … 80.06, or the size with its class, 80 H7.`
    case 'table':
      return tableFaultWords(fault.which, fault.why)
    case 'ownCheck':
      return 'You typed this yourself: a second person checks it.'
    default:
      return typedFaultWords(fault)
  }
}

export const judgedWords = (judges: keyof typeof valueName): string => valueName[judges]
