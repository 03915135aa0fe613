import type { Interval } from '../quantity/interval'
import type { Errors } from './errors'
import type { CalibrationPoint, Gauge } from './gauge'
import { sizeAt20 } from './temperature'
import { boundedError, readingErrors } from './uncertainty'

/** Under which conditions a reading was taken, as noted at the bench. */
export interface Conditions {
  /** What the gauge showed at zero, or at its master, before use: taken off every reading. */
  readonly zero: number
  /** Temperatures of the part and of the scale (or master), °C, each known to within so many kelvin. */
  readonly temperature: { readonly partC: number; readonly scaleC: number; readonly withinK: number } | null
}

/** A reading with what was done to it, one term each; every term is what is added to the indicated value. */
export interface Corrected {
  readonly interval: Interval
  readonly errors: Errors
  readonly zero: number
  readonly calibration: number
  readonly temperature: number
  /** A temperature was noted and an expansion is not known: the interval is what any metal could make of it. */
  readonly anyMetal: boolean
}

export interface CorrectionInput {
  /** Id of the reading: its step is an error of its own. */
  readonly reading: string
  readonly indicated: Interval
  /** Size of the master on which a comparator was set, else null: its table is looked up at what the gauge showed. */
  readonly master: { readonly sizeMm: number; readonly withinMm: number } | null
  readonly gauge: Gauge
  readonly conditions: Conditions | null
  /** Linear expansion of the part, per K; null where the book gives none. */
  readonly partPerK: number | null
  /** Only lengths grow with temperature. */
  readonly isLength: boolean
}

/**
 * Error of the gauge at an indicated value by linear interpolation in its table; beyond the ends the end's error holds,
 * because a certificate says nothing there. 0 without a table.
 */
function calibrationError(table: readonly CalibrationPoint[], at: number): number {
  const points = [...table].sort((a, b) => a.at - b.at)
  const above = points.findIndex((point) => point.at >= at)
  const high = points[above]
  const low = points[above - 1]
  if (!high) return points.at(-1)?.error ?? 0
  if (!low) return high.error
  return low.error + ((high.error - low.error) * (at - low.at)) / (high.at - low.at)
}

/** No metal of which machines are made grows by more, per K: zinc and magnesium alloys come near it. */
const GREATEST_EXPANSION = 30e-6
const REFERENCE_C = 20

/** Corrects a reading for zero, calibration table and temperature, in that order, and says by how much each. */
export function correctReading(input: CorrectionInput): Corrected {
  const { reading, indicated, master, gauge, conditions, partPerK } = input
  const shown = (end: number): number => end - (master?.sizeMm ?? 0)
  const zero = conditions === null ? 0 : -conditions.zero
  const certified = (end: number): number =>
    gauge.corrections.length === 0 || !Number.isFinite(end) ? 0 : -calibrationError(gauge.corrections, shown(end))
  // What is told of a range is told of its lower end, of a bound of the end it has.
  const told = Number.isFinite(indicated.low) ? 'low' : 'high'
  const shifted = afterTable(indicated, gauge.corrections, shown, (end) => end + zero + certified(end))
  const own = [
    ...readingErrors(gauge, reading, { low: shown(indicated.low), high: shown(indicated.high) }),
    ...(master === null || master.withinMm === 0 ? [] : [boundedError('master', String(master.sizeMm), master.withinMm)]),
  ]
  const done = { zero, calibration: certified(indicated[told]) }
  const warm = conditions?.temperature ?? null
  if (warm === null || !input.isLength) return { ...done, interval: shifted, errors: own, temperature: 0, anyMetal: false }
  const scalePerK = gauge.expansionPerK
  const isKnown = partPerK !== null && scalePerK !== null
  const interval = atReference(shifted, warm, partPerK, scalePerK)
  const size = Number.isFinite(shifted[told]) ? shifted[told] : 0
  return {
    ...done,
    interval,
    // Who reads at the same temperatures errs by the same.
    errors: [
      ...own,
      ...(warm.withinK === 0
        ? []
        : [
            boundedError('partTemperature', `${warm.partC}`, warm.withinK, -size * (partPerK ?? GREATEST_EXPANSION)),
            boundedError('scaleTemperature', `${warm.scaleC}`, warm.withinK, size * (scalePerK ?? GREATEST_EXPANSION)),
          ]),
    ],
    temperature: isKnown && Number.isFinite(shifted[told]) ? interval[told] - shifted[told] : 0,
    anyMetal: (partPerK === null && warm.partC !== REFERENCE_C) || (scalePerK === null && warm.scaleC !== REFERENCE_C),
  }
}

/** Both ends corrected; the error of a table may turn between them, so its points within count too. */
function afterTable(
  { low, high }: Interval,
  table: readonly CalibrationPoint[],
  shown: (end: number) => number,
  corrected: (end: number) => number,
): Interval {
  if (low === high) {
    const value = corrected(low)
    return { low: value, high: value }
  }
  const offset = shown(0)
  const within = table.map(({ at }) => at - offset).filter((at) => at > low && at < high)
  // Towards an open end the last error of the table holds, so that end stays open.
  const all = [low, ...within, high].map(corrected)
  return { low: Math.min(...all), high: Math.max(...all) }
}

/** Size at 20 °C; where an expansion is not known, all that any metal leaves possible. */
function atReference(
  shifted: Interval,
  { partC, scaleC }: NonNullable<Conditions['temperature']>,
  partPerK: number | null,
  scalePerK: number | null,
): Interval {
  const choices = (known: number | null, atC: number): readonly number[] =>
    known !== null ? [known] : atC === REFERENCE_C ? [0] : [0, GREATEST_EXPANSION]
  const cold = (end: number): readonly number[] =>
    Number.isFinite(end)
      ? choices(partPerK, partC).flatMap((part) =>
          choices(scalePerK, scaleC).map((scale) => sizeAt20(end, { partC, partPerK: part, scaleC, scalePerK: scale })),
        )
      : [end]
  return { low: Math.min(...cold(shifted.low)), high: Math.max(...cold(shifted.high)) }
}
