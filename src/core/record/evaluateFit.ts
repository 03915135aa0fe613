import { exceedsMm } from '../decimal'
import { limitVote } from '../decision/limitVote'
import { type Figures, mendingOf, type ReductionsOf } from '../decision/mending'
import { type Closure, clearanceOf, type PlacedSize } from '../fit/clearance'
import { COVERAGE_FACTOR, inQuadrature } from '../gauge/uncertainty'
import { gradeSpan, guardBandMm } from '../limit/conformity'
import { layoutOf } from '../method/method'
import { stripClearanceOf, type TakenReading } from '../method/reduce'
import type { Reduced, Reductions } from '../method/reduction'
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
  readonly unit: string
}

/** A mating pair: clearance from the measured parts and by strip, their difference, and the fit's limits on what the policy counts. */
export function evaluateFit(input: FitInput): FitResult {
  const { fit, policy } = input
  const bore = input.takenOf(fit.bore)
  const journal = input.takenOf(fit.journal)
  const clearance = clearanceOf(bore.map(placed), journal.map(placed))
  const partsUncertaintyMm = inQuadrature(uncertaintyOf(input, fit.bore), uncertaintyOf(input, fit.journal))
  const strips = stripsOf(input)
  const closures = strips.flatMap((strip): Closure[] => {
    const parts = clearance.matched.find((place) => place.station === strip.station && place.direction === strip.direction)
    if (!parts) return []
    const differenceMm = strip.clearanceMm - parts.valueMm
    const allowedMm = COVERAGE_FACTOR * inQuadrature(strip.uncertaintyMm, partsUncertaintyMm)
    const agrees = !exceedsMm(Math.abs(differenceMm), allowedMm)
    return [
      {
        station: strip.station,
        direction: strip.direction,
        stripMm: strip.clearanceMm,
        partsMm: parts.valueMm,
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
      guardMm: value === null ? 0 : guardBandMm(value.uncertaintyMm, policy.acceptance),
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

const placed = (reading: TakenReading): PlacedSize => ({
  station: reading.station,
  direction: reading.direction,
  valueMm: reading.valueMm,
})

function uncertaintyOf({ reductionsOf }: FitInput, id: string): number {
  return reductionsOf(id)?.values.maximum?.uncertaintyMm ?? 0
}

function stripsOf({
  fit,
  characteristic,
  takenOf,
}: FitInput): { station: string; direction: string; clearanceMm: number; uncertaintyMm: number }[] {
  if (fit.strip === null) return []
  const method = characteristic(fit.strip).method
  if (method.kind !== 'plasticStrip') throw new Error(`${fit.strip} is no plastic strip`)
  return takenOf(fit.strip).flatMap((reading) => {
    const found = stripClearanceOf(method, reading)
    return found ? [{ station: reading.station, direction: reading.direction, ...found }] : []
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

function byParts(input: FitInput, clearance: ReturnType<typeof clearanceOf>, uncertaintyMm: number): Extremes {
  const complete = missingOf(input).length === 0
  const extreme = (valueMm: number | null, open: Reduced['open']): Reduced | null => {
    const place = clearance.matched.find((candidate) => candidate.valueMm === valueMm)
    if (valueMm === null || !place) return null
    return {
      valueMm,
      uncertaintyMm,
      where: `at ${place.station} ${place.direction}`,
      sum: [
        { label: 'bore', valueMm: place.boreMm },
        { label: 'less journal', valueMm: -place.journalMm },
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
    const open = layoutOf(method).filter(
      (slot) => !takenOf(id).some((reading) => reading.station === slot.station && reading.direction === slot.direction),
    )
    return open.length === 0 ? [] : [`${name} (${open.length})`]
  })
}

function fitVote(input: FitInput, outcome: LimitOutcome, countsBy: FitResult['countsBy']): Vote {
  const { fit, part, figures, unit } = input
  const isBore = (id: string): boolean => input.characteristic(id).method.kind === 'boreDiameter'
  const value = outcome.value
  const steps: TraceStep[] =
    value === null
      ? []
      : [
          {
            kind: 'reduction',
            text: `${value.where}: ${value.sum.map((term) => `${term.label} ${figures(Math.abs(term.valueMm))}`).join(', ')} → ${figures(value.valueMm)} ${unit}`,
            source: null,
          },
          {
            kind: 'uncertainty',
            text: `± ${figures(COVERAGE_FACTOR * value.uncertaintyMm)} ${unit} (k = ${COVERAGE_FACTOR})`,
            source: null,
          },
        ]
  const reductions = reductionsForCounting(input, countsBy)
  return limitVote({
    subject: fit.id,
    rule: 'fit',
    outcome,
    mending: mendingOf(part, [fit.bore, fit.journal], isBore, input.reductionsOf, figures),
    reductions,
    missing: countsBy === 'strip' ? [] : missingOf(input),
    valueName: `${fit.name}: ${outcome.limit.judges === 'minimum' ? 'smallest' : 'largest'} clearance`,
    figures,
    unit,
    steps,
  })
}

/** Taken and needed readings of what the clearance follows from, for the words of the reason. */
function reductionsForCounting({ fit, reductionsOf }: FitInput, countsBy: FitResult['countsBy']): Reductions {
  const ids = countsBy === 'strip' && fit.strip !== null ? [fit.strip] : [fit.bore, fit.journal]
  const all = ids.map((id) => reductionsOf(id))
  const total = (pick: (reductions: Reductions) => number): number =>
    all.reduce((sum, reductions) => sum + (reductions ? pick(reductions) : 0), 0)
  return { values: {}, faults: [], taken: total((r) => r.taken), needed: total((r) => r.needed) }
}
