import { expect, test } from 'vitest'
import { type OpenSetting, settingsBefore } from './settingsBefore'

type Step = Parameters<typeof settingsBefore>[0]
const step = (id: string, phase: Step['phase'], ...measures: string[]): Step =>
  ({ id, phase, book: { measures } }) as unknown as Step
const steps = [
  step('shims', 'rebuild', 'float'),
  step('cover', 'rebuild'),
  step('turned', 'prove'),
  step('relief', 'prove', 'opening'),
  step('handed', 'prove'),
]
const float: OpenSetting = { name: 'End float', measures: ['float'], isProving: false }
const opening: OpenSetting = { name: 'Opening pressure', measures: ['opening'], isProving: true }

const cases: readonly [id: string, waitsFor: string[]][] = [
  ['shims', ['End float']], // it closes over what it takes
  ['cover', []],
  ['turned', ['End float']], // nothing is proved before; what is taken while proving does not hold it
  ['relief', ['End float', 'Opening pressure']],
  ['handed', ['End float', 'Opening pressure']],
]
test.each(cases)('the step %s waits for %j', (id, waitsFor) => {
  const own = steps.find((one) => one.id === id) as Step
  expect(settingsBefore(own, steps, [float, opening]).map(({ name }) => name)).toEqual(waitsFor)
})
