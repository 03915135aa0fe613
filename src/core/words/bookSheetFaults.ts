import type { CellFault } from '../bookSheets/codec'
import type { CellPlace, SheetFault } from '../bookSheets/fromSheets'
import { textFaultWords } from './typedFaults'

/** A column as spreadsheets name it: 1 → A, 27 → AA. */
function columnLetters(column: number): string {
  let letters = ''
  for (let left = column; left > 0; left = Math.floor((left - 1) / 26))
    letters = String.fromCharCode(65 + ((left - 1) % 26)) + letters
  return letters
}

export const cellPlaceWords = ({ sheet, row, column }: CellPlace): string =>
  column === 0 ? `Sheet “${sheet}”` : `Sheet “${sheet}”, cell ${columnLetters(column)}${row}`

function cellFaultWords(fault: CellFault): string {
  switch (fault.code) {
    case 'notANumber':
      return `“${fault.text}” is not a number`
    case 'notYesNo':
      return `“${fault.text}”: write yes, or leave it empty`
    case 'figure':
    case 'sizeClass':
      return textFaultWords(fault)
    case 'notAList':
      return `“${fault.text}” is not written as its column wants it: A = front; B = back, or maximum upper; minimum lower`
    case 'shareOfOne':
      return `${fault.text} may stand for ${Number(fault.text) * 100} %: write it as a text with its unit, 70 %`
    case 'notJson':
      return 'this cannot be read: leave what stands in this column as it was written'
  }
}

/** Why a spreadsheet is not read as a book, at one of its cells. */
export function sheetFaultWords(fault: SheetFault): string {
  switch (fault.code) {
    case 'cell':
      return cellFaultWords(fault.why)
    case 'noSheet':
      return `the sheet “${fault.sheet}” is missing`
    case 'unknownSheet':
      return `a book has no sheet “${fault.sheet}”: take it out, or give it the name it had`
    case 'unknownColumn':
      return `this sheet has no column “${fault.column}”: take it out, or give it the name it had`
    case 'units':
      return `the line “${fault.line}” must say metric or inch: without it no figure can be read`
    case 'noOwner':
      return `there is no “${fault.id}” in the sheet “${fault.sheet}”`
    case 'notJson':
      return cellFaultWords({ code: 'notJson' })
  }
}
