/** Every code that a person may meet has a sentence, and every fact of it is said: the types ask for the next one. */

import { expect, test } from 'vitest'
import type { BookFault } from '../book/bookFault'
import type { GaugeFault } from '../gauge/typedGauge'
import type { LiftFault } from '../lifting/lifting'
import type { FormulaFault } from '../method/formula'
import type { MethodFault } from '../method/reduction'
import type { SetUpFault } from '../method/setUp/setUpFault'
import { NO_PLACE } from '../method/slot'
import type { AdditionFault } from '../notes/additions'
import type { DraftFault } from '../notes/draftBook'
import type { NoteFault } from '../notes/noteFault'
import type { PlanFault } from '../notes/plan'
import type { TypedFault } from '../notes/typedFault'
import type { QuantityFault } from '../quantity/quantity'
import type { ReadingFault } from '../quantity/reading'
import type { HistoryFault } from '../record/historyTable'
import type { RecordFault } from '../record/recordFault'
import { smallBook } from '../record/smallMachine.fixture'
import type { SlipQuestion } from '../slip/slip'
import { additionFaultWords } from './additions'
import { gaugeFaultWords } from './gauges'
import { historyFaultWords } from './history'
import { schemaFaultWords } from './issues'
import { liftFaultWords } from './lifting'
import { faultWords, formulaFaultWords } from './methodFaults'
import { setUpFaultWords } from './methods'
import { draftFaultWords, noteFaultWords } from './noteFaults'
import { planFaultWords } from './plan'
import { quantityFaultWords, readingFaultWords } from './quantities'
import { bookFaultWords, recordFaultWords } from './recordFaults'
import { slipQuestionWords } from './slips'
import { speakerOf } from './speaker'
import { typedFaultWords } from './typedFaults'

type Facts<F, C> = F extends unknown
  ? C extends (F extends { readonly code: infer D } ? D : never)
    ? Omit<F, 'code'>
    : never
  : never
/** The facts of one of each. */
type Each<F extends { readonly code: string }> = { readonly [C in F['code']]: Facts<F, C> }

