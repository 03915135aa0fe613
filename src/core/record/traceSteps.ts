import { COVERAGE_FACTOR } from '../gauge/uncertainty'
import { stepOf } from '../method/gives'
import { quantityAt, slotLabel } from '../method/layout'
import { reductionLabel } from '../method/reduction'
import { type Figures, figuresOf } from '../quantity/figures'
import { formatEnds, type UnitSystem } from '../quantity/format'
import { quantityFacts } from '../quantity/kind'
import { signedFromMaster } from '../quantity/reading'
import type { Characteristic } from './bookSchema'
import type { LimitOutcome, TraceStep } from './results'
import type { Taken, TakenSet } from './standing'

/** A reading as typed, what was done to it, and what it stands for. */
export function readingStep(
  { method, showTo }: Characteristic,
  { reading, corrected, interval }: Taken,
  system: UnitSystem,
): TraceStep {
  const quantity = quantityAt(method, reading)
  const { figure, unit } = figuresOf(quantity, system, stepOf(method, showTo, quantity))
  const finite = (end: number): number | null => (Number.isFinite(end) ? end : null)
  const place = slotLabel(method, reading)
  const fromMaster = reading.masterMm !== null && signedFromMaster(reading.text)
  const steps = [
    fromMaster ? `on the master ${figure(reading.masterMm ?? 0)}` : '',
    corrected.zero === 0 ? '' : `zero ${signed(figure(corrected.zero))}`,
    corrected.calibration === 0 ? '' : `calibration ${signed(figure(corrected.calibration))}`,
    corrected.temperature === 0 ? '' : `to 20 °C ${signed(figure(corrected.temperature))}`,
  ].filter((step) => step !== '')
  const correction = steps.length === 0 ? '' : `, ${steps.join(', ')}`
  const value = formatEnds(finite(interval.low), finite(interval.high), figure)
  return {
    kind: 'reading',
    text: `${place}: “${reading.text}”${correction} → ${value}${unit === '' ? '' : ` ${unit}`}`,
    source: null,
  }
}

const signed = (text: string): string => (text.startsWith('−') ? text : `+${text}`)

/** The sum that gave the judged value, and its uncertainty. */
export function reductionSteps(
  { taken }: TakenSet,
  { value, limit }: LimitOutcome,
  { figure, extent, unit }: Figures,
  system: UnitSystem,
): TraceStep[] {
  if (value === null) return []
  const terms = value.sum.map((term) => {
    const figures =
      term.quantity === value.quantity
        ? { figure, unit: '' }
        : figuresOf(term.quantity, system, quantityFacts[term.quantity].step)
    const size = (end: number | null): number | null => (end === null ? null : Math.abs(end))
    const shown = formatEnds(
      size(term.value ?? term.interval?.low ?? null),
      size(term.value ?? term.interval?.high ?? null),
      figures.figure,
    )
    return `${term.label} ${shown}${figures.unit === '' ? '' : ` ${figures.unit}`}`
  })
  const sum = value.sum.length > 1 ? ` = ${terms.join(', ')}` : ''
  const gauges = [...new Set(taken.map((reading) => reading.gauge.code))].join(', ')
  const steps: TraceStep[] = [
    { kind: 'reduction', text: `${reductionLabel[limit.judges]} ${extent(value)} ${unit}, ${value.where}${sum}`, source: null },
  ]
  if (value.uncertainty > 0)
    steps.push({
      kind: 'uncertainty',
      text: `± ${figure(COVERAGE_FACTOR * value.uncertainty)} ${unit} (k = ${COVERAGE_FACTOR}), gauge ${gauges}`,
      source: null,
    })
  return steps
}
