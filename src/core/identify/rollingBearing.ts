import { forComparison } from '../quantity/decimal'

/**
 * Boundary dimensions of radial rolling bearings, mm: bore, outside diameter, width by dimension series
 * (ISO 15, Rolling bearings: Radial bearings: Boundary dimensions, general plan), bores 10 to 150.
 */
const SERIES: Record<string, readonly (readonly [bore: number, outside: number, width: number])[]> = {
  '18': [
    [10, 19, 5],
    [12, 21, 5],
    [15, 24, 5],
    [17, 26, 5],
    [20, 32, 7],
    [25, 37, 7],
    [30, 42, 7],
    [35, 47, 7],
    [40, 52, 7],
    [45, 58, 7],
    [50, 65, 7],
    [55, 72, 9],
    [60, 78, 10],
    [65, 85, 10],
    [70, 90, 10],
    [75, 95, 10],
    [80, 100, 10],
    [85, 110, 13],
    [90, 115, 13],
    [95, 120, 13],
    [100, 125, 13],
  ],
  '19': [
    [10, 22, 6],
    [12, 24, 6],
    [15, 28, 7],
    [17, 30, 7],
    [20, 37, 9],
    [25, 42, 9],
    [30, 47, 9],
    [35, 55, 10],
    [40, 62, 12],
    [45, 68, 12],
    [50, 72, 12],
    [55, 80, 13],
    [60, 85, 13],
    [65, 90, 13],
    [70, 100, 16],
    [75, 105, 16],
    [80, 110, 16],
    [85, 120, 18],
    [90, 125, 18],
    [95, 130, 18],
    [100, 140, 20],
  ],
  '10': [
    [10, 26, 8],
    [12, 28, 8],
    [15, 32, 9],
    [17, 35, 10],
    [20, 42, 12],
    [25, 47, 12],
    [30, 55, 13],
    [35, 62, 14],
    [40, 68, 15],
    [45, 75, 16],
    [50, 80, 16],
    [55, 90, 18],
    [60, 95, 18],
    [65, 100, 18],
    [70, 110, 20],
    [75, 115, 20],
    [80, 125, 22],
    [85, 130, 22],
    [90, 140, 24],
    [95, 145, 24],
    [100, 150, 24],
    [105, 160, 26],
    [110, 170, 28],
    [120, 180, 28],
    [130, 200, 33],
    [140, 210, 33],
    [150, 225, 35],
  ],
  '02': [
    [10, 30, 9],
    [12, 32, 10],
    [15, 35, 11],
    [17, 40, 12],
    [20, 47, 14],
    [25, 52, 15],
    [30, 62, 16],
    [35, 72, 17],
    [40, 80, 18],
    [45, 85, 19],
    [50, 90, 20],
    [55, 100, 21],
    [60, 110, 22],
    [65, 120, 23],
    [70, 125, 24],
    [75, 130, 25],
    [80, 140, 26],
    [85, 150, 28],
    [90, 160, 30],
    [95, 170, 32],
    [100, 180, 34],
    [105, 190, 36],
    [110, 200, 38],
    [120, 215, 40],
    [130, 230, 40],
    [140, 250, 42],
    [150, 270, 45],
  ],
  '22': [
    [20, 47, 18],
    [25, 52, 18],
    [30, 62, 20],
    [35, 72, 23],
    [40, 80, 23],
    [45, 85, 23],
    [50, 90, 23],
    [55, 100, 25],
    [60, 110, 28],
    [65, 120, 31],
    [70, 125, 31],
    [75, 130, 31],
    [80, 140, 33],
    [85, 150, 36],
    [90, 160, 40],
    [95, 170, 43],
    [100, 180, 46],
    [110, 200, 53],
    [120, 215, 58],
    [130, 230, 64],
    [140, 250, 68],
    [150, 270, 73],
  ],
  '03': [
    [10, 35, 11],
    [12, 37, 12],
    [15, 42, 13],
    [17, 47, 14],
    [20, 52, 15],
    [25, 62, 17],
    [30, 72, 19],
    [35, 80, 21],
    [40, 90, 23],
    [45, 100, 25],
    [50, 110, 27],
    [55, 120, 29],
    [60, 130, 31],
    [65, 140, 33],
    [70, 150, 35],
    [75, 160, 37],
    [80, 170, 39],
    [85, 180, 41],
    [90, 190, 43],
    [95, 200, 45],
    [100, 215, 47],
    [105, 225, 49],
    [110, 240, 50],
    [120, 260, 55],
    [130, 280, 58],
    [140, 300, 62],
    [150, 320, 65],
  ],
  '23': [
    [20, 52, 21],
    [25, 62, 24],
    [30, 72, 27],
    [35, 80, 31],
    [40, 90, 33],
    [45, 100, 36],
    [50, 110, 40],
    [55, 120, 43],
    [60, 130, 46],
    [65, 140, 48],
    [70, 150, 51],
    [75, 160, 55],
    [80, 170, 58],
    [85, 180, 60],
    [90, 190, 64],
    [95, 200, 67],
    [100, 215, 73],
    [110, 240, 80],
    [120, 260, 86],
    [130, 280, 93],
    [140, 300, 102],
    [150, 320, 108],
  ],
  '04': [
    [17, 62, 17],
    [20, 72, 19],
    [25, 80, 21],
    [30, 90, 23],
    [35, 100, 25],
    [40, 110, 27],
    [45, 120, 29],
    [50, 130, 31],
    [55, 140, 33],
    [60, 150, 35],
    [65, 160, 37],
    [70, 180, 42],
  ],
}

