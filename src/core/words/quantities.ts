import { GREATEST_MM } from '../quantity/greatest'
import { type QuantityKind, quantityFacts } from '../quantity/kind'
import type { QuantityFault } from '../quantity/quantity'
import type { ReadingFault } from '../quantity/reading'
import type { TwoUnitsFault } from '../quantity/twoUnits'
import { unitsOf } from '../quantity/units'

/** What each quantity is called. */
export const quantityName: Readonly<Record<QuantityKind, string>> = {
  length: 'length',
  angle: 'angle',
  torque: 'torque',
  force: 'force',
  pressure: 'pressure',
  stiffness: 'spring rate',
  slope: 'slope',
  temperature: 'temperature',
  temperatureDifference: 'temperature difference',
  mass: 'mass',
  resistance: 'resistance',
  velocity: 'vibration velocity',
  flow: 'flow',
  time: 'time',
  hardness: 'Brinell hardness',
  hardnessVickers: 'Vickers hardness',
  hardnessRockwell: 'Rockwell C hardness',
  percent: 'share',
  count: 'count',
}

const EXAMPLES: Partial<Record<QuantityKind, string>> = {
  length: '12.34, 0.4725 in, 21 thou or 1-7/16"',
  torque: '180 or 132 lbf ft',
  temperature: '21.5 or 70 °F',
}
const examplesOf = (kind: QuantityKind): string => EXAMPLES[kind] ?? `12.3 or 12.3 ${quantityFacts[kind].shownIn.metric}`.trim()

/** The same for a figure that may be given in two units. */
export const twoUnitsFaultWords = (fault: TwoUnitsFault): string =>
  fault.code === 'unitsDisagree'
    ? `“${fault.text}” and “${fault.also}” differ by more than they are rounded to: check the document, and type the one that is right.`
    : quantityFaultWords(fault)

/** One sentence for a refused text: what is wrong and what to type instead. */
export function quantityFaultWords(fault: QuantityFault): string {
  switch (fault.code) {
    case 'empty':
      return `Nothing typed yet. Type the figure, for example ${examplesOf(fault.kind)}.`
    case 'notANumber':
      return `“${fault.text}” is not a ${quantityName[fault.kind]}. Type figures and a unit, for example ${examplesOf(fault.kind)}.`
    case 'twoDecimalMarks':
      return `“${fault.text}” has two decimal marks. Type one point or one comma.`
    case 'unknownUnit':
      return `“${fault.text}”: “${fault.unit}” is not a unit of ${quantityName[fault.kind]} here. Use ${unitsOf[fault.kind].map(({ id }) => (id === 'um' ? 'µm' : id)).join(', ')}.`
    case 'unitAlone':
      return `“${fault.text}” is a unit without a figure. Type the figure before it.`
    case 'zeroDenominator':
      return `“${fault.text}” divides by zero. Check the fraction.`
    case 'tooLarge':
      return fault.kind === 'length'
        ? `“${fault.text}” is more than ${GREATEST_MM / 1000} m: no part here is that large. Check the unit.`
        : `“${fault.text}” is larger than anything measured here. Check the unit.`
  }
}

const HOW_TO_ANSWER = {
  answer: 'Type + or y for yes, - or n for no, / when it does not apply.',
  cell: 'Type 2 for full contact, 1 for partial, 0 for none.',
  element: 'Type 0 when it is sound, how much is worn in percent (50 for half), or ! when it is broken.',
} as const

/** One sentence for a refused reading. */
export function readingFaultWords(fault: ReadingFault): string {
  switch (fault.code) {
    case 'negativeSize':
      return `“${fault.text}” is below zero, and no master is set here. Type the size itself.`
    case 'endsSwapped':
      return `“${fault.text}” ends below where it begins. Type the smaller figure first.`
    case 'pairUnsigned':
      return `“${fault.text}” is a pair without signs. Type both with their sign, for example +0.05 -0.03.`
    case 'noAnswer':
      return `“${fault.text}” is not an answer here. ${HOW_TO_ANSWER[fault.form]}`
    default:
      return quantityFaultWords(fault)
  }
}
