import type { BookFault, Named } from '../book/bookFault'
import type { ShapeFault } from '../method/methodKind'
import { figureText } from '../quantity/figureText'
import { unitOf } from '../quantity/format'
import type { QuantityKind } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import type { RecordFault, UnsettledFault } from '../record/recordFault'
import { fitFaultWords, writtenClassWords } from './fits'
import { formulaFaultWords } from './methodFaults'
import { quantityFaultWords, twoUnitsFaultWords } from './quantities'
import { neverGivenWords } from './settling'

const namedWords: Readonly<Record<Named, string>> = {
  variant: 'variant',
  option: 'option',
  document: 'document',
  part: 'part',
  characteristic: 'characteristic',
  level: 'level',
  caution: 'caution',
  position: 'position',
}

const sameIdWords = {
  part: 'parts',
  characteristic: 'characteristics',
  entry: 'entries',
  limit: 'limits',
  document: 'documents',
  fit: 'fits',
} as const

/** What is wrong with a book, after the place where it is wrong; figures in the units of the book. */
export function bookFaultWords(fault: BookFault, units: UnitSystem = 'metric'): string {
  const figure = (value: number, kind: QuantityKind): string => {
    const text = figureText(value, kind, units)
    // One that these units do not give back carries its own.
    return /\d$/.test(text) ? `${text} ${unitOf(kind, units)}`.trim() : text
  }
  switch (fault.code) {
    case 'sameId':
      return `two ${sameIdWords[fault.of]} have the same id, “${fault.id}”`
    case 'notThere':
      return `no ${namedWords[fault.what]} “${fault.id}” in this book`
    case 'noRoute':
      return `part “${fault.part}” has no route “${fault.route}”`
    case 'otherMethod':
      return `“${fault.characteristic}” is not measured by ${fault.wanted.join(' or ')}`
    case 'noValue':
      return `“${fault.characteristic}” has no value “${fault.value}”`
    case 'methodGivesNo':
      return `this method gives no “${fault.value}”`
    case 'noFitOrRing':
      return `no fit or ring “${fault.id}” in this book`
    case 'emptyWhenIssued':
      return 'an issued book has at least one'
    case 'growsToItself':
      return 'a level cannot grow to itself'
    case 'boundToItself':
      return 'a part is not its own mate'
    case 'gateNotMeasured':
      return `“${fault.characteristic}” decides the gate, so the level must measure it`
    case 'insideItself':
      return `something sits inside itself: ${fault.positions.join(' in ')}`
    case 'needEachOther':
      return `These need each other and can never be worked out: ${fault.characteristics.join(', ')}.`
    case 'sizeClass':
      return writtenClassWords(fault.why)
    case 'notItsClass':
      return `class ${fault.class} is ${figure(fault.lower, 'length')} … ${figure(fault.upper, 'length')}, and the limits given are others`
    case 'noLength':
      return `“${fault.characteristic}” is no length, so it is no size in a fit`
    case 'fit':
      return fitFaultWords(fault.why)
    case 'unitsDisagree':
      return twoUnitsFaultWords(fault)
    case 'alsoUnread':
      return quantityFaultWords(fault.why)
    case 'nothingPairs':
      return 'there must be a journal for every bore, and the least clearance must lie below the greatest'
    case 'notInSet':
      return `“${fault.characteristic}” is none of the places of this set`
    case 'noPlace':
      return `this method takes no reading at “${fault.station} ${fault.direction}”`
    case 'noLimits':
      return 'a fit needs a limit at least'
    case 'notAlwaysFitted':
      return `“${fault.characteristic}” belongs to a type that may not be fitted: the limit would have no figure then`
    case 'noNewSize':
      return `“${fault.characteristic}” has no new size to count from or look a limit up by`
    case 'limitsCrossed':
      return `the least it may be (${figure(fault.least, fault.quantity)}) lies above the most it may be (${figure(fault.most, fault.quantity)}): nothing can pass`
    case 'routeSizesSwapped':
      return 'the least size after work is larger than the greatest'
    case 'neverSet':
      return 'the end gap of a ring is wear: it is never set'
    case 'takesOffToNew':
      return 'a route that takes off cannot leave the size of a new part: give the step it reaches'
    case 'routeToNowhere':
      return `the route cuts “${fault.characteristic}”, which belongs to another part`
    case 'method':
      return shapeFaultWords(fault.why)
    case 'formula':
      return formulaFaultWords(fault.why)
    case 'notGiven':
    case 'wearFromNothing':
      return neverGivenWords(fault)
  }
}

function shapeFaultWords(fault: ShapeFault): string {
  switch (fault.code) {
    case 'shorterIsLonger':
      return 'the longer length must be longer than the shorter one'
    case 'noUnwornStation':
      return `no station “${fault.station}” to be unworn`
    case 'formula':
      return formulaFaultWords(fault.why)
  }
}

/** What does not hold together in a record, after the place where it does not. */
export function recordFaultWords(fault: RecordFault): string {
  switch (fault.code) {
    case 'sameReadingId':
      return 'two readings have the same id'
    case 'sameEntryId':
      return 'two entries have the same id'
    case 'noCharacteristic':
      return `no characteristic “${fault.id}” in the book`
    case 'noGauge':
      return `no gauge “${fault.id}” in this record`
    case 'noPart':
      return `no part “${fault.id}” in the book`
    case 'noLevel':
      return `no level “${fault.id}” in the book`
    case 'noSuchPlace':
      return 'the method takes no reading at this place'
    case 'noReason':
      return 'a reading that cannot be taken or is withdrawn says why'
    case 'otherKind':
      return `the text is a ${fault.text}, the reading says ${fault.reading}`
    case 'otherValue':
      return `the text says ${fault.text}, the value says ${fault.value}`
    case 'otherEnds':
      return 'the ends are not those of the text'
    case 'correctsNothing':
      return 'the reading it corrects is not in this record'
    case 'correctsElsewhere':
      return 'a correction must stay at the place of the reading it corrects'
    case 'correctedTwice':
      return 'that reading is corrected twice'
    case 'correctionWithoutReason':
      return 'a correction says why'
    case 'twoAtOnePlace':
      return 'two readings stand at the same place; one must correct the other'
    case 'notAsTyped':
      return 'its limits are not those that were typed in this job'
    case 'hoursAfterThis':
      return 'an earlier overhaul has more running hours than this one'
    case 'noRoute':
      return `part “${fault.part}” has no route “${fault.route}”`
    case 'departureWithoutReason':
      return 'a departure from the recommended verdict says why'
  }
}

/** Why a record can never be settled. */
export const unsettledFaultWords = (fault: UnsettledFault, nameOf: (characteristic: string) => string): string =>
  fault.code === 'noReadingOf' ? `“${fault.text}” is not a reading of ${nameOf(fault.characteristic)}.` : bookFaultWords(fault)
