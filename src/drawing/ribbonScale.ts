import type { Characteristic } from '../core/book/bookSchema'
import type { Way } from '../core/evaluate/fits/ways'
import type { FitResult, Measured } from '../core/evaluate/results'
import type { Grade } from '../core/limit/conformity'
import { guardBand } from '../core/limit/conformity'
import { quantityOf, quantityOfValue, stepOf } from '../core/method/gives'
import { kindOf } from '../core/method/kinds'
import type { Reduced } from '../core/method/reduction'
import { isOfReadings } from '../core/method/valuesGiven'
import { endsOf as endsOfInterval, intervalOf } from '../core/quantity/extent'
import type { QuantityKind } from '../core/quantity/kind'
import type { InspectionRecord } from '../core/record/recordSchema'

/** Everything the limit ribbon draws, in the fixed unit of the judged value, on its own scale. */
export interface RibbonModel {
  readonly quantity: QuantityKind
  /** Step its figures are shown to. */
  readonly step: number
  readonly from: number
  readonly to: number
  /** Null where no document gives a new size. */
  readonly new: readonly [number, number] | null
  /** Beyond these lies the forbidden zone; null where there is none on that side. */
  readonly lowerWear: number | null
  readonly upperWear: number | null
  readonly plan: readonly number[]
  readonly guard: number
  readonly ticks: readonly number[]
  /** Ends are the same for a figure; null where nothing bounds a bound or a range. */
  readonly result: {
    readonly low: number | null
    readonly high: number | null
    readonly expanded: number
    readonly grade: Grade
    readonly complete: boolean
  } | null
  readonly ghost: number | null
  readonly forecastValue: number | null
}

interface Bounds {
  readonly limits: readonly { readonly side: 'upper' | 'lower'; readonly plan: number | null; readonly wear: number }[]
  readonly new: readonly [number, number] | null
}

const COVERAGE = 2
/** Part of a lone limit that its ribbon spans while nothing is measured. */
const LONE_SPAN = 0.02

/** Scale of a ribbon: from the new band to a fifth beyond the wear limits, wide enough for whatever was measured. */
function scaleOf({ limits, new: band }: Bounds, shown: readonly number[]): readonly [number, number] {
  const known = [...(band ?? []), ...limits.map((limit) => limit.wear)]
  const fixed = known.length > 0 ? known : shown.length > 0 ? shown : [0]
  const all = [...fixed, ...shown]
  // A lone limit gives no length to draw by: what was measured does.
  const [inner, outer] = [Math.max(...fixed) - Math.min(...fixed), Math.max(...all) - Math.min(...all)]
  const span = inner || outer || Math.abs(all[0] ?? 0) * LONE_SPAN || 1
  return [Math.min(...all) - span * 0.16, Math.max(...all) + span * 0.16]
}

const wearOn = (limits: Bounds['limits'], side: 'upper' | 'lower'): number | null =>
  limits.find((limit) => limit.side === side)?.wear ?? null
const isNumber = (value: number | null): value is number => value !== null

/** The ribbon of limits that nothing is measured against yet; null where there is nothing to draw. */
export function ribbonOfLimits(bounds: Bounds, quantity: QuantityKind, step: number): RibbonModel | null {
  if (bounds.limits.length === 0) return null
  const [from, to] = scaleOf(bounds, [])
  return {
    quantity,
    step,
    from,
    to,
    new: bounds.new,
    lowerWear: wearOn(bounds.limits, 'lower'),
    upperWear: wearOn(bounds.limits, 'upper'),
    plan: bounds.limits.map((limit) => limit.plan).filter(isNumber),
    guard: 0,
    ticks: [],
    result: null,
    ghost: null,
    forecastValue: null,
  }
}

