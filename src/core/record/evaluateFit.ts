import { exceeds } from '../decimal'
import { limitVote } from '../decision/limitVote'
import { mendingOf, type ReductionsOf } from '../decision/mending'
import { type Closure, clearanceOf, type PlacedSize } from '../fit/clearance'
import { COVERAGE_FACTOR, inQuadrature } from '../gauge/uncertainty'
import { gradeSpan, guardBand } from '../limit/conformity'
import { slotsOf } from '../method/layout'
import { stripClearanceOf, type TakenReading } from '../method/reduce/reduce'
import { namedBy, type Reduced, type Reductions } from '../method/reduction'
import type { Figures } from '../quantity/figures'
import { isPoint } from '../quantity/interval'
import type { Characteristic, FitSpec, Part } from './bookSchema'
import type { Policy } from './recordSchema'
import type { FitResult, LimitOutcome, TraceStep, Vote } from './results'

export interface FitInput {
  readonly fit: FitSpec
  readonly part: Part
  readonly characteristic: (id: string) => Characteristic
  readonly takenOf: (id: string) => readonly TakenReading[]
  readonly reductionsOf: ReductionsOf
  readonly policy: Policy
  readonly figures: Figures
}

/** A mating pair: clearance from the measured parts and by strip, their difference, and the fit's limits on what the policy counts. */
export function evaluateFit(input: FitInput): FitResult {
  const { fit, policy } = input
  const bore = input.takenOf(fit.bore)
  const journal = input.takenOf(fit.journal)
  const clearance = clearanceOf(bore.flatMap(placed), journal.flatMap(placed))
  const partsUncertaintyMm = inQuadrature(uncertaintyOf(input, fit.bore), uncertaintyOf(input, fit.journal))
  const strips = stripsOf(input)
  const closures = strips.flatMap((strip): Closure[] => {
    const parts = clearance.matched.find((place) => place.station === strip.station && place.direction === strip.direction)
    if (!parts) return []
    const differenceMm = strip.clearanceMm - parts.value
    const allowedMm = COVERAGE_FACTOR * inQuadrature(strip.uncertainty, partsUncertaintyMm)
    const agrees = !exceeds(Math.abs(differenceMm), allowedMm)
    return [
      {
        station: strip.station,
        direction: strip.direction,
        stripMm: strip.clearanceMm,
        partsMm: parts.value,
        differenceMm,
        allowedMm,
        agrees,
      },
    ]
  })

  const countsBy = policy.clearanceBy === 'strip' && fit.strip !== null ? 'strip' : 'measuredParts'
  const { minimum, maximum } = countsBy === 'strip' ? byStrip(input) : byParts(input, clearance, partsUncertaintyMm)
  const limits = fit.limits.map((limit): LimitOutcome => {
    const value = limit.judges === 'minimum' ? minimum : maximum
    return {
      limit,
      value,
      guard: value === null ? 0 : guardBand(value.uncertainty, policy.acceptance),
      grade: gradeSpan(value, limit, policy.acceptance),
    }
  })
  return {
    id: fit.id,
    clearance,
    stripMm: strips.map(({ station, direction, clearanceMm }) => ({ station, direction, clearanceMm })),
    closures,
    countsBy,
    minimum,
    maximum,
    limits,
    verdict: fitVerdict(limits),
    votes: limits.map((outcome) => fitVote(input, outcome, countsBy)),
  }
}

function fitVerdict(limits: readonly LimitOutcome[]): FitResult['verdict'] {
  if (limits.some(({ grade }) => grade.mild === 2)) return 'fails'
  if (limits.some(({ grade }) => grade.strong === 2)) return 'open'
  return limits.some(({ grade }) => grade.strong === 1) ? 'pastPlan' : 'passes'
}

/** A size known only as a bound or a range gives no clearance at its place: the fit stays open there. */
const placed = ({ station, direction, interval }: TakenReading): PlacedSize[] =>
  isPoint(interval) ? [{ station, direction, value: interval.low }] : []

function uncertaintyOf({ reductionsOf }: FitInput, id: string): number {
  return reductionsOf(id)?.values.maximum?.uncertainty ?? 0
}

