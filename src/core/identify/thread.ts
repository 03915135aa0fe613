import { forComparison } from '../quantity/decimal'

export type Flank = 60 | 55

export interface StandardThread {
  readonly designation: string
  readonly series: string
  readonly diameterMm: number
  readonly pitchMm: number
  /** Threads per inch of an inch thread, else null. */
  readonly perInch: number | null
  readonly flankDegrees: Flank
}

/** ISO 261 / ISO 262: coarse pitch first, then the fine pitches of the selection. Diameter and pitches in mm. */
const METRIC: readonly (readonly [diameter: number, coarse: number, ...fine: number[]])[] = [
  [3, 0.5],
  [4, 0.7],
  [5, 0.8],
  [6, 1],
  [8, 1.25, 1],
  [10, 1.5, 1.25, 1],
  [12, 1.75, 1.5, 1.25],
  [14, 2, 1.5],
  [16, 2, 1.5],
  [18, 2.5, 2, 1.5],
  [20, 2.5, 2, 1.5],
  [22, 2.5, 2, 1.5],
  [24, 3, 2],
  [27, 3, 2],
  [30, 3.5, 2],
  [33, 3.5, 2],
  [36, 4, 3],
  [39, 4, 3],
  [42, 4.5, 3],
  [45, 4.5, 3],
  [48, 5, 3],
  [52, 5, 4],
  [56, 5.5, 4],
  [60, 5.5, 4],
  [64, 6, 4],
]

/** Inch threads: designation, diameter in inches, threads per inch (ASME B1.1 for UNC and UNF; BS 84 for BSW and BSF). */
const INCH: Record<'UNC' | 'UNF' | 'BSW' | 'BSF', readonly (readonly [name: string, diameterIn: number, perInch: number])[]> = {
  UNC: [
    ['1/4', 0.25, 20],
    ['5/16', 0.3125, 18],
    ['3/8', 0.375, 16],
    ['7/16', 0.4375, 14],
    ['1/2', 0.5, 13],
    ['9/16', 0.5625, 12],
    ['5/8', 0.625, 11],
    ['3/4', 0.75, 10],
    ['7/8', 0.875, 9],
    ['1', 1, 8],
    ['1-1/8', 1.125, 7],
    ['1-1/4', 1.25, 7],
    ['1-3/8', 1.375, 6],
    ['1-1/2', 1.5, 6],
    ['1-3/4', 1.75, 5],
    ['2', 2, 4.5],
  ],
  UNF: [
    ['1/4', 0.25, 28],
    ['5/16', 0.3125, 24],
    ['3/8', 0.375, 24],
    ['7/16', 0.4375, 20],
    ['1/2', 0.5, 20],
    ['9/16', 0.5625, 18],
    ['5/8', 0.625, 18],
    ['3/4', 0.75, 16],
    ['7/8', 0.875, 14],
    ['1', 1, 12],
    ['1-1/8', 1.125, 12],
    ['1-1/4', 1.25, 12],
    ['1-3/8', 1.375, 12],
    ['1-1/2', 1.5, 12],
  ],
  BSW: [
    ['1/4', 0.25, 20],
    ['5/16', 0.3125, 18],
    ['3/8', 0.375, 16],
    ['7/16', 0.4375, 14],
    ['1/2', 0.5, 12],
    ['9/16', 0.5625, 12],
    ['5/8', 0.625, 11],
    ['3/4', 0.75, 10],
    ['7/8', 0.875, 9],
    ['1', 1, 8],
    ['1-1/8', 1.125, 7],
    ['1-1/4', 1.25, 7],
    ['1-1/2', 1.5, 6],
    ['1-3/4', 1.75, 5],
    ['2', 2, 4.5],
  ],
  BSF: [
    ['1/4', 0.25, 26],
    ['5/16', 0.3125, 22],
    ['3/8', 0.375, 20],
    ['7/16', 0.4375, 18],
    ['1/2', 0.5, 16],
    ['9/16', 0.5625, 16],
    ['5/8', 0.625, 14],
    ['3/4', 0.75, 12],
    ['7/8', 0.875, 11],
    ['1', 1, 10],
    ['1-1/8', 1.125, 9],
    ['1-1/4', 1.25, 9],
    ['1-1/2', 1.5, 8],
  ],
}

const MM_PER_INCH = 25.4
const all: readonly StandardThread[] = [
  ...METRIC.flatMap(([diameter, ...pitches]) =>
    pitches.map(
      (pitch, index): StandardThread => ({
        designation: index === 0 ? `M${diameter}` : `M${diameter}×${pitch}`,
        series: index === 0 ? 'ISO metric, coarse' : 'ISO metric, fine',
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
        series: series === 'UNC' || series === 'UNF' ? 'Unified' : 'Whitworth form',
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