const why: QuantityFault = { code: 'unitAlone', text: 'mm' }
const quantity: Each<QuantityFault> = {
  empty: { kind: 'length' },
  notANumber: { text: 'abc', kind: 'length' },
  twoDecimalMarks: { text: '1,2.3' },
  unknownUnit: { text: '1 ell', unit: 'ell', kind: 'length' },
  unitAlone: { text: 'mm' },
  zeroDenominator: { text: '1/0' },
  tooLarge: { text: '9'.repeat(20), kind: 'length' },
}
const reading: Each<Exclude<ReadingFault, QuantityFault>> = {
  negativeSize: { text: '-1' },
  endsSwapped: { text: '3..2' },
  pairUnsigned: { text: '1; 2' },
  noAnswer: { text: 'perhaps', form: 'answer' },
}
const at = { station: 'A', direction: NO_PLACE }
const slots = [{ ...at, repeat: 2 }]
const formula: Each<FormulaFault> = {
  notUnderstood: { text: '#' },
  oneTooMany: { text: 'b' },
  noName: { text: 'd' },
  noFunction: { text: 'median' },
  oneValueOnly: { text: 'abs' },
  endsEarly: {},
  mayDivideByZero: {},
  expected: { wanted: ')', found: ';' },
  temperatureOrDifference: { figure: '68', unit: '°F' },
  noUnit: { figure: '3', unit: 'parsecs' },
  gives: { found: { mm: 2 }, wanted: { mm: 1 } },
  adds: { left: { mm: 1 }, right: { N: 1 } },
  mixes: { text: 'max', of: [{ mm: 1 }, { s: 1 }] },
}
const method: Each<MethodFault> = {
  repeatsDisagree: { at, range: 0.06, limitValue: 0.05, sticksOut: 2 },
  repeatsNotFigures: { at, limitValue: 0.05 },
  noGauge: { slots },
  otherGauge: { slots },
  beyondRange: { slots },
  lapsed: { slots },
  notUnderstood: { slots },
  outsideStripScale: { places: [at] },
  shimsUnequal: { range: 0.02, limitValue: 0.01 },
  noSpringLine: {},
  formula: { why: { code: 'endsEarly' } },
}
const lift: Each<LiftFault> = {
  noMark: {},
  legTooFlat: { angleDegrees: 70 },
  eyeTooFlat: { angleDegrees: 50 },
  notPositive: { what: 'load' },
}
const far = { value: 41, expected: [39.9, 40], from: 'neighbours', likely: null } as const
const slip: Each<SlipQuestion> = {
  farOff: far,
  wrongSideOfNew: { ...far, likely: { kind: 'decimalPlace', text: '4.1', value: 4.1 } },
  copiedDown: { text: '39.95', times: 4, likely: null },
  finerThanGauge: { text: '39.9512', resolution: 0.001, gauge: 'M-1', likely: null },
  outsideRange: { value: 41, range: [0, 25], gauge: 'M-1', likely: null },
  calibrationLapsed: { gauge: 'M-1', due: '2025-01-01', likely: null },
  clockOff: { device: '2019-01-01T00:00:00Z', openedOn: '2026-01-01', likely: null },
  noGauge: { wanted: 'dial', likely: null },
  otherKindOfGauge: { gauge: 'M-1', wanted: 'dial', quantity: 'length', settles: false, likely: null },
  notOfClass: { gauge: 'M-1', error: 0.01, asked: 0.004, likely: null },
  repeatsSpread: { range: 0.06, limitValue: 0.05, first: null, likely: null },
}
const typed: Each<TypedFault> = {
  figure: { figure: 'nominal', why },
  sizeClass: { figure: 'newLeast', why: { code: 'letterNotHere', letter: 't', nominalMm: 20 } },
  methodGivesNo: { value: 'bow' },
  limit: { judges: 'maximum', side: 'upper', row: 0, at: 'plan', why: { code: 'planAfterWear' } },
  neverSet: {},
  restsOnNothing: { id: 'x' },
  stepOfNothing: {},
  newEndsSwapped: {},
  inTheBook: {},
  nameTaken: { name: 'Sleeve' },
  documentTaken: { id: 'FP-7', title: 'Handbook' },
  ringRunsInNothing: {},
  standsForNothing: { name: 'a' },
  noValueOf: { name: 'Sleeve', value: 'bow' },
  formula: { why: { code: 'endsEarly' } },
  needsItself: {},
  never: { why: { code: 'wearFromNothing' } },
}
const note: Each<NoteFault> = {
  noStep: { id: 'x' },
  closed: { step: 'Open', until: 'Lock' },
  waitNotStarted: { step: 'Open', minutes: 30, waitsFor: 'cooling' },
  stillWaiting: { step: 'Open', leftMs: 90_000, waitsFor: 'cooling' },
  needsLicence: { step: 'Lock', field: 'electricalWork' },
  stillInside: { step: 'Turned by hand', things: ['Plastic strip'] },
  notSet: { step: 'Turned by hand', things: ['End float'] },
  destroysEvidence: { step: 'Cut', position: 'Seal' },
  mustNotBeSkipped: { step: 'Lock', makesSafe: true },
  mayBeSkipped: { step: 'Look' },
  nobodySaysSo: { step: 'Look' },
  agreedAlready: { by: 'Ida' },
  saidYourself: { step: 'Look' },
  openAlready: { step: 'Look' },
  stepIdTaken: {},
  noStepBefore: { id: 'x' },
  notThere: { step: 'Look' },
  noWait: { step: 'Look' },
  noPosition: { id: 'x' },
  noCaution: { id: 'x' },
  addition: { why: [{ code: 'endsSwapped' }] },
  notAddedHere: {},
  decidedBy: { name: 'Hone by hand' },
  noPart: { id: 'x' },
  noCharacteristic: { id: 'x' },
  noFinding: {},
  outBefore: { step: 'Lift' },
  notSafeYet: {},
  positionIdTaken: {},
  insideItself: { positions: ['Cap', 'Cover'] },
  noJoint: { id: 'x' },
  noStation: { id: 'x' },
  noPiece: { piece: 13, count: 12 },
  noPattern: { id: 'x' },
  tooManyElements: { pattern: 'Balls', count: 12 },
  elementTwice: { pattern: 'Balls' },
  noHandTest: { id: 'x' },
  methodStays: { name: 'Sleeve' },
  notTypedHere: {},
  hasReadings: { name: 'Sleeve' },
  usedBy: { name: 'Wall' },
  typedAnew: { name: 'Sleeve' },
  typedYourself: { name: 'Sleeve' },
  sayWhatDiffers: {},
  typed: { why: [{ code: 'needsItself' }] },
  noSize: { why },
  sizeOfNothing: { text: '0' },
  noPitch: { text: 'fine' },
  notExplainedYet: {},
  noPicture: {},
  neverPutIn: {},
  onlySoMany: { name: 'Pipe cap', inside: 1, count: 2 },
  noPlanLine: { id: 'x' },
  noReading: {},
  tooManySides: { part: 'Wear strip', has: 2 },
  noVariant: { id: 'white-metal' },
  readOnOther: { name: 'Bush bore' },
}
const addition: Each<AdditionFault> = {
  noSuchKind: { kind: 'glue' },
  figureBeyond: { figure: 'boreMm' },
  sizesSwapped: {},
  takesOffToNew: {},
  mostOffWhat: {},
  suitsNothing: { id: 'x' },
  side: { kind: 'shaftInBore', side: 'bore' },
  sameSide: { name: 'Sleeve' },
  figure: { figure: 'upper:plan', why },
  choice: { choice: 'tolerance' },
  noPart: { id: 'x' },
  mendOn: { name: 'Shaft in sleeve' },
  notMeasuredHere: { id: 'x' },
  limit: { side: 'upper', at: 'wear', why: { code: 'planAlone' } },
  endsSwapped: {},
  fit: { why: { code: 'bearingNotInTable', sizeMm: 9000, tolerance: 'normal' } },
  nameTaken: { name: 'Sleeve' },
  ruleTwice: { part: 'Sleeve' },
  noLevel: {},
  ownOnSafety: { name: 'Brake band' },
}
const draft: Each<DraftFault> = { nothingTyped: {}, notAsDocument: { names: ['Sleeve'] }, notChecked: { names: ['Sleeve'] } }
const setUp: Each<SetUpFault> = {
  empty: { field: 'points' },
  notChosen: { field: 'quantity' },
  wholeNumber: { field: 'points', most: 40 },
  notPositive: { field: 'points' },
  howMany: { field: 'points', most: 40 },
  sameName: { field: 'points' },
  angleOutside: { field: 'points' },
  sameAngle: { field: 'points' },
  pairs: { field: 'points', text: 'a b' },
  figure: { why },
  band: { text: '3' },
  formula: { why: { code: 'endsEarly' } },
  namesNothing: {},
  standsFor: { name: 'a' },
  shorterIsLonger: {},
  bothLevers: {},
  scale: {},
  distances: { stations: 3 },
}
const gauge: Each<GaugeFault> = {
  eyeIsNoGauge: {},
  figure: { why },
  tooLarge: { text: '99 km' },
  empty: { field: 'code' },
  notPositive: { field: 'resolution' },
  signed: {},
  oneEnd: {},
  endsSwapped: {},
  coverage: {},
  expansion: {},
  pairs: { text: 'a b' },
  tooMany: { most: 60 },
  twice: { at: 25 },
}
const then = { date: '2012-05-14', hours: 9800 }
const history: Each<HistoryFault> = {
  headLacks: { columns: ['date'] },
  notAColumn: { columns: ['colour'] },
  onlyAHead: {},
  noCharacteristic: { text: 'x' },
  noStage: { text: 'later' },
  reading: { why },
  placeTwice: { line: 2 },
  markTooLong: { most: 40 },
  otherMark: { before: 'S-0', here: 'S-1' },
  tooManyReadings: { most: 400 },
  noName: {},
  nameTooLong: { most: 80 },
  tooManyOverhauls: { most: 20 },
  noDay: { text: 'May' },
  liesAhead: { date: '2030-01-01', today: '2026-01-01' },
  noHours: { text: 'many' },
  notEarlier: { hours: '9 800', now: 9000 },
  twoDates: { overhaul: 'Second', one: then, other: { ...then, hours: 9900 } },
  hoursFall: { one: { ...then, overhaul: 'Second' }, other: { ...then, overhaul: 'Third' } },
  noPlace: { characteristic: 'Sleeve', text: 'Z' },
  noGauge: { gauge: 'M-9' },
  otherKindOfGauge: { gauge: 'M-1', characteristic: 'Sleeve' },
}
const plan: Each<PlanFault> = {
  lapsed: { gauge: 'M-1', due: '2025-01-01', date: '2026-01-01' },
  tooCoarse: { gauge: 'M-1', sizeMm: 160, error: 0.006 },
  none: { sizeMm: 160 },
}
const book: Each<BookFault> = {
  notGiven: { value: 'bow' },
  wearFromNothing: {},
  sameId: { of: 'part', id: 'rotor' },
  notThere: { what: 'document', id: 'x' },
  noRoute: { part: 'Shaft', route: 'grind' },
  otherMethod: { characteristic: 'Sleeve', wanted: ['boreDiameter'] },
  noValue: { characteristic: 'Sleeve', value: 'bow' },
  methodGivesNo: { value: 'bow' },
  noFitOrRing: { id: 'x' },
  emptyWhenIssued: {},
  growsToItself: {},
  boundToItself: {},
  gateNotMeasured: { characteristic: 'Sleeve' },
  insideItself: { positions: ['Cap', 'Cover'] },
  needEachOther: { characteristics: ['a', 'b'] },
  sizeClass: { why: { code: 'notAClass', text: 'H' } },
  notItsClass: { lower: 63, upper: 63.03, class: 'H7' },
  noLength: { characteristic: 'Sleeve' },
  fit: { why: { code: 'bearingNotInTable', sizeMm: 4000, tolerance: 'normal' } },
  unitsDisagree: { text: '0.30 mm', also: '0.010 in' },
  alsoUnread: { why: { code: 'notANumber', text: 'x', kind: 'length' } },
  nothingPairs: {},
  notInSet: { characteristic: 'Sleeve' },
  noPlace: { station: 'g', direction: '13' },
  noLimits: {},
  notAlwaysFitted: { characteristic: 'bush' },
  noNewSize: { characteristic: 'bush' },
  limitsCrossed: { least: 60.5, most: 60.2, quantity: 'length' },
  routeSizesSwapped: {},
  takesOffToNew: {},
  neverSet: {},
  routeToNowhere: { characteristic: 'Sleeve' },
  method: { why: { code: 'shorterIsLonger' } },
  formula: { why: { code: 'endsEarly' } },
}
const record: Each<RecordFault> = {
  sameReadingId: {},
  sameEntryId: {},
  noCharacteristic: { id: 'x' },
  noGauge: { id: 'x' },
  noPart: { id: 'x' },
  noLevel: { id: 'x' },
  noSuchPlace: {},
  noReason: {},
  otherKind: { text: '41', reading: 'point' },
  otherValue: { text: '41', value: 40 },
  otherEnds: {},
  correctsNothing: {},
  correctsElsewhere: {},
  correctedTwice: {},
  correctionWithoutReason: {},
  twoAtOnePlace: {},
  notAsTyped: {},
  hoursAfterThis: {},
  departureWithoutReason: {},
  noRoute: { part: 'Shaft', route: 'grind' },
}