function stripsOf({
  fit,
  characteristic,
  takenOf,
}: FitInput): { station: string; direction: string; clearanceMm: number; uncertainty: number }[] {
  if (fit.strip === null) return []
  const method = characteristic(fit.strip).method
  if (method.kind !== 'plasticStrip') throw new Error(`${fit.strip} is no plastic strip`)
  return takenOf(fit.strip).flatMap((reading) => {
    const found = stripClearanceOf(method, reading)
    if (!found || !isPoint(found.interval) || reading.direction !== method.direction.id) return []
    return [
      { station: reading.station, direction: reading.direction, clearanceMm: found.interval.low, uncertainty: found.uncertainty },
    ]
  })
}

interface Extremes {
  readonly minimum: Reduced | null
  readonly maximum: Reduced | null
}

function byStrip({ fit, reductionsOf }: FitInput): Extremes {
  const values = fit.strip === null ? undefined : reductionsOf(fit.strip)?.values
  return { minimum: values?.minimum ?? null, maximum: values?.maximum ?? null }
}

function byParts(input: FitInput, clearance: ReturnType<typeof clearanceOf>, uncertainty: number): Extremes {
  const complete = missingOf(input).length === 0
  const extreme = (value: number | null, open: Reduced['open']): Reduced | null => {
    const place = clearance.matched.find((candidate) => candidate.value === value)
    if (value === null || !place) return null
    return {
      quantity: 'length',
      value,
      interval: null,
      uncertainty,
      where: `at ${place.station} ${place.direction}`,
      sum: [
        { label: 'bore', quantity: 'length', value: place.boreMm, interval: null },
        { label: 'less journal', quantity: 'length', value: -place.journalMm, interval: null },
      ],
      open: complete ? 'complete' : open,
    }
  }
  return { minimum: extreme(clearance.minimumMm, 'canOnlyShrink'), maximum: extreme(clearance.maximumMm, 'canOnlyGrow') }
}

/** Places still to be read before the clearance is complete, in words. */
function missingOf({ fit, characteristic, takenOf }: FitInput): string[] {
  return [fit.bore, fit.journal].flatMap((id) => {
    const { method, name } = characteristic(id)
    const open = slotsOf(method).filter(
      (slot) =>
        !takenOf(id).some(
          (reading) => reading.station === slot.station && reading.direction === slot.direction && isPoint(reading.interval),
        ),
    )
    return open.length === 0 ? [] : [`${name} (${open.length})`]
  })
}

function fitVote(input: FitInput, outcome: LimitOutcome, countsBy: FitResult['countsBy']): Vote {
  const { fit, part, figures } = input
  const { figure, extent, expanded, unit } = figures
  const isBore = (id: string): boolean => input.characteristic(id).method.kind === 'boreDiameter'
  const value = outcome.value
  const steps: TraceStep[] =
    value === null
      ? []
      : [
          {
            kind: 'reduction',
            text: `${value.where}: ${value.sum.map((term) => `${term.label} ${extent(namedBy(term))}`).join(', ')} → ${extent(value)} ${unit}`,
            source: null,
          },
          {
            kind: 'uncertainty',
            text: `± ${expanded(value.uncertainty)} ${unit} (k = ${COVERAGE_FACTOR})`,
            source: null,
          },
        ]
  const reductions = reductionsForCounting(input, countsBy)
  return limitVote({
    subject: fit.id,
    rule: 'fit',
    outcome,
    mending: mendingOf(part, [fit.bore, fit.journal], isBore, input.reductionsOf, figure),
    reductions,
    missing: countsBy === 'strip' ? [] : missingOf(input),
    valueName: `${fit.name}: ${outcome.limit.judges === 'minimum' ? 'smallest' : 'largest'} clearance`,
    figures,
    steps,
  })
}

/** Taken and needed readings of what the clearance follows from, for the words of the reason. */
function reductionsForCounting({ fit, reductionsOf }: FitInput, countsBy: FitResult['countsBy']): Reductions {
  const ids = countsBy === 'strip' && fit.strip !== null ? [fit.strip] : [fit.bore, fit.journal]
  const all = ids.map((id) => reductionsOf(id))
  const total = (pick: (reductions: Reductions) => number): number =>
    all.reduce((sum, reductions) => sum + (reductions ? pick(reductions) : 0), 0)
  return { values: {}, faults: [], taken: total((r) => r.taken), needed: total((r) => r.needed), cannot: total((r) => r.cannot) }
}
