import type { RowFault } from '../core/kit/limitSheet'
import { valueName } from '../core/words/labels'
import { cellFaultWords, typedFaultWords } from '../core/words/typedFaults'

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
  state: 'State',
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
  tabKey: 'Tab',
  fillKey: 'Ctrl D',
  pasteKeys: 'Ctrl V',
  saveKeys: 'Ctrl S',
  nextCell: 'next cell',
  row: 'row',
  fillDown: 'as above',
  saveKey: 'save',
  pasteKey: 'paste from a spreadsheet',
  emptyJudges: 'An empty limit holds its part. Where the manual gives none, type none with its page.',
  changeSetting: 'Change',
  saveSetting: 'Save',
  cancel: 'Cancel',
  ringNeverSet: 'The end gap of a ring is wear: it is never set.',
  settingChecked: 'Its limits then wait for a second person again.',
  waysBack: 'Ways to bring it back',
  leaves: (least: string, greatest: string): string => `leaves ${least} … ${greatest}`,
  leavesNothing: 'restores no size until it says which it leaves',
  leavesNew: 'leaves a new size',
  changesNone: 'changes no size',
  mostOff: (most: string): string => `at most ${most} off in all`,
  anotherStep: 'Another step',
  anotherWay: 'Another way',
  noWayBack: 'None: it is replaced.',
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
    // It stands beside its row, which says whose limit it is.
    case 'limit':
      return cellFaultWords(fault)
    case 'newTwoEnds':
      return `New size “${fault.text}”: type both ends, 80.03 … 80.06, or the size with its class, 80 H7.`
    case 'ownCheck':
      return 'You typed this yourself: a second person checks it.'
    default:
      return typedFaultWords(fault)
  }
}

export const judgedWords = (judges: keyof typeof valueName): string => valueName[judges]
