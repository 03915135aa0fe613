import { exceeds } from '../quantity/decimal'
import type { Interval } from '../quantity/interval'
import type { Gauge } from './gauge'
import { gaugeKindFacts } from './gaugeKinds'

/**
 * What a gauge cannot have shown: a figure beyond its range. A comparator's range is its travel, to either side of the master.
 *
 * @param shown what was read, in the fixed unit; an open end of a bound says nothing
 * @param master size it was set on; null without one
 */
export function beyondRange(gauge: Pick<Gauge, 'kind' | 'range'>, shown: Interval, master: number | null): number | null {
  const { range } = gauge
  if (range === null) return null
  const isComparator = gaugeKindFacts[gauge.kind].comparator
  const ends = [shown.low, shown.high].filter(Number.isFinite)
  const reached = isComparator ? ends.map((end) => Math.abs(end - (master ?? 0))) : ends
  return reached.find((end) => exceeds(range.least, end) || exceeds(end, range.greatest)) ?? null
}
