import { useRef, useState } from 'react'
import type { Characteristic } from '../../../core/book/bookSchema'
import { BY_EYE } from '../../../core/gauge/gauge'
import type { GaugeKind } from '../../../core/gauge/gaugeKinds'
import type { Slot } from '../../../core/method/layout'
import type { InspectionRecord, Reading } from '../../../core/record/recordSchema'
import { gaugeKindAt } from '../../../core/record/typedReading'
import { gaugeQuestionAt } from '../../../core/slip/gaugeQuestion'
import type { SlipQuestion } from '../../../core/slip/slip'
import type { Gauge } from '../benchRecord'
import { gaugeInHand } from './fittingGauge'
import { useGaugesInHand } from './useGaugesInHand'

/** Stands for a gauge where none of the store is in hand. */
export const NO_GAUGE = ''

export interface InHand {
  readonly wanted: GaugeKind
  /** None where one looks, and where none of the store is in hand. */
  readonly gauge: Gauge | undefined
  readonly ofKind: readonly Gauge[]
  /** Of other kinds: asked about before anything is stored with one. */
  readonly others: readonly Gauge[]
  take(gaugeId: string): void
  /** Asks about a gauge of another kind, or none, once for each characteristic. */
  question(slot: Slot, standing: readonly Reading[]): SlipQuestion | null
  /** It is kept in spite of the question. */
  keep(): void
}

/**
 * The gauge in hand at a place: of the kind asked for, as remembered on this device. One of another kind, or none, is in hand
 * for the characteristic it was taken for and no longer: it is an exception.
 */
export function useGaugeInHand(record: InspectionRecord, characteristic: Characteristic, active: Slot, today: string): InHand {
  const [hand, remember] = useGaugesInHand()
  const [exception, setException] = useState<{ characteristic: string; wanted: GaugeKind; id: string } | null>(null)
  const kept = useRef(new Set<string>())
  const wanted = gaugeKindAt(characteristic, active)
  const inUse = record.gauges.filter(({ replaced }) => !replaced)
  const ofKind = inUse.filter(({ kind }) => kind === wanted)
  const isException = exception !== null && exception.characteristic === characteristic.id && exception.wanted === wanted
  const gauge =
    wanted === 'eye'
      ? undefined
      : isException
        ? inUse.find(({ id }) => id === exception.id)
        : gaugeInHand(ofKind, hand[wanted], characteristic, active, today, record.machine.units)
  const key = `${characteristic.id} ${wanted} ${gauge?.id ?? NO_GAUGE}`
  return {
    wanted,
    gauge,
    ofKind,
    others: inUse.filter(({ kind }) => kind !== wanted),
    take: (id) => {
      const isOfKind = ofKind.some((item) => item.id === id)
      if (isOfKind) remember(wanted, id)
      setException(isOfKind ? null : { characteristic: characteristic.id, wanted, id })
    },
    question: (slot, standing) =>
      kept.current.has(key) ? null : gaugeQuestionAt({ characteristic, slot, gauge: gauge ?? BY_EYE, standing }),
    keep: () => void kept.current.add(key),
  }
}
