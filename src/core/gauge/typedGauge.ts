import type { Bare, Coded } from '../base/coded'
import { type FieldFault, readFields, Unusable } from '../base/fields'
import { pairsIn } from '../base/pairs'
import { err, ok, type Result } from '../base/result'
import { unitOf } from '../quantity/format'
import { differenceOf, type QuantityKind } from '../quantity/kind'
import { parseQuantity, type QuantityFault } from '../quantity/quantity'
import type { CalibrationPoint, Gauge } from './gauge'
import { gaugeBounds } from './gaugeBounds'
import { type GaugeKind, gaugeKindFacts } from './gaugeKinds'

/** A gauge as its certificate and its box say it, every figure as typed. Bare figures are in the metric unit of its kind. */
export interface TypedGauge {
  readonly code: string
  readonly name: string
  readonly kind: GaugeKind
  readonly resolution: string
  readonly maximumPermissibleError: string
  /** Expanded uncertainty of the calibration and its coverage factor; empty where the certificate gives none. */
  readonly expanded: string
  readonly coverage: string
  /** Standard deviation of its repeats; empty where it is not known. */
  readonly repeatability: string
  /** What it shows too much (+) or too little (−) at indicated values: `25 = +0.001; 50 = -0.002`. */
  readonly corrections: string
  /** Expansion of its scale or master, µm per metre and kelvin; empty where it is not known. */
  readonly expansion: string
  readonly least: string
  readonly greatest: string
  readonly calibrationDue: string
}

/** Why a field of a typed gauge cannot be used. */
export interface GaugeFaults {
  eyeIsNoGauge: Bare
  figure: { readonly why: QuantityFault }
  tooLarge: { readonly text: string }
  empty: { readonly field: 'code' | 'name' }
  notPositive: { readonly field: 'resolution' | 'repeatability' | 'expanded' }
  signed: Bare
  oneEnd: Bare
  endsSwapped: Bare
  coverage: Bare
  expansion: Bare
  pairs: { readonly text: string }
  tooMany: { readonly most: number }
  twice: { readonly at: number }
}
export type GaugeFault = Coded<GaugeFaults>

const unusable = (at: keyof TypedGauge, fault: GaugeFault): Unusable<GaugeFault> => new Unusable(at, fault)

/** Reads a typed gauge, or says which fields cannot be used and why. The calibration may have lapsed: that is what the store shows. */
export function readTypedGauge(
  typed: TypedGauge,
): Result<Omit<Gauge, 'id'>, readonly FieldFault<GaugeFault, keyof TypedGauge>[]> {
  if (typed.kind === 'eye') return err([{ at: 'kind', fault: { code: 'eyeIsNoGauge' } }])
  const { quantity } = gaugeKindFacts[typed.kind]
  const reader =
    (kind: QuantityKind) =>
    (at: keyof TypedGauge, text = typed[at]): number => {
      const parsed = parseQuantity(text.trim(), kind, unitOf(kind, 'metric'))
      if (!parsed.ok) throw unusable(at, { code: 'figure', why: parsed.fault })
      return parsed.value.value
    }
  const value = reader(quantity)
  // Steps and errors are differences of what it shows.
  const anyDifference = reader(differenceOf(quantity))
  const difference: typeof anyDifference = (at, text = typed[at]) => {
    const found = anyDifference(at, text)
    if (Math.abs(found) > gaugeBounds.difference) throw unusable(at, { code: 'tooLarge', text })
    return found
  }
  const filled = (at: keyof TypedGauge): boolean => typed[at].trim() !== ''
  const words = (at: 'code' | 'name'): string => {
    if (!filled(at)) throw unusable(at, { code: 'empty', field: at })
    return typed[at].trim()
  }
  const read = readFields({
    kind: () => typed.kind,
    code: () => words('code'),
    name: () => words('name'),
    resolution: () => {
      const resolution = difference('resolution')
      if (resolution <= 0) throw unusable('resolution', { code: 'notPositive', field: 'resolution' })
      return resolution
    },
    maximumPermissibleError: () => {
      const error = difference('maximumPermissibleError')
      if (error < 0) throw unusable('maximumPermissibleError', { code: 'signed' })
      return error
    },
    calibration: () => (filled('expanded') ? calibrationOf(typed, difference('expanded')) : null),
    corrections: () => correctionsOf(typed, value, difference),
    repeatability: () => {
      const repeatability = filled('repeatability') ? difference('repeatability') : undefined
      if (repeatability !== undefined && repeatability <= 0)
        throw unusable('repeatability', { code: 'notPositive', field: 'repeatability' })
      return repeatability
    },
    expansionPerK: () => (filled('expansion') ? expansionOf(typed.expansion) : null),
    range: () => {
      const [least, greatest] = [filled('least') ? value('least') : null, filled('greatest') ? value('greatest') : null]
      if (least === null && greatest === null) return null
      if (least === null || greatest === null) throw unusable(least === null ? 'least' : 'greatest', { code: 'oneEnd' })
      if (least > greatest) throw unusable('greatest', { code: 'endsSwapped' })
      return { least, greatest }
    },
  })
  if (!read.ok) return err(read.fault as readonly FieldFault<GaugeFault, keyof TypedGauge>[])
  const { repeatability, ...fields } = read.value
  return ok({
    ...fields,
    ...(repeatability === undefined ? {} : { repeatability }),
    calibrationDue: typed.calibrationDue,
  })
}

function calibrationOf({ coverage }: TypedGauge, expanded: number): { expanded: number; coverage: number } {
  if (expanded <= 0) throw unusable('expanded', { code: 'notPositive', field: 'expanded' })
  const factor = Number((coverage.trim() || '2').replace(',', '.'))
  if (!(factor >= gaugeBounds.leastCoverage && factor <= gaugeBounds.greatestCoverage))
    throw unusable('coverage', { code: 'coverage' })
  return { expanded, coverage: factor }
}

const MOST_PER_K = gaugeBounds.expansionPerK * 1e6

function expansionOf(text: string): number {
  const micrometres = Number(text.trim().replace(',', '.'))
  if (!(micrometres > 0 && micrometres < MOST_PER_K)) throw unusable('expansion', { code: 'expansion' })
  return micrometres / 1e6
}

function correctionsOf(
  { corrections }: TypedGauge,
  value: (at: keyof TypedGauge, text: string) => number,
  difference: (at: keyof TypedGauge, text: string) => number,
): readonly CalibrationPoint[] {
  const pairs = pairsIn(corrections)
  if (!pairs.ok) throw unusable('corrections', { code: 'pairs', text: pairs.fault })
  if (pairs.value.length > gaugeBounds.corrections)
    throw unusable('corrections', { code: 'tooMany', most: gaugeBounds.corrections })
  const points = pairs.value
    .map(([at, error]) => ({ at: value('corrections', at), error: difference('corrections', error) }))
    .sort((a, b) => a.at - b.at)
  const twice = points.find((point, index) => points[index - 1]?.at === point.at)
  if (twice) throw unusable('corrections', { code: 'twice', at: twice.at })
  return points
}