/** The ribbon of a characteristic: its first limit and whatever else judges the same value. */
export function ribbonOf(
  characteristic: Characteristic,
  result: Measured,
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
  // Without a limit there is no scale to stand on.
  const judged = characteristic.limits.length === 0 ? null : result.judged
  const complete = judged?.open === 'complete'
  const earlier = complete ? result.line.at(-2) : result.line.at(-1)
  const ghost = earlier?.value ?? null
  const forecastValue = result.forecast?.value ?? null
  const { method } = characteristic
  const quantity = quantityOfValue(method, judges ?? 'mean')
  const ticks =
    judges !== undefined && isOfReadings(judges) && !kindOf(method).readOtherwise && quantity === quantityOf(method)
      ? result.readings.flatMap(({ value, correction }) => (value === null ? [] : [value + correction]))
      : []
  const band = characteristic.new && ([characteristic.new.lower, characteristic.new.upper] as const)
  const shown = [...ticks, ...endsOf(judged), ghost, forecastValue].filter(isNumber)
  const [from, to] = scaleOf({ limits, new: band }, shown)
  return {
    quantity,
    step: stepOf(method, characteristic.showTo, quantity),
    from,
    to,
    new: band,
    lowerWear: wearOn(limits, 'lower'),
    upperWear: wearOn(limits, 'upper'),
    plan: limits.map((limit) => limit.plan).filter(isNumber),
    guard: judged ? guardBand(judged.uncertainty, policy.acceptance) : 0,
    ticks,
    result: judged ? { ...ends(judged), expanded: COVERAGE * judged.uncertainty, grade: gradeShown(result), complete } : null,
    ghost,
    forecastValue,
  }
}

const ends = (reduced: Reduced) => endsOfInterval(intervalOf(reduced))
const endsOf = (reduced: Reduced | null): (number | null)[] => (reduced ? Object.values(ends(reduced)) : [])

/** Largest and smallest of one size share the size's scale. */
const isSameSize = (a: string, b: string | undefined): boolean =>
  ['maximum', 'minimum', 'mean'].includes(a) && ['maximum', 'minimum', 'mean'].includes(b ?? '')

/** Colour of the pointer: how far the judged value certainly is. */
const gradeShown = (result: Measured): Grade => {
  const judges = result.limits[0]?.limit.judges
  const grades = result.limits.filter(({ limit }) => limit.judges === judges).map(({ grade }) => grade.mild)
  return grades.includes(2) ? 2 : grades.includes(1) ? 1 : 0
}

/** The limit that a fit's clearance is furthest past; of those it keeps the upper one, else the first. */
const decidingLimit = ({ limits }: Pick<FitResult, 'limits'>) =>
  [...limits].sort(
    (a, b) =>
      b.grade.mild - a.grade.mild ||
      b.grade.strong - a.grade.strong ||
      Number(b.limit.side === 'upper') - Number(a.limit.side === 'upper'),
  )[0]

type Fit = InspectionRecord['book']['fits'][number]

/** The scale a fit's clearance is drawn on: its new band and its limits, wide enough for what is shown. */
function fitScale({ new: band, limits, showTo }: Fit, shown: readonly (number | null)[]) {
  const fresh = band && ([band.lower, band.upper] as const)
  const [from, to] = scaleOf({ limits, new: fresh }, shown.filter(isNumber))
  return {
    quantity: 'length',
    step: showTo,
    from,
    to,
    new: fresh,
    lowerWear: wearOn(limits, 'lower'),
    upperWear: wearOn(limits, 'upper'),
    plan: limits.map((limit) => limit.plan).filter(isNumber),
    ghost: null,
  } as const
}

/** The ribbon of a fit's clearance: from smallest to largest as ticks, what its limits judge as the result. */
export function ribbonOfFit(spec: Fit, fit: FitResult): RibbonModel {
  const { matched, minimumMm, maximumMm } = fit.clearance
  const ticks = matched.length > 0 ? matched.map((place) => place.value) : [minimumMm, maximumMm].filter(isNumber)
  const outcome = decidingLimit(fit)
  const judged = outcome?.limit.judges === 'minimum' ? fit.minimum : fit.maximum
  return {
    ...fitScale(spec, [...ticks, ...endsOf(judged)]),
    guard: outcome?.guard ?? 0,
    ticks,
    result: judged && {
      ...ends(judged),
      expanded: COVERAGE * judged.uncertainty,
      grade: outcome?.grade.mild ?? 0,
      complete: judged.open === 'complete',
    },
    forecastValue: null,
  }
}

/** The ribbon of a clearance that a way would leave, on the limits of its fit, and where wear takes it by the next overhaul. */
export function ribbonOfWay(spec: Fit, { leaves, atNext, state }: Way): RibbonModel | null {
  if (leaves === null) return null
  const judged = spec.limits.some(({ side }) => side === 'upper') ? 'loosestMm' : 'tightestMm'
  const [value, forecastValue] = [leaves[judged], atNext?.[judged] ?? null]
  const ticks = [leaves.tightestMm, leaves.loosestMm]
  return {
    ...fitScale(spec, [...ticks, forecastValue]),
    guard: 0,
    ticks,
    result: { low: value, high: value, expanded: 0, grade: state === 'fails' ? 2 : state === 'holds' ? 0 : 1, complete: true },
    forecastValue,
  }
}