/** Basic designations by type that carry a dimension series, with the bore code put after them. */
const TYPES: Record<string, readonly (readonly [prefix: string, type: string])[]> = {
  '18': [['618', 'deep groove ball']],
  '19': [['619', 'deep groove ball']],
  '10': [
    ['60', 'deep groove ball'],
    ['NU 10', 'cylindrical roller'],
  ],
  '02': [
    ['62', 'deep groove ball'],
    ['72', 'angular contact ball'],
    ['12', 'self-aligning ball'],
    ['NU 2', 'cylindrical roller'],
  ],
  '22': [
    ['222', 'spherical roller'],
    ['22', 'self-aligning ball'],
    ['NU 22', 'cylindrical roller'],
  ],
  '03': [
    ['63', 'deep groove ball'],
    ['73', 'angular contact ball'],
    ['13', 'self-aligning ball'],
    ['NU 3', 'cylindrical roller'],
  ],
  '23': [
    ['223', 'spherical roller'],
    ['23', 'self-aligning ball'],
    ['NU 23', 'cylindrical roller'],
  ],
  '04': [
    ['64', 'deep groove ball'],
    ['NU 4', 'cylindrical roller'],
  ],
}

/** How far a measured dimension may lie from the standard one, mm: more than any tolerance, less than half a step. */
const BEARING_DIAMETER_BAND_MM = 0.15
const BEARING_WIDTH_BAND_MM = 0.3

export interface BearingSize {
  readonly boreMm: number
  readonly outsideMm: number
  readonly widthMm: number
}

export interface StandardBearing extends BearingSize {
  readonly series: string
  /** Possible basic designations, each with its type; which one it is, the rolling elements and races tell. */
  readonly designations: readonly { readonly designation: string; readonly type: string }[]
}

export type BearingIdentity =
  | { readonly kind: 'standard'; readonly bearings: readonly StandardBearing[] }
  | { readonly kind: 'none'; readonly nearest: StandardBearing; readonly offBy: BearingSize }

const all: readonly StandardBearing[] = Object.entries(SERIES).flatMap(([series, sizes]) =>
  sizes.map(([boreMm, outsideMm, widthMm]) => ({
    series,
    boreMm,
    outsideMm,
    widthMm,
    designations: (TYPES[series] ?? []).map(([prefix, type]) => ({ designation: `${prefix}${boreCode(boreMm)}`, type })),
  })),
)

/** Bore code of ISO 15 bearings: 00 to 03 for 10, 12, 15, 17 mm, from 20 mm a fifth of the bore. */
function boreCode(boreMm: number): string {
  const special: Record<number, string> = { 10: '00', 12: '01', 15: '02', 17: '03' }
  return special[boreMm] ?? String(boreMm / 5).padStart(2, '0')
}

/**
 * What a rolling bearing may be, from its measured bore, outside diameter and width. A size that matches no standard
 * one answers with the nearest and how far each dimension is off; it never picks one.
 *
 * @example identifyBearing({ boreMm: 40, outsideMm: 80, widthMm: 18 }) // 6208 and its cylindrical and self-aligning kin
 */
export function identifyBearing(size: BearingSize): BearingIdentity {
  const off = (bearing: StandardBearing): BearingSize => ({
    boreMm: forComparison(size.boreMm - bearing.boreMm),
    outsideMm: forComparison(size.outsideMm - bearing.outsideMm),
    widthMm: forComparison(size.widthMm - bearing.widthMm),
  })
  const matches = all.filter((bearing) => {
    const by = off(bearing)
    return (
      Math.abs(by.boreMm) <= BEARING_DIAMETER_BAND_MM &&
      Math.abs(by.outsideMm) <= BEARING_DIAMETER_BAND_MM &&
      Math.abs(by.widthMm) <= BEARING_WIDTH_BAND_MM
    )
  })
  if (matches.length > 0) return { kind: 'standard', bearings: matches }
  const distance = (bearing: StandardBearing): number => {
    const by = off(bearing)
    return Math.abs(by.boreMm) + Math.abs(by.outsideMm) + Math.abs(by.widthMm)
  }
  const nearest = all.reduce((best, bearing) => (distance(bearing) < distance(best) ? bearing : best))
  return { kind: 'none', nearest, offBy: off(nearest) }
}
