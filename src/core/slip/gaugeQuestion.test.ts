import { expect, test } from 'vitest'
import { BY_EYE, type Gauge } from '../gauge/gauge'
import type { GaugeKind } from '../gauge/gaugeKinds'
import { everyMethod, testGauge } from '../method/everyMethod.fixture'
import { slotsOf } from '../method/layout'
import type { Method } from '../method/method'
import type { Reading } from '../record/recordSchema'
import type { Measurable } from '../record/standing'
import { slipQuestionWords } from '../words/slips'
import { gaugeQuestionAt } from './gaugeQuestion'

const of = (kind: GaugeKind): Gauge => (kind === 'eye' ? BY_EYE : testGauge({ id: kind, kind, code: `${kind}-1` }))

test.each<[what: string, method: Method, wanted: GaugeKind, inHand: GaugeKind, keptWith: GaugeKind | null, said: RegExp | null]>([
  ['the kind asked for', everyMethod.outsideDiameter, 'outsideMicrometer', 'outsideMicrometer', null, null],
  [
    'another kind of the same quantity',
    everyMethod.outsideDiameter,
    'outsideMicrometer',
    'caliper',
    null,
    /counts with the uncertainty/,
  ],
  [
    'one of another quantity',
    everyMethod.outsideDiameter,
    'outsideMicrometer',
    'balance',
    null,
    /does not measure length.*decides nothing/,
  ],
  ['none', everyMethod.outsideDiameter, 'outsideMicrometer', 'eye', null, /No gauge.*Outside micrometer.*decides nothing/],
  ['none, kept before in this set', everyMethod.outsideDiameter, 'outsideMicrometer', 'eye', 'eye', null],
  ['none, where another was kept', everyMethod.outsideDiameter, 'outsideMicrometer', 'eye', 'caliper', /No gauge/],
  ['what is looked at', everyMethod.visualCheck, 'eye', 'eye', null, null],
  ['marks put into words', everyMethod.elementPattern, 'feeler', 'eye', null, null],
  ['torque with a wrench', everyMethod.torque, 'torqueWrench', 'torqueWrench', null, null],
  ['torque with a dial', everyMethod.torque, 'torqueWrench', 'dial', null, /does not measure torque.*decides nothing/],
])('%s', (_what, method, wanted, inHand, keptWith, said) => {
  const slots = slotsOf(method)
  const [slot] = slots
  if (!slot) throw new Error('no place')
  const gauge = keptWith === 'eye' ? null : keptWith
  const standing = keptWith === null ? [] : [{ ...(slots[1] ?? slot), gauge } as Reading]
  const characteristic = {
    method: method as Measurable['method'],
    gaugeKind: wanted,
    otherGauges: undefined,
  }
  const question = gaugeQuestionAt({ characteristic, slot, gauge: of(inHand), standing })
  if (said === null) expect(question).toBeNull()
  else expect(question && slipQuestionWords(question, { quantity: 'length', system: 'metric', step: 0.01 })).toMatch(said)
})
