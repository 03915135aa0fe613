import { expect, test } from 'vitest'
import type { Characteristic } from '../../../core/book/bookSchema'
import { everyMethod } from '../../../core/method/everyMethod.fixture'
import { slotsOf } from '../../../core/method/layout'
import type { Method } from '../../../core/method/method'
import type { Gauge } from '../benchRecord'
import { gaugeInHand } from './fittingGauge'

const gauge = (id: string, least: number | null, greatest: number, over: Partial<Gauge> = {}): Gauge =>
  ({
    id,
    resolution: 0.001,
    calibrationDue: '2027-01-01',
    range: least === null ? null : { least, greatest },
    ...over,
  }) as Gauge
const measured = (method: Method, over: Partial<Characteristic> = {}): Characteristic =>
  ({ method, showTo: 0.001, new: { nominal: 60, lower: 59.98, upper: 60 }, limits: [{ wear: 59.9 }], ...over }) as Characteristic
const journal = measured(everyMethod.outsideDiameter)

const [small, fits, alsoFits] = [gauge('0-25', 0, 25), gauge('50-75', 50, 75), gauge('50-75-b', 50, 75)]
const lapsed = gauge('lapsed', 50, 75, { calibrationDue: '2026-01-01' })
const coarse = gauge('coarse', 50, 75, { resolution: 0.01 })

test.each<[what: string, gauges: Gauge[], last: string | undefined, of: Characteristic, taken: string | undefined]>([
  ['the one that reaches the size', [small, fits], undefined, journal, '50-75'],
  ['the one last in hand, of two that do', [fits, alsoFits], '50-75-b', journal, '50-75-b'],
  ['not the one last in hand when it does not reach', [small, fits], '0-25', journal, '50-75'],
  ['one in calibration before one that has lapsed', [lapsed, fits], undefined, journal, '50-75'],
  ['a lapsed one that reaches before a valid one that does not', [small, lapsed], undefined, journal, 'lapsed'],
  ['one as fine as its figures before a coarser one', [coarse, fits], undefined, journal, '50-75'],
  ['a coarse one in calibration before a fine one that has lapsed', [lapsed, coarse], undefined, journal, 'coarse'],
  ['where none reaches, the one last in hand', [small, gauge('100-125', 100, 125)], '100-125', journal, '100-125'],
  ['where none reaches and none was in hand, any', [small], undefined, journal, '0-25'],
  ['a gauge whose range is not on record is trusted', [gauge('open', null, 0), small], undefined, journal, 'open'],
  ['without a store there is none', [], 'x', journal, undefined],
  ['by the wear limit where no new size is known', [small, fits], undefined, { ...journal, new: null }, '50-75'],
  ['any where nothing says what is expected', [small, fits], '0-25', { ...journal, new: null, limits: [] }, '0-25'],
  ['a runout is not expected at the size of its part', [small], undefined, measured(everyMethod.runout), '0-25'],
])('%s', (_what, gauges, last, of, taken) => {
  const [slot] = slotsOf(of.method)
  if (!slot) throw new Error('every method here is read somewhere')
  expect(gaugeInHand(gauges, last, of, slot, '2026-11-26', 'metric')?.id).toBe(taken)
})

test('a spring is tested where its load lies, a wrench where it is set', () => {
  const [light, heavy] = [gauge('light', 0, 100), gauge('heavy', 100, 5000)]
  const spring = measured({ ...everyMethod.spring, newLoadN: 735 })
  const load = slotsOf(spring.method).find(
    ({ station }) =>
      gaugeInHand([light, heavy], undefined, spring, { station, direction: '-', repeat: 1 }, '2026-11-26', 'metric')?.id ===
      'heavy',
  )
  expect(load).toBeDefined()
  const bolts = measured({ ...everyMethod.torque, targetNm: 320 })
  const [slot] = slotsOf(bolts.method)
  expect(slot && gaugeInHand([light, heavy], undefined, bolts, slot, '2026-11-26', 'metric')?.id).toBe('heavy')
})
