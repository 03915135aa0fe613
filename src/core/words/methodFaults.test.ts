import { expect, test } from 'vitest'
import { everyMethod } from '../method/everyMethod.fixture'
import type { MethodFault } from '../method/reduction'
import { NO_PLACE } from '../method/slot'
import { smallBook } from '../record/smallMachine.fixture'
import { faultWords } from './methodFaults'
import { speakerOf } from './speaker'

const book = smallBook
const [any] = book.characteristics
if (!any) throw new Error('the small machine has something to measure')
const floating = { ...any, id: 'float', method: everyMethod.endFloat, showTo: 0.01 } as typeof any
const strip = { ...any, id: 'strip', method: everyMethod.plasticStrip, showTo: 0.01 } as typeof any
const own = { ...floating, id: 'own', beforeRepeats: 'Lift the rotor off its stop' } as typeof any
const of = { ...book, characteristics: [floating, strip, own] }
const none = { station: NO_PLACE, direction: NO_PLACE }

test.each<[id: string, fault: MethodFault, reason: RegExp, settledBy: string]>([
  [
    'strip',
    { code: 'repeatsDisagree', at: { station: 'A', direction: NO_PLACE }, range: 0.052, limitValue: 0.02, sticksOut: 3 },
    /^Repeats at A spread over 0\.05 mm, more than the 0\.02 allowed/,
    'Turn the shaft over and take repeat 3 at A again.',
  ],
  [
    'own',
    { code: 'repeatsDisagree', at: none, range: 0.052, limitValue: 0.02, sticksOut: 2 },
    /^Repeats spread over/,
    'Lift the rotor off its stop and take repeat 2 again.',
  ],
  [
    'float',
    { code: 'repeatsDisagree', at: none, range: 0.052, limitValue: 0.02, sticksOut: null },
    /^Repeats spread over/,
    'Take the repeats again.',
  ],
  [
    'strip',
    {
      code: 'outsideStripScale',
      places: [
        { station: 'A', direction: NO_PLACE },
        { station: 'B', direction: NO_PLACE },
      ],
    },
    /outside its scale at A; B: wrong strip/,
    'Use the strip of the next range and take it again.',
  ],
  [
    'float',
    { code: 'shimsUnequal', range: 0.03, limitValue: 0.01 },
    /The shims differ by 0\.03 mm, more than the 0\.01 allowed/,
    'Use shims of equal thickness and flatten new wires.',
  ],
])('%s: %o says what is wrong and what settles it', (id, fault, reason, settledBy) => {
  const said = faultWords(speakerOf(of, 'metric'), id, fault)
  expect(said.reason).toMatch(reason)
  expect(said.settledBy).toBe(settledBy)
})

test('on an inch machine the spread is in inches', () => {
  const fault = { code: 'repeatsDisagree', at: none, range: 0.0508, limitValue: 0.0254, sticksOut: null } as const
  expect(faultWords(speakerOf(of, 'inch'), 'float', fault).reason).toMatch(/0\.002\d* in, more than the 0\.001\d* allowed/)
})
