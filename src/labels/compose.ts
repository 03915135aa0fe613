import { assemblies } from '../core/kit/assemblies'
import type { ComposeFault } from '../core/kit/compose'

const questionOf = (id: string): string =>
  assemblies.flatMap(({ questions }) => questions).find((question) => question.id === id)?.text ?? id

/** Why an assembly cannot be added, and what to do. */
export function composeFaultWords(fault: ComposeFault): string {
  switch (fault.code) {
    case 'noAssembly':
      return `There is no assembly “${fault.assembly}”. Choose one from the drawings.`
    case 'noPosition':
      return 'The place it was to sit in is gone. Choose another in the list of parts.'
    case 'noName':
      return 'Give each of them a name.'
    case 'nameTaken':
      return `“${fault.name}” is on this machine already. Give it another name.`
    case 'notAnAnswer':
      return `“${questionOf(fault.question)}”: “${fault.text}” is none of its answers. Choose one.`
    case 'notAFigure':
      return `“${questionOf(fault.question)}”: “${fault.text}” cannot be read. Type a figure above zero with its unit, or leave it empty.`
  }
}
