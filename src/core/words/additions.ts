import type { Addition } from '../notes/additionSchema'
import type { AdditionFault } from '../notes/additions'
import { fitKindWords } from './fits'
import { twoUnitsFaultWords } from './quantities'
import { bookFaultWords } from './recordFaults'
import { serviceRuleWords } from './serviceRules'
import { cellFaultWords } from './typedFaults'

/** A document that is none: the limit is the shop’s own. */
export const ownDocumentTitle = 'No document: the shop’s own limit'

/** What the sides of a fit are called where one is added. */
export const mateSideWords: Readonly<Record<string, string>> = {
  bore: 'Bore',
  journal: 'Journal',
  strip: 'Plastic strip',
  seat: 'Seat',
  shaft: 'Seat on the shaft',
  housing: 'Housing',
  keyway: 'Keyway',
  key: 'Key',
  groove: 'Groove',
  ring: 'Ring',
  runsIn: 'Runs in',
  part: 'What floats in it',
  drive: 'Drive-up',
  before: 'Play before it was driven up',
  depth: 'Depth to the bearing',
  spigot: 'Height of the spigot',
  gasket: 'Gasket under the cover',
  opens: 'Gap that shims open',
  closes: 'Gap that they close',
  gap: 'Gap',
  pad: 'Pad',
  ...Object.fromEntries(
    [1, 2, 3, 4].flatMap((n) => [
      [`opens${n}`, `Opens the gap, ${n}`],
      [`closes${n}`, `Closes it, ${n}`],
    ]),
  ),
  leastMm: 'Wanted, least',
  greatestMm: 'Wanted, most',
  left: 'Of the gasket left when tight',
  opensLeastMm: 'Gap that shims open: wanted, least',
  opensGreatestMm: 'Gap that shims open: wanted, most',
  closesLeastMm: 'Gap that they close: wanted, least',
  closesGreatestMm: 'Gap that they close: wanted, most',
  thinnestMm: 'Thinnest pad',
  thickerPad: 'A thicker pad',
  boreMm: 'Bore of the bearing',
  outsideMm: 'Outside diameter of the bearing',
  referenceMm: 'Reference diameter of the ring',
  leavesLeast: 'Size after, least',
  leavesMost: 'Size after, most',
  cleanUp: 'Must come off to clean up',
  mostOff: 'Most off in all',
  tolerance: 'Tolerance class',
  type: 'Type',
  group: 'Clearance group',
}

const sideWords = { lower: 'least', upper: 'most' } as const
const figureWords = (figure: string): string => {
  const [side = '', which] = figure.split(':')
  if (which === undefined) return mateSideWords[figure] ?? figure
  return `${which === 'plan' ? 'Plan limit' : 'Limit'}, ${sideWords[side as 'lower' | 'upper']}`
}

/** Why something cannot be added like this. */
export function additionFaultWords(fault: AdditionFault): string {
  switch (fault.code) {
    case 'noSuchKind':
      return `“${fault.kind}” is no kind of fit that can be added here.`
    case 'side':
      return `${mateSideWords[fault.side] ?? fault.side}: choose what measures it. A ${fitKindWords[fault.kind]} needs it.`
    case 'sameSide':
      return `“${fault.name}” stands on both sides: choose two different sizes.`
    case 'figure':
      return `${figureWords(fault.figure)}: ${twoUnitsFaultWords(fault.why)}`
    case 'figureBeyond':
      return `${figureWords(fault.figure)}: no such part has this figure. Look at the manual again, and at the unit.`
    case 'choice':
      return `${mateSideWords[fault.choice] ?? fault.choice}: choose one of those offered.`
    case 'noPart':
      return `The limit book has no part “${fault.id}”.`
    case 'mendOn':
      return `“${fault.name}” is mended on one of its own parts: choose one of them.`
    case 'notMeasuredHere':
      return `“${fault.id}” is not measured on this machine.`
    case 'limit':
      return `Limit, ${sideWords[fault.side]}: ${cellFaultWords(fault)}`
    case 'sizesSwapped':
      return 'The least size after the work is larger than the most.'
    case 'takesOffToNew':
      return 'What takes off cannot leave the size of a new part: give the step it reaches.'
    case 'mostOffWhat':
      return 'Most off in all is counted off the new size: name the size it leaves, of a measurement that has one.'
    case 'suitsNothing':
      return `No mate of “${fault.id}” runs against the size that is left: give that size first, and choose again.`
    case 'endsSwapped':
      return 'The least clearance is larger than the most.'
    case 'fit':
      return sentence(bookFaultWords({ code: 'fit', why: fault.why }))
    case 'nameTaken':
      return `“${fault.name}” is there already. Give this one another name.`
    case 'ruleTwice':
      return `“${fault.part}” has such a rule already.`
    case 'noLevel':
      return 'This job has no list to lay out: compose the machine, or add it as a step.'
    case 'ownOnSafety':
      return ownOnSafetyWords(fault.name)
  }
}

const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1).replace(/[.]$/, '')}.`

/** What is the shop’s own does not serve where somebody may be hurt. */
const ownOnSafetyWords = (name: string): string =>
  `“${name}” is safety-marked: what it is judged and mended by comes from a document, never from the shop alone.`

/** What was added, in one line. */
export function additionWords(what: Addition, nameOf: { part(id: string): string }): string {
  const from = (source: { readonly document: { readonly id: string }; readonly page: string }): string =>
    `${source.document.id}, ${source.page}`
  switch (what.of) {
    case 'fit':
      return `Fit added: ${what.name} (${from(what.source)})`
    case 'route':
      return `Route added on ${nameOf.part(what.part)}: ${what.name} (${from(what.source)})`
    case 'rule':
      return `${nameOf.part(what.part)}: ${serviceRuleWords(what.rule, nameOf.part)} (${from(what.source)})`
    case 'need':
      return `To lay out: ${what.quantity === '' ? '' : `${what.quantity} `}${what.name}`
  }
}
