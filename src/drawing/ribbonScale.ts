import type { Grade } from '../core/limit/conformity'
import { guardBandMm } from '../core/limit/conformity'
import type { Characteristic } from '../core/record/bookSchema'
import type { InspectionRecord } from '../core/record/recordSchema'
import type { CharacteristicResult, FitResult } from '../core/record/results'

/** Everything the limit ribbon draws, in mm on its own scale. */
export interface RibbonModel {
  readonly fromMm: number
  readonly toMm: number
  readonly new: readonly [number, number]
  /** Beyond these lies the forbidden zone; null where there is none on that side. */
  readonly lowerWearMm: number | null
  readonly upperWearMm: number | null
  readonly planMm: readonly number[]
  readonly guardMm: number
  readonly ticksMm: readonly number[]
  readonly result: {
    readonly valueMm: number
    readonly expandedMm: number
    readonly grade: Grade
    readonly complete: boolean
  } | null
  readonly ghostMm: number | null
  readonly forecastMm: number | null
}

interface Bounds {
  readonly limits: readonly { readonly side: 'upper' | 'lower'; readonly planMm: number | null; readonly wearMm: number }[]
  readonly new: readonly [number, number]
}

const COVERAGE = 2

/** Scale of a ribbon: from the new band to a fifth beyond the wear limits, wide enough for whatever was measured. */
function scaleOf({ limits, new: [low, high] }: Bounds, shownMm: readonly number[]): readonly [number, number] {
  const fixed = [low, high, ...limits.map((limit) => limit.wearMm)]
  const span = Math.max(...fixed) - Math.min(...fixed) || 1
  const all = [...fixed, ...shownMm]
  return [Math.min(...all) - span * 0.16, Math.max(...all) + span * 0.16]
}

const wearOn = (limits: Bounds['limits'], side: 'upper' | 'lower'): number | null =>
  limits.find((limit) => limit.side === side)?.wearMm ?? null
const isNumber = (value: number | null): value is number => value !== null

/** The ribbon of a characteristic: its first limit and whatever else judges the same value. */
export function ribbonOf(
  characteristic: Characteristic,
  result: CharacteristicResult,
  policy: InspectionRecord['job']['policy'],
): RibbonModel {
  const judges = characteristic.limits[0]?.judges
  // A total gap and the gap where the ring runs are drawn on one scale: both are the ring's gap.
  const limits = characteristic.limits.filter(
    (limit) =>
      limit.judges === judges ||
      (characteristic.method.kind === 'ringEndGap' && limit.side === 'lower') ||
      isSameSize(limit.judges, judges),
  )
  const { judged } = result
  const complete = judged?.open === 'complete'
  const earlier = complete ? result.line.at(-2) : result.line.at(-1)
  const ghostMm = earlier?.valueMm ?? null
  const forecastMm = result.forecast?.valueMm ?? null
  const ticksMm = characteristic.method.kind === 'plasticStrip' ? [] : result.readings.map((reading) => reading.valueMm)
  const band = [characteristic.new.lowerMm, characteristic.new.upperMm] as const
  const shown = [...ticksMm, judged?.valueMm ?? null, ghostMm, forecastMm].filter(isNumber)
  const [fromMm, toMm] = scaleOf({ limits, new: band }, shown)
  return {
    fromMm,
    toMm,
    new: band,
    lowerWearMm: wearOn(limits, 'lower'),
    upperWearMm: wearOn(limits, 'upper'),
    planMm: limits.map((limit) => limit.planMm).filter(isNumber),
    guardMm: judged ? guardBandMm(judged.uncertaintyMm, policy.acceptance) : 0,
    ticksMm,
    result: judged
      ? { valueMm: judged.valueMm, expandedMm: COVERAGE * judged.uncertaintyMm, grade: gradeShown(result), complete }
      : null,
    ghostMm,
    forecastMm,
  }
}

/** Largest and smallest of one size share the size's scale. */
const isSameSize = (a: string, b: string | undefined): boolean =>
  ['maximum', 'minimum', 'mean'].includes(a) && ['maximum', 'minimum', 'mean'].includes(b ?? '')

/** Colour of the pointer: how far the judged value certainly is. */
const gradeShown = (result: CharacteristicResult): Grade => {
  const judges = result.limits[0]?.limit.judges
  const grades = result.limits.filter(({ limit }) => limit.judges === judges).map(({ grade }) => grade.mild)
  return grades.includes(2) ? 2 : grades.includes(1) ? 1 : 0
}

/** The ribbon of a fit's clearance: from smallest to largest as ticks, the largest as the result. */
export function ribbonOfFit(spec: InspectionRecord['book']['fits'][number], fit: FitResult): RibbonModel {
  const band = [spec.new.lowerMm, spec.new.upperMm] as const
  const ticksMm = fit.clearance.matched.map((place) => place.valueMm)
  const judged = fit.maximum
  const [fromMm, toMm] = scaleOf({ limits: spec.limits, new: band }, judged ? [...ticksMm, judged.valueMm] : ticksMm)
  const upper = fit.limits.find(({ limit }) => limit.side === 'upper')
  return {
    fromMm,
    toMm,
    new: band,
    lowerWearMm: wearOn(spec.limits, 'lower'),
    upperWearMm: wearOn(spec.limits, 'upper'),
    planMm: spec.limits.map((limit) => limit.planMm).filter(isNumber),
    guardMm: upper?.guardMm ?? 0,
    ticksMm,
    result: judged
      ? {
          valueMm: judged.valueMm,
          expandedMm: COVERAGE * judged.uncertaintyMm,
          grade: upper?.grade.mild ?? 0,
          complete: judged.open === 'complete',
        }
      : null,
    ghostMm: null,
    forecastMm: null,
  }
}
