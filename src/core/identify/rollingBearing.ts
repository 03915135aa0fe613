import { forComparison } from '../quantity/decimal'
import iso15 from '../standards/iso15.json' with { type: 'json' }
import { rowsOf } from '../standards/table'

/**
 * Boundary dimensions of radial rolling bearings, mm: bore, outside diameter, width by dimension series
 * (ISO 15, Rolling bearings: Radial bearings: Boundary dimensions, general plan), bores 10 to 150.
 */
const SERIES: Record<string, readonly (readonly [bore: number, outside: number, width: number])[]> = rowsOf(iso15)

export type BearingType = 'deepGrooveBall' | 'angularContactBall' | 'selfAligningBall' | 'cylindricalRoller' | 'sphericalRoller'

/** Basic designations by type that carry a dimension series, with the bore code put after them. */
const TYPES: Record<string, readonly (readonly [prefix: string, type: BearingType])[]> = {
  '18': [['618', 'deepGrooveBall']],
  '19': [['619', 'deepGrooveBall']],
  '10': [
    ['60', 'deepGrooveBall'],
    ['NU 10', 'cylindricalRoller'],
  ],
  '02': [
    ['62', 'deepGrooveBall'],
    ['72', 'angularContactBall'],
    ['12', 'selfAligningBall'],
    ['NU 2', 'cylindricalRoller'],
  ],
  '22': [
    ['222', 'sphericalRoller'],
    ['22', 'selfAligningBall'],
    ['NU 22', 'cylindricalRoller'],
  ],
  '03': [
    ['63', 'deepGrooveBall'],
    ['73', 'angularContactBall'],
    ['13', 'selfAligningBall'],
    ['NU 3', 'cylindricalRoller'],
  ],
  '23': [
    ['223', 'sphericalRoller'],
    ['23', 'selfAligningBall'],
    ['NU 23', 'cylindricalRoller'],
  ],
  '04': [
    ['64', 'deepGrooveBall'],
    ['NU 4', 'cylindricalRoller'],
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
  readonly designations: readonly { readonly designation: string; readonly type: BearingType }[]
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