const speaker = speakerOf(smallBook, 'metric')
const sleeve = smallBook.characteristics[0]?.id ?? ''
const figures = { quantity: 'length', system: 'metric', step: 0.001 } as const
const methodFault = (fault: MethodFault): string => {
  const { reason, settledBy } = faultWords(speaker, sleeve, fault)
  return `${reason}. ${settledBy}`
}
/** A fault of a book or a record stands after the place where it is, and a fault of the plan after its line: no capital, no stop. */
const placed = (words: string): string => `At the place: ${words}.`

const each = <F extends { readonly code: string }>(
  facts: Each<F>,
  say: (fault: F) => string,
): [string, object, (fault: never) => string][] =>
  Object.entries(facts).map(([code, of]) => [code, { code, ...(of as object) }, say as (fault: never) => string])

const all = [
  ...each(quantity, quantityFaultWords),
  ...each<Exclude<ReadingFault, QuantityFault>>(reading, readingFaultWords),
  ...each(formula, formulaFaultWords),
  ...each(method, methodFault),
  ...each(lift, liftFaultWords),
  ...each(slip, (question: SlipQuestion) => slipQuestionWords(question, figures)),
  ...each(typed, typedFaultWords),
  ...each(note, noteFaultWords),
  ...each(addition, additionFaultWords),
  ...each(draft, draftFaultWords),
  ...each(setUp, (fault: SetUpFault) => setUpFaultWords('benchTest', fault)),
  ...each(gauge, gaugeFaultWords),
  ...each(history, historyFaultWords),
  ...each(plan, (fault: PlanFault) => placed(planFaultWords(fault, 'metric'))),
  ...each(book, (fault: BookFault) => placed(bookFaultWords(fault).replace(/[.]$/, ''))),
  ...each(record, (fault: RecordFault) => placed(recordFaultWords(fault))),
]

test.each(all)('%s', (code, fault, say) => {
  const used = new Set<PropertyKey>(['code', 'likely'])
  const watched = new Proxy(fault, {
    get: (of, key) => {
      used.add(key)
      return Reflect.get(of, key)
    },
  })
  const sentence = say(watched as never)
  expect(sentence).toMatch(/^[A-Z“\d].{12,}[.?!]$/s)
  expect(sentence).not.toMatch(/undefined|NaN|null|Infinity|\[object|\.\.$|“”/)
  if (/[A-Z]/.test(code)) expect(sentence).not.toContain(code)
  expect(Object.keys(fault).filter((key) => !used.has(key))).toEqual([])
})

test.each(Object.entries(schemaFaultWords))('%s', (code, words) => {
  expect(words).toMatch(/^[a-z].{8,}[^.]$/)
  expect(words).not.toContain(code)
})
