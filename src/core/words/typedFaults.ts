import type { TypedFault, TypedFigure } from '../notes/typedFault'
import type { TextFault } from '../typed/figureText'
import type { CellFault } from '../typed/limitRow'
import { writtenClassWords } from './fits'
import { valueName, valueNameOf } from './labels'
import { tableFaultWords } from './limitTables'
import { formulaFaultWords } from './methodFaults'
import { twoUnitsFaultWords } from './quantities'
import { neverGivenWords } from './settling'

const figureName: Readonly<Record<TypedFigure, string>> = {
  readTo: 'Read to',
  newLeast: 'New, least',
  newGreatest: 'New, greatest',
  nominal: 'Nominal',
}

/** Why a text is no figure. */
export const textFaultWords = (fault: TextFault): string =>
  fault.code === 'figure' ? twoUnitsFaultWords(fault.why) : `${writtenClassWords(fault.why)}.`

/** Why a cell of a limit cannot be used, said beside it. */
export function cellFaultWords({ at, why }: CellFault): string {
  switch (why.code) {
    case 'figure':
    case 'sizeClass':
      return textFaultWords(why)
    case 'table':
      return tableFaultWords(at === 'plan' ? 'plan' : 'wear', why.why)
    case 'planAfterWear':
      return 'The plan limit must come before the wear limit.'
    case 'planAlone':
      return 'Type the wear limit; a plan limit alone judges nothing.'
    case 'noneAndMore':
      return 'With “none” the maker gives no limit here: leave the plan limit empty.'
    case 'noPage':
      return 'Say which document and page it stands on.'
    case 'ownOnSafety':
      return 'It is safety-marked: what it is judged by comes from a document, never from the shop alone.'
  }
}

/** Why a characteristic cannot be typed like this. */
export function typedFaultWords(fault: TypedFault): string {
  switch (fault.code) {
    case 'figure':
    case 'sizeClass':
      return `${figureName[fault.figure]}: ${textFaultWords(fault)}`
    case 'methodGivesNo':
      return `This method gives no “${valueNameOf(fault.value)}”.`
    case 'limit':
      return `Limit ${fault.row + 1}, “${valueName[fault.judges]}” ${fault.side === 'upper' ? 'at most' : 'at least'}: ${cellFaultWords(fault)}`
    case 'stepOfNothing':
      return '“Read to” must be more than zero.'
    case 'newEndsSwapped':
      return 'The least new size is larger than the greatest one.'
    case 'inTheBook':
      return 'The limit book has this characteristic: its limits cannot be edited here.'
    case 'nameTaken':
      return `“${fault.name}” is there already. Give this one another name.`
    case 'documentTaken':
      return `“${fault.id}” is the short name of “${fault.title}” in this book. Give this document another short name.`
    case 'ringRunsInNothing':
      return 'Choose the bore or outside diameter in which the ring runs.'
    case 'standsForNothing':
      return `“${fault.name}” stands for a characteristic that is not measured here.`
    case 'noValueOf':
      return `“${fault.name}” has no value “${valueNameOf(fault.value)}”.`
    case 'formula':
      return formulaFaultWords(fault.why)
    case 'needsItself':
      return 'The formula needs its own result.'
    case 'neverSet':
      return 'The end gap of a ring is wear: a ring is filed or renewed, never set.'
    case 'restsOnNothing':
      return `Nothing here is called “${fault.id}”: choose again what the setting rests on.`
    case 'never':
      return neverGivenWords(fault.why)
  }
}
