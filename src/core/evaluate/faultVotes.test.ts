import { expect, test } from 'vitest'
import type { MethodFault } from '../method/reduction'
import { figuresOf } from '../quantity/figures'
import { sayFault } from './faultVotes'

const mm = figuresOf('length', 'metric', 0.01)
const cases: [fault: MethodFault, first: string | undefined, reason: RegExp, settledBy: string][] = [
  [
    { code: 'repeatsDisagree', at: 'A', range: 0.052, limitValue: 0.02, sticksOut: 3 },
    undefined,
    /^Repeats at A spread over 0\.05 mm, more than the 0\.02 allowed/,
    'Turn the shaft over and take repeat 3 at A again.',
  ],
  [
    { code: 'repeatsDisagree', at: '', range: 0.052, limitValue: 0.02, sticksOut: 2 },
    'Lift the rotor off its stop',
    /^Repeats spread over/,
    'Lift the rotor off its stop and take repeat 2 again.',
  ],
  [
    { code: 'repeatsDisagree', at: '', range: 0.052, limitValue: 0.02, sticksOut: null },
    undefined,
    /^Repeats spread over/,
    'Take the repeats again.',
  ],
  [
    { code: 'outsideStripScale', slots: ['A', 'B'] },
    undefined,
    /outside its scale at A; B: wrong strip/,
    'Use the strip of the next range and take it again.',
  ],
  [
    { code: 'shimsUnequal', range: 0.03, limitValue: 0.01 },
    undefined,
    /The shims differ by 0\.03 mm, more than the 0\.01 allowed/,
    'Use shims of equal thickness and flatten new wires.',
  ],
  [{ code: 'noSpringLine' }, undefined, /no rate follows/, 'Take the loads again, clear of coil bind.'],
  [
    { code: 'formula', why: 'The formula divides by nothing' },
    undefined,
    /^The formula divides by nothing$/,
    'Have the formula in the limit book put right.',
  ],
]
test.each(cases)('%o says what is wrong and what settles it', (fault, first, reason, settledBy) => {
  const said = sayFault(fault, mm, first)
  expect(said.reason).toMatch(reason)
  expect(said.settledBy).toBe(settledBy)
})

test('on an inch machine the spread is in inches', () => {
  const inch = figuresOf('length', 'inch', 0.0254)
  const fault = { code: 'repeatsDisagree', at: '', range: 0.0508, limitValue: 0.0254, sticksOut: null } as const
  expect(sayFault(fault, inch, undefined).reason).toMatch(/0\.0020 in, more than the 0\.0010 allowed/)
})
