import type { Characteristic } from '../../../core/book/bookSchema'
import { quantityOf } from '../../../core/method/gives'
import { kindOf } from '../../../core/method/kinds'
import { quantityAt, type Slot } from '../../../core/method/layout'
import type { UnitSystem } from '../../../core/quantity/unitSystem'
import type { Gauge } from '../benchRecord'

/** About what will be read at a place; null where a new part does not say. */
function expectedAt({ method, new: size, limits }: Characteristic, slot: Slot): number | null {
  const kind = kindOf(method)
  if (kind.expects) return kind.expects(method, slot)
  if (quantityAt(method, slot) !== quantityOf(method) || limits.length === 0) return null
  return size?.nominal ?? limits[0]?.wear ?? null
}

/** The system a gauge of lengths is divided in: its step is a round figure of that one. */
function readsIn({ resolution }: Gauge): UnitSystem {
  const steps = resolution / 25.4 / 0.000_05
  return Math.abs(steps - Math.round(steps)) < 1e-6 ? 'inch' : 'metric'
}

/**
 * The one last taken in hand if it reaches what is to be read; else the best that does: in calibration, and showing the
 * step the figures are shown to, divided in the units of the machine; else whatever there is.
 */
export function gaugeInHand(
  gauges: readonly Gauge[],
  last: string | undefined,
  characteristic: Characteristic,
  slot: Slot,
  today: string,
  system: UnitSystem,
): Gauge | undefined {
  const expected = expectedAt(characteristic, slot)
  const reaches = ({ range }: Gauge): boolean =>
    range === null || expected === null || (expected >= range.least && expected <= range.greatest)
  const remembered = gauges.find(({ id }) => id === last)
  if (remembered && reaches(remembered)) return remembered
  const rank = (gauge: Gauge): number =>
    (reaches(gauge) ? 0 : 4) +
    (gauge.calibrationDue >= today ? 0 : 2) +
    (gauge.resolution <= characteristic.showTo ? 0 : 1) +
    (readsIn(gauge) === system ? 0 : 0.5)
  const [best] = [...gauges].sort((a, b) => rank(a) - rank(b))
  return best && reaches(best) ? best : (remembered ?? best)
}
