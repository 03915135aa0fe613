import type { Gauge } from '../gauge/gauge'
import { quantityAt, type Slot } from '../method/layout'
import type { Reading } from '../record/recordSchema'
import { doubtOfGauge, type Measurable } from '../record/standing'
import { gaugeKindAt } from '../record/typedReading'
import type { SlipQuestion } from './slip'

export interface GaugeInUse {
  readonly characteristic: Measurable
  readonly slot: Slot
  /** By eye where no gauge is in hand. */
  readonly gauge: Gauge
  /** Readings of the characteristic that stand at this stage: once kept, a gauge is not asked about again. */
  readonly standing: readonly Reading[]
}

/** Questions a gauge that is not of the kind asked for at a place; null when it is, or when it was kept here before. */
export function gaugeQuestionAt({ characteristic, slot, gauge, standing }: GaugeInUse): SlipQuestion | null {
  const wanted = gaugeKindAt(characteristic, slot)
  if (gauge.kind === wanted || wanted === 'eye') return null
  const own = gauge.kind === 'eye' ? null : gauge.id
  if (standing.some((reading) => reading.gauge === own && gaugeKindAt(characteristic, reading) === wanted)) return null
  const doubt = doubtOfGauge(characteristic, slot, gauge)
  if (gauge.kind === 'eye') return doubt === null ? null : { code: 'noGauge', wanted, likely: null }
  return {
    code: 'otherKindOfGauge',
    gauge: gauge.code,
    wanted,
    quantity: quantityAt(characteristic.method, slot),
    settles: doubt === null,
    likely: null,
  }
}
