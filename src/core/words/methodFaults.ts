import { type FormulaFault, FUNCTIONS } from '../method/formula'
import { quantityOf } from '../method/gives'
import type { MethodFault } from '../method/reduction'
import type { PlaceOf } from '../method/where'
import { placeWords, slotWords } from './places'
import { afterFigure, listed } from './plain'
import { figuresFor, methodOf, type Speaker } from './speaker'

/** What a fault of the method says, and what to do about it. */
export function faultWords(
  speaker: Speaker,
  characteristic: string,
  fault: MethodFault,
): { readonly reason: string; readonly settledBy: string } {
  const method = methodOf(speaker, characteristic)
  const { difference, unit } = figuresFor(speaker, characteristic, method ? quantityOf(method) : 'length')
  const place = (of: PlaceOf): string => (method ? placeWords(method, of) : '')
  switch (fault.code) {
    case 'repeatsDisagree': {
      const first = speaker.characteristic(characteristic)?.beforeRepeats ?? BEFORE_REPEATS
      const at = place(fault.at) === '' ? '' : ` at ${place(fault.at)}`
      return {
        reason: `Repeats${at} spread over ${difference(fault.range)}${afterFigure(unit)}, more than the ${difference(fault.limitValue)} allowed: they must agree before the mean counts`,
        settledBy:
          fault.sticksOut === null ? `Take the repeats${at} again.` : `${first} and take repeat ${fault.sticksOut}${at} again.`,
      }
    }
    case 'repeatsNotFigures': {
      const at = place(fault.at) === '' ? '' : ` at ${place(fault.at)}`
      return {
        reason: `A repeat${at} is a bound or a range: whether the repeats agree within ${difference(fault.limitValue)}${afterFigure(unit)} is not known`,
        settledBy: `Read every repeat${at} to a figure.`,
      }
    }
    case 'noGauge':
    case 'otherGauge':
    case 'beyondRange':
    case 'lapsed':
    case 'notUnderstood': {
      const slots = listed(fault.slots.map((slot) => (method ? slotWords(method, slot) : slot.station)))
      const [reason, settledBy] = doubtWords[fault.code]
      return { reason: `${reason}: ${slots}`, settledBy }
    }
    case 'outsideStripScale':
      return {
        reason: `Strip width outside its scale at ${listed(fault.places.map(place))}: wrong strip for this clearance`,
        settledBy: 'Use the strip of the next range and take it again.',
      }
    case 'shimsUnequal':
      return {
        reason: `The shims differ by ${difference(fault.range)}${afterFigure(unit)}, more than the ${difference(fault.limitValue)} allowed: the cap lay askew`,
        settledBy: 'Use shims of equal thickness and flatten new wires.',
      }
    case 'noSpringLine':
      return {
        reason: 'The shorter length does not carry more than the longer one: no rate follows',
        settledBy: 'Take the loads again, clear of coil bind.',
      }
    case 'formula':
      return { reason: formulaFaultWords(fault.why), settledBy: 'Have the formula in the limit book corrected.' }
  }
}

/** What is done before repeats are taken, where the book does not say. */
export const BEFORE_REPEATS = 'Turn the shaft over'

const doubtWords = {
  noGauge: ['No gauge noted', 'Take it again with a gauge from the store.'],
  otherGauge: ['Read with a gauge of another quantity', 'Take it again with a gauge that measures this.'],
  beyondRange: ['Beyond the range of its gauge', 'Take it again with a gauge that reaches it.'],
  lapsed: ['Read with a gauge whose calibration had lapsed', 'Take it again with a gauge in calibration.'],
  notUnderstood: ['Typed in a way that may mean another figure', 'Type it again.'],
} as const

const dimensionWords = (dimension: Readonly<Record<string, number>>): string => {
  const words = Object.entries(dimension).map(([unit, power]) => (power === 1 ? unit : `${unit}^${power}`))
  return words.length === 0 ? 'a bare number' : words.join('·')
}

/** Why a formula cannot be used. */
export function formulaFaultWords(fault: FormulaFault): string {
  switch (fault.code) {
    case 'notUnderstood':
      return `“${fault.text}” is not understood in the formula.`
    case 'oneTooMany':
      return `“${fault.text}” is one too many in the formula.`
    case 'noName':
      return `“${fault.text}” is not a name of this formula.`
    case 'noFunction':
      return `“${fault.text}” is not a function here. Known: ${FUNCTIONS.join(', ')}.`
    case 'oneValueOnly':
      return `“${fault.text}” takes one value.`
    case 'endsEarly':
      return 'The formula ends too early.'
    case 'mayDivideByZero':
      return 'The formula divides by what may be zero, or takes a root of what may be below it.'
    case 'expected':
      return `“${fault.wanted}” is expected where “${fault.found}” stands in the formula.`
    case 'temperatureOrDifference':
      return `${fault.figure} ${fault.unit} may be a temperature or a difference: give it in °C in the formula.`
    case 'noUnit':
      return `“${fault.unit}” after ${fault.figure} is not a unit.`
    case 'gives':
      return `The formula gives ${dimensionWords(fault.found)}, but ${dimensionWords(fault.wanted)} is wanted.`
    case 'adds':
      return `The formula adds ${dimensionWords(fault.left)} and ${dimensionWords(fault.right)}.`
    case 'mixes':
      return `“${fault.text}” mixes ${fault.of.map(dimensionWords).join(' and ')}.`
  }
}
