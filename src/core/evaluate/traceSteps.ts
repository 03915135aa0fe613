import { normalQuantile } from '../base/distribution'
import type { Characteristic } from '../book/bookSchema'
import type { LimitOutcome } from '../limit/outcome'
import { quantityAt } from '../method/layout'
import type { Reduced, ReductionName } from '../method/reduction'
import { slotOf } from '../method/slot'
import { endsOf } from '../quantity/extent'
import type { QuantityKind } from '../quantity/kind'
import { signedFromMaster } from '../quantity/reading'
import type { Taken, TakenSet } from '../record/standing'
import type { TraceStep } from '../verdict/vote'

/** Values that are a spread of places, so that noise alone makes one where there is none. */
const SPREADS: ReadonlySet<ReductionName> = new Set([
  'range',
  'outOfRound',
  'taper',
  'stripTaper',
  'parallelism',
  'variation',
  'oppositeDifference',
  'totalIndicated',
])

/**
 * How far noise alone carries the worst of so many places that are the same, or widens the spread of them, expected: each
 * reading has its own resolution and repeatability. Largest of n normal values by Blom’s approximation; a spread is twice that.
 */
export function noiseWidens({ contributions }: Pick<Reduced, 'contributions'>, judges: ReductionName, places: number): number {
  const isSpread = SPREADS.has(judges)
  if (places < 2 || !(isSpread || judges === 'maximum' || judges === 'minimum')) return 0
  const own = contributions.filter(({ kind }) => kind === 'resolution' || kind === 'repeats')
  const noise = Math.hypot(...own.map(({ standard }) => standard))
  const largest = normalQuantile((places - BLOM) / (places - 2 * BLOM + 1))
  // A spread has the noise of two places.
  return isSpread ? (2 * largest * noise) / Math.SQRT2 : largest * noise
}

const BLOM = 0.375

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
    const places = new Set(taken.map(({ reading: { station, direction } }) => `${station}/${direction}`)).size
    const noise = noiseWidens(value, judges, places)
    steps.push({
      kind: 'uncertainty',
      judges,
      quantity,
      uncertainty,
      degreesOfFreedom,
      ...(noise > 0 ? { noise } : {}),
      gauges,
      source: null,
    })
  }
  return steps
}
