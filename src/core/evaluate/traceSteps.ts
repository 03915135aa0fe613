import type { Characteristic } from '../book/bookSchema'
import { coverageFactor } from '../gauge/errors'
import type { LimitOutcome } from '../limit/outcome'
import { stepOf } from '../method/gives'
import { quantityAt, slotLabel } from '../method/layout'
import { namedBy, type ReductionName, reductionLabel } from '../method/reduction'
import { endsOf } from '../quantity/extent'
import { type Figures, figuresOf } from '../quantity/figures'
import { formatEnds } from '../quantity/format'
import { quantityFacts } from '../quantity/kind'
import { signedFromMaster } from '../quantity/reading'
import type { UnitSystem } from '../quantity/unitSystem'
import type { Taken, TakenSet } from '../record/standing'
import type { TraceStep } from '../verdict/vote'

/** A reading as typed, what was done to it, and what it stands for. */
export function readingStep(
  { method, showTo }: Characteristic,
  { reading, corrected, interval }: Taken,
  system: UnitSystem,
): TraceStep {
  const quantity = quantityAt(method, reading)
  const { figure, difference, unit } = figuresOf(quantity, system, stepOf(method, showTo, quantity))
  const place = slotLabel(method, reading)
  const { low, high } = endsOf(interval)
  const fromMaster = reading.masterMm !== null && signedFromMaster(reading.text)
  const steps = [
    fromMaster ? `on the master ${figure(reading.masterMm ?? 0)}` : '',
    corrected.zero === 0 ? '' : `zero ${signed(difference(corrected.zero))}`,
    corrected.calibration === 0 ? '' : `calibration ${signed(difference(corrected.calibration))}`,
    corrected.temperature === 0 ? '' : `to 20 °C ${signed(difference(corrected.temperature))}`,
  ].filter((step) => step !== '')
  const correction = steps.length === 0 ? '' : `, ${steps.join(', ')}`
  const value = formatEnds(low, high, figure)
  return {
    kind: 'reading',
    text: `${place}: “${reading.text}”${correction} → ${value}${unit === '' ? '' : ` ${unit}`}`,
    source: null,
  }
}

const signed = (text: string): string => (text.startsWith('−') ? text : `+${text}`)

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

/** Readings that are the same differ by their noise: a limit on a spread judges that too. */
const noiseWords = (judges: ReductionName): string =>
  SPREADS.has(judges)
    ? '; noise alone widens it'
    : judges === 'maximum' || judges === 'minimum'
      ? '; the worst of several is pushed by noise'
      : ''

/** The sum that gave the judged value, and its uncertainty. */
export function reductionSteps(
  { taken }: TakenSet,
  { value, limit }: LimitOutcome,
  { extent, expanded, unit }: Figures,
  system: UnitSystem,
): TraceStep[] {
  if (value === null) return []
  const terms = value.sum.map((term) => {
    const figures =
      term.quantity === value.quantity
        ? { extent, unit: '' }
        : figuresOf(term.quantity, system, quantityFacts[term.quantity].step)
    return `${term.label} ${figures.extent(namedBy(term))}${figures.unit === '' ? '' : ` ${figures.unit}`}`
  })
  const sum = value.sum.length > 1 ? ` = ${terms.join(', ')}` : ''
  const gauges = [...new Set(taken.map((reading) => reading.gauge.code))].join(', ')
  const steps: TraceStep[] = [
    { kind: 'reduction', text: `${reductionLabel[limit.judges]} ${extent(value)} ${unit}, ${value.where}${sum}`, source: null },
  ]
  if (value.uncertainty > 0) {
    const k = coverageFactor(value.degreesOfFreedom)
    steps.push({
      kind: 'uncertainty',
      text: `± ${expanded(value.uncertainty, k)} ${unit} (k = ${k.toFixed(k === 2 ? 0 : 2)}), gauge ${gauges}${noiseWords(limit.judges)}`,
      source: null,
    })
  }
  return steps
}
