import { type FieldFault, readFields, Unusable } from '../base/fields'
import { pairsIn } from '../base/pairs'
import { err, ok, type Result } from '../base/result'
import { unitOf } from '../quantity/format'
import { differenceOf, type QuantityKind } from '../quantity/kind'
import { explainQuantityFault, parseQuantity } from '../quantity/quantity'
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

/** Reads a typed gauge, or says which fields cannot be used and why. The calibration may have lapsed: that is what the store shows. */
export function readTypedGauge(typed: TypedGauge): Result<Omit<Gauge, 'id'>, readonly FieldFault<keyof TypedGauge>[]> {
  if (typed.kind === 'eye') return err([{ at: 'kind', says: 'The eye is no gauge of the store.' }])
  const { quantity } = gaugeKindFacts[typed.kind]
  const reader =
    (kind: QuantityKind) =>
    (at: keyof TypedGauge, text = typed[at]): number => {
      const parsed = parseQuantity(text.trim(), kind, unitOf(kind, 'metric'))
      if (!parsed.ok) throw new Unusable(at, explainQuantityFault(parsed.fault))
      return parsed.value.value
    }
  const value = reader(quantity)
  // Steps and errors are differences of what it shows.
  const anyDifference = reader(differenceOf(quantity))
  const difference: typeof anyDifference = (at, text = typed[at]) => {
    const found = anyDifference(at, text)
    if (Math.abs(found) > gaugeBounds.difference)
      throw new Unusable(at, `“${text}” is larger than any step or error of a gauge. Check the unit.`)
    return found
  }
  const filled = (at: keyof TypedGauge): boolean => typed[at].trim() !== ''
  const words = (at: keyof TypedGauge, says: string): string => {
    if (!filled(at)) throw new Unusable(at, says)
    return typed[at].trim()
  }
  const read = readFields({
    kind: () => typed.kind,
    code: () => words('code', 'Type the code that is on the gauge.'),
    name: () => words('name', 'Name the gauge.'),
    resolution: () => {
      const resolution = difference('resolution')
      if (resolution <= 0) throw new Unusable('resolution', 'The step must be more than nothing.')
      return resolution
    },
    maximumPermissibleError: () => {
      const error = difference('maximumPermissibleError')
      if (error < 0) throw new Unusable('maximumPermissibleError', 'The permissible error is typed without its sign.')
      return error
    },
    calibration: () => (filled('expanded') ? calibrationOf(typed, difference('expanded')) : null),
    corrections: () => correctionsOf(typed, value, difference),
    repeatability: () => {
      const repeatability = filled('repeatability') ? difference('repeatability') : undefined
      if (repeatability !== undefined && repeatability <= 0)
        throw new Unusable(
          'repeatability',
          'The spread of its repeats must be more than nothing; leave it empty where it is not known.',
        )
      return repeatability
    },
    expansionPerK: () => (filled('expansion') ? expansionOf(typed.expansion) : null),
    range: () => {
      const [least, greatest] = [filled('least') ? value('least') : null, filled('greatest') ? value('greatest') : null]
      if (least === null && greatest === null) return null
      if (least === null || greatest === null)
        throw new Unusable(least === null ? 'least' : 'greatest', 'A range has two ends; leave both out where it is not known.')
      if (least > greatest) throw new Unusable('greatest', 'The range ends before it begins.')
      return { least, greatest }
    },
  })
  if (!read.ok) return err(read.fault as readonly FieldFault<keyof TypedGauge>[])
  const { repeatability, ...fields } = read.value
  return ok({
    ...fields,
    ...(repeatability === undefined ? {} : { repeatability }),
    calibrationDue: typed.calibrationDue,
  })
}

function calibrationOf({ coverage }: TypedGauge, expanded: number): { expanded: number; coverage: number } {
  if (expanded <= 0) throw new Unusable('expanded', 'The uncertainty of the calibration must be more than nothing.')
  const factor = Number((coverage.trim() || '2').replace(',', '.'))
  if (!(factor >= gaugeBounds.leastCoverage && factor <= gaugeBounds.greatestCoverage))
    throw new Unusable('coverage', 'The coverage factor is between 1 and 4, most often 2.')
  return { expanded, coverage: factor }
}

const MOST_PER_K = gaugeBounds.expansionPerK * 1e6

function expansionOf(text: string): number {
  const micrometres = Number(text.trim().replace(',', '.'))
  if (!(micrometres > 0 && micrometres < MOST_PER_K))
    throw new Unusable('expansion', 'Type the expansion in µm per metre and kelvin: steel has about 11.5.')
  return micrometres / 1e6
}

function correctionsOf(
  { corrections }: TypedGauge,
  value: (at: keyof TypedGauge, text: string) => number,
  difference: (at: keyof TypedGauge, text: string) => number,
): readonly CalibrationPoint[] {
  const pairs = pairsIn(corrections)
  if (!pairs.ok)
    throw new Unusable(
      'corrections',
      `“${pairs.fault}” is not understood: type indicated value = error, with semicolons between.`,
    )
  if (pairs.value.length > gaugeBounds.corrections)
    throw new Unusable('corrections', `At most ${gaugeBounds.corrections} points are kept; leave some out.`)
  const points = pairs.value
    .map(([at, error]) => ({ at: value('corrections', at), error: difference('corrections', error) }))
    .sort((a, b) => a.at - b.at)
  const twice = points.find((point, index) => points[index - 1]?.at === point.at)
  if (twice) throw new Unusable('corrections', `The error at ${twice.at} is given twice.`)
  return points
}
