import type { TypedFault, TypedFigure } from '../notes/typedFault'
import { ownOnSafetyWords } from './additions'
import { writtenClassWords } from './fits'
import { valueName, valueNameOf } from './labels'
import { formulaFaultWords } from './methodFaults'
import { twoUnitsFaultWords } from './quantities'
import { neverGivenWords } from './settling'

function figureName(figure: TypedFigure): string {
  switch (figure.of) {
    case 'readTo':
      return 'Read to'
    case 'newLeast':
      return 'New, least'
    case 'newGreatest':
      return 'New, greatest'
    case 'nominal':
      return 'Nominal'
    case 'limit':
      return `Limit of “${valueName[figure.judges]}”`
    case 'plan':
      return `Plan limit of “${valueName[figure.judges]}”`
  }
}

/** Why a characteristic cannot be typed like this. */
export function typedFaultWords(fault: TypedFault): string {
  switch (fault.code) {
    case 'figure':
      return `${figureName(fault.figure)}: ${twoUnitsFaultWords(fault.why)}`
    case 'sizeClass':
      return `${figureName(fault.figure)}: ${writtenClassWords(fault.why)}.`
    case 'methodGivesNo':
      return `This method gives no “${valueNameOf(fault.value)}”.`
    case 'planAfterWear':
      return `Limit of “${valueName[fault.judges]}”: the plan limit must come before the wear limit.`
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
    case 'ownOnSafety':
      return ownOnSafetyWords(fault.name)
    case 'never':
      return neverGivenWords(fault.why)
  }
}
