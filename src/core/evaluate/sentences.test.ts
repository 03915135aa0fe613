/** Every code that a person may meet has a sentence: it ends, names no code, and leaves no fact undefined. */
import { expect, test } from 'vitest'
import { explainLiftFault, type LiftFault } from '../lifting/lifting'
import type { MethodFault } from '../method/reduction'
import { figuresOf } from '../quantity/figures'
import { explainQuantityFault, type QuantityFault } from '../quantity/quantity'
import { explainReadingFault, type ReadingFault } from '../quantity/reading'
import { explainSlip, type SlipQuestion } from '../slip/slip'
import { sayFault } from './faultVotes'

/** One of each: the types ask for the next one. */
type Each<F extends { readonly code: string }> = { readonly [C in F['code']]: Extract<F, { code: C }> }

const quantity: Each<QuantityFault> = {
  empty: { code: 'empty', kind: 'length' },
  notANumber: { code: 'notANumber', text: 'abc', kind: 'length' },
  twoDecimalMarks: { code: 'twoDecimalMarks', text: '1,2.3' },
  unknownUnit: { code: 'unknownUnit', text: '1 ell', unit: 'ell', kind: 'length' },
  unitAlone: { code: 'unitAlone', text: 'mm' },
  zeroDenominator: { code: 'zeroDenominator', text: '1/0' },
  tooLarge: { code: 'tooLarge', text: '9'.repeat(20), kind: 'length' },
}
const reading: Each<Exclude<ReadingFault, QuantityFault>> = {
  negativeSize: { code: 'negativeSize', text: '-1' },
  endsSwapped: { code: 'endsSwapped', text: '3..2' },
  pairUnsigned: { code: 'pairUnsigned', text: '1; 2' },
  noAnswer: { code: 'noAnswer', text: 'perhaps', form: 'answer' },
}
const method: Each<MethodFault> = {
  repeatsDisagree: { code: 'repeatsDisagree', at: 'A', range: 0.06, limitValue: 0.05, sticksOut: 2 },
  repeatsNotFigures: { code: 'repeatsNotFigures', at: 'A', limitValue: 0.05 },
  noGauge: { code: 'noGauge', slots: ['A'] },
  otherGauge: { code: 'otherGauge', slots: ['A'] },
  notUnderstood: { code: 'notUnderstood', slots: ['A'] },
  outsideStripScale: { code: 'outsideStripScale', slots: ['A'] },
  shimsUnequal: { code: 'shimsUnequal', range: 0.02, limitValue: 0.01 },
  noSpringLine: { code: 'noSpringLine' },
  formula: { code: 'formula', why: 'It divides by nothing.' },
}
const lift: Each<LiftFault> = {
  noMark: { code: 'noMark' },
  legTooFlat: { code: 'legTooFlat', angleDegrees: 70 },
  eyeTooFlat: { code: 'eyeTooFlat', angleDegrees: 50 },
  notPositive: { code: 'notPositive', what: 'load' },
}
const far = { value: 41, expected: [39.9, 40], from: 'neighbours', likely: null } as const
const slip: Record<SlipQuestion['code'], SlipQuestion> = {
  farOff: { code: 'farOff', ...far },
  wrongSideOfNew: { code: 'wrongSideOfNew', ...far },
  copiedDown: { code: 'copiedDown', text: '39.95', times: 4, likely: null },
  finerThanGauge: { code: 'finerThanGauge', text: '39.9512', resolution: 0.001, gauge: 'M-1', likely: null },
  outsideRange: { code: 'outsideRange', value: 41, range: [0, 25], gauge: 'M-1', likely: null },
  calibrationLapsed: { code: 'calibrationLapsed', gauge: 'M-1', due: '2025-01-01', likely: null },
  clockOff: { code: 'clockOff', device: '2019-01-01T00:00:00Z', openedOn: '2026-01-01', likely: null },
  noGauge: { code: 'noGauge', wanted: 'dial', likely: null },
  otherKindOfGauge: { code: 'otherKindOfGauge', gauge: 'M-1', wanted: 'dial', quantity: 'length', settles: true, likely: null },
  notOfClass: { code: 'notOfClass', gauge: 'M-1', error: 0.01, asked: 0.004, likely: null },
  repeatsSpread: { code: 'repeatsSpread', range: 0.06, limitValue: 0.05, first: 'Turn the shaft over', likely: null },
}
const figures = { quantity: 'length', system: 'metric', step: 0.001 } as const
const said = (fault: MethodFault): string => {
  const { reason, settledBy } = sayFault(fault, figuresOf('length', 'metric', 0.001), undefined)
  return `${reason}. ${settledBy}`
}

const sentences: readonly (readonly [code: string, sentence: string])[] = [
  ...Object.values(quantity).map((fault) => [fault.code, explainQuantityFault(fault)] as const),
  ...Object.values(reading).map((fault) => [fault.code, explainReadingFault(fault)] as const),
  ...Object.values(method).map((fault) => [fault.code, said(fault)] as const),
  ...Object.values(lift).map((fault) => [fault.code, explainLiftFault(fault)] as const),
  ...Object.values(slip).map((question) => [question.code, explainSlip(question, figures)] as const),
]

test.each(sentences)('%s', (code, sentence) => {
  expect(sentence).toMatch(/^[A-Z“\d].{12,}[.?!]$/s)
  expect(sentence).not.toMatch(/undefined|NaN|null|Infinity|\[object/)
  if (/[A-Z]/.test(code)) expect(sentence).not.toContain(code)
})
