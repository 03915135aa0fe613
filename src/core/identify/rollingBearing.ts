import { forComparison } from '../quantity/decimal'
import iso15 from '../standards/iso15.json' with { type: 'json' }
import iso355 from '../standards/iso355.json' with { type: 'json' }
import { rowsOf } from '../standards/table'

/**
 * Boundary dimensions of radial rolling bearings, mm: bore, outside diameter, width by dimension series
 * (ISO 15, Rolling bearings: Radial bearings: Boundary dimensions, general plan), bores 3 to 150;
 * of tapered roller bearings by the series of their designations, the width over all (ISO 355).
 */
type Sizes = Record<string, readonly (readonly [bore: number, outside: number, width: number])[]>
const SERIES: Sizes = rowsOf(iso15)
const TAPERED: Sizes = rowsOf(iso355)

export type BearingType =
  | 'deepGrooveBall'
  | 'taperedRoller'
  | 'angularContactBall'
  | 'selfAligningBall'
  | 'cylindricalRoller'
  | 'sphericalRoller'

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

const LEAST_CODED_MM = 10
/** Thin series put the bore behind a stroke while it has no code of its own. */
const THIN = ['18', '19']

const radial: readonly StandardBearing[] = Object.entries(SERIES).flatMap(([series, sizes]) =>
  sizes.map(([boreMm, outsideMm, widthMm]) => ({
    series,
    boreMm,
    outsideMm,
    widthMm,
    designations: (TYPES[series] ?? [])
      // Below 10 mm the other types are few, and called otherwise.
      .filter(([, type]) => boreMm >= LEAST_CODED_MM || type === 'deepGrooveBall')
      .map(([prefix, type]) => ({ designation: `${prefix}${boreCode(boreMm, series)}`, type })),
  })),
)
const tapered: readonly StandardBearing[] = Object.entries(TAPERED).flatMap(([series, sizes]) =>
  sizes.map(([boreMm, outsideMm, widthMm]) => ({
    series,
    boreMm,
    outsideMm,
    widthMm,
    designations: [
      { designation: `${series}${boreCode(boreMm, series)}${series === '320' ? ' X' : ''}`, type: 'taperedRoller' as const },
    ],
  })),
)
const all: readonly StandardBearing[] = [...radial, ...tapered]

/** Bore code: the bore itself below 10 mm, 00 to 03 for 10, 12, 15, 17 mm, from 20 mm a fifth of the bore. */
function boreCode(boreMm: number, series: string): string {
  if (boreMm < LEAST_CODED_MM) return THIN.includes(series) ? `/${boreMm}` : String(boreMm)
  const special: Record<number, string> = { 10: '00', 12: '01', 15: '02', 17: '03' }
  return special[boreMm] ?? String(boreMm / 5).padStart(2, '0')
}

/**
 * Whether a marking names one of the bearings that its sizes allow: `6208-2RS C3` names 6208. Sizes alone identify no
 * bearing: type, contact angle, clearance class and cage stand in its marking.
 */
export function markingAgrees(marking: string, bearings: readonly StandardBearing[]): boolean {
  const plain = (text: string): string => text.toUpperCase().replace(/[\s.]/g, '')
  // A figure after a word is a new one: BRAND 6208. What letters stand close before it belong to it.
  const read = marking
    .toUpperCase()
    .replace(/\./g, '')
    .replace(/\b(NU|NJ|NUP|NF|N)\s+(?=\d)/g, '$1')
    .replace(/(\d)\s+(?=\d)/g, '$1')
  return bearings.some(({ designations }) =>
    designations.some(({ designation }) => {
      const name = plain(designation).replace(/X$/, '')
      // Cylindrical rollers of one series share their sizes, whichever ring has the ribs. No letter or digit before or
      // behind: 6208 is named neither by 62080 nor by 16208, NU 208 not by NNU 208.
      const kin = name.replace(/^NU(?=\d)/, '(?:NU|NJ|NUP|NF|N)')
      return new RegExp(`(^|[^0-9A-Z])${kin}([^0-9]|$)`).test(read)
    }),
  )
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
