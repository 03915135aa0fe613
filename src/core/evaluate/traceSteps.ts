import type { Characteristic } from '../book/bookSchema'
import type { LimitOutcome } from '../limit/outcome'
import { quantityAt } from '../method/layout'
import { slotOf } from '../method/slot'
import { endsOf } from '../quantity/extent'
import type { QuantityKind } from '../quantity/kind'
import { signedFromMaster } from '../quantity/reading'
import type { Taken, TakenSet } from '../record/standing'
import type { TraceStep } from '../verdict/vote'

/** A reading as typed, what was done to it, and what it stands for. */
export function readingStep({ method }: Characteristic, { reading, corrected, interval }: Taken): TraceStep {
  const { zero, calibration, temperature } = corrected
  return {
    kind: 'reading',
    slot: slotOf(reading),
    text: reading.text,
    quantity: quantityAt(method, reading),
    master: reading.masterMm !== null && signedFromMaster(reading.text) ? reading.masterMm : null,
    zero,
    calibration,
    temperature,
    ends: endsOf(interval),
    source: null,
  }
}

/** The sum that gave the judged value, and its uncertainty. */
export function reductionSteps({ taken }: TakenSet, { value, limit }: LimitOutcome, quantity: QuantityKind): TraceStep[] {
  if (value === null) return []
  const { judges } = limit
  const { where, sum, uncertainty, degreesOfFreedom } = value
  const steps: TraceStep[] = [
    { kind: 'reduction', judges, quantity, value: { value: value.value, interval: value.interval }, where, sum, source: null },
  ]
  if (uncertainty > 0) {
    const gauges = [...new Set(taken.map(({ gauge }) => gauge.code))]
    steps.push({ kind: 'uncertainty', judges, quantity, uncertainty, degreesOfFreedom, gauges, source: null })
  }
  return steps
}
