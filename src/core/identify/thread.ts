import { forComparison } from '../quantity/decimal'
import asmeB1_1 from '../standards/asmeB1_1.json' with { type: 'json' }
import bs84 from '../standards/bs84.json' with { type: 'json' }
import iso261 from '../standards/iso261.json' with { type: 'json' }
import { rowsOf } from '../standards/table'

export type Flank = 60 | 55

export type ThreadSeries = 'isoCoarse' | 'isoFine' | 'unified' | 'whitworth'

export interface StandardThread {
  readonly designation: string
  readonly series: ThreadSeries
  readonly diameterMm: number
  readonly pitchMm: number
  /** Threads per inch of an inch thread, else null. */
  readonly perInch: number | null
  readonly flankDegrees: Flank
}

/** ISO 261 / ISO 262: coarse pitch first, then the fine pitches of the selection. Diameter and pitches in mm. */
const METRIC: readonly (readonly [diameter: number, coarse: number, ...fine: number[]])[] = rowsOf(iso261)

/** Inch threads: designation, diameter in inches, threads per inch (ASME B1.1 for UNC and UNF; BS 84 for BSW and BSF). */
type InchSeries = Record<'UNC' | 'UNF' | 'BSW' | 'BSF', readonly (readonly [name: string, diameterIn: number, perInch: number])[]>
const INCH: InchSeries = {
  ...rowsOf<Pick<InchSeries, 'UNC' | 'UNF'>>(asmeB1_1),
  ...rowsOf<Pick<InchSeries, 'BSW' | 'BSF'>>(bs84),
}

const MM_PER_INCH = 25.4
const all: readonly StandardThread[] = [
  ...METRIC.flatMap(([diameter, ...pitches]) =>
    pitches.map(
      (pitch, index): StandardThread => ({
        designation: index === 0 ? `M${diameter}` : `M${diameter}×${pitch}`,
        series: index === 0 ? 'isoCoarse' : 'isoFine',
        diameterMm: diameter,
        pitchMm: pitch,
        perInch: null,
        flankDegrees: 60,
      }),
    ),
  ),
  ...(['UNC', 'UNF', 'BSW', 'BSF'] as const).flatMap((series) =>
    INCH[series].map(
      ([name, diameterIn, perInch]): StandardThread => ({
        designation: `${name}"-${perInch} ${series}`,
        series: series === 'UNC' || series === 'UNF' ? 'unified' : 'whitworth',
        diameterMm: diameterIn * MM_PER_INCH,
        pitchMm: MM_PER_INCH / perInch,
        perInch,
        flankDegrees: series === 'UNC' || series === 'UNF' ? 60 : 55,
      }),
    ),
  ),
]

/** An outside thread measures up to this share of its pitch below nominal (tolerances 6g to 8g, flattened crests). */
const BELOW_NOMINAL = 0.25
const ABOVE_NOMINAL_MM = 0.05
/** A pitch taken over some threads with a rule or a pitch gauge. */
const PITCH_SHARE = 0.025

export interface ThreadSize {
  /** Outside diameter over the crests of the outside thread, mm. */
  readonly diameterMm: number
  readonly pitchMm: number
  /** Flank angle where it was gauged; null where not: then 60° and 55° stay possible. */
  readonly flankDegrees: Flank | null
}

export type ThreadIdentity =
  | { readonly kind: 'standard'; readonly threads: readonly StandardThread[] }
  | { readonly kind: 'none'; readonly nearest: StandardThread }

/**
 * What an outside thread may be, from its measured outside diameter and pitch. Several can match (a 1/2" UNC and a BSW
 * differ by one thread per inch and the flank angle): all are named, closest first.
 */
export function identifyThread(size: ThreadSize): ThreadIdentity {
  const offBy = (thread: StandardThread): number =>
    Math.abs(size.diameterMm - thread.diameterMm) / thread.pitchMm +
    (20 * Math.abs(size.pitchMm - thread.pitchMm)) / thread.pitchMm
  const ranked = all
    .filter((thread) => size.flankDegrees === null || thread.flankDegrees === size.flankDegrees)
    .map((thread) => ({ thread, offBy: offBy(thread) }))
    .sort((a, b) => a.offBy - b.offBy)
    .map(({ thread }) => thread)
  const matches = ranked.filter((thread) => {
    const over = forComparison(size.diameterMm - thread.diameterMm)
    return (
      over <= ABOVE_NOMINAL_MM &&
      over >= -BELOW_NOMINAL * thread.pitchMm &&
      Math.abs(size.pitchMm - thread.pitchMm) <= PITCH_SHARE * thread.pitchMm
    )
  })
  return matches.length > 0 ? { kind: 'standard', threads: matches } : { kind: 'none', nearest: ranked[0] as StandardThread }
}

/** Pitch in mm from what was typed: a figure with `tpi` is threads per inch, anything else a length read elsewhere. */
export function threadsPerInch(text: string): number | null {
  const found = /^(\d+(?:[.,]\d+)?)\s*tpi$/i.exec(text.trim())
  const count = found ? Number((found[1] ?? '').replace(',', '.')) : Number.NaN
  return count > 0 ? MM_PER_INCH / count : null
}
