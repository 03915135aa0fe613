import iso492 from '../standards/iso492.json' with { type: 'json' }
import iso578 from '../standards/iso578.json' with { type: 'json' }
import iso5753 from '../standards/iso5753.json' with { type: 'json' }
import { rowsOf, type StandardTable } from '../standards/table'

/** Tolerance classes of rolling bearings whose bore or outside diameter a fit is computed from. */
export const bearingClasses = ['normal', 'class6', 'class5', 'tapered', 'taperRoller', 'inchTaperRoller'] as const
export type BearingClass = (typeof bearingClasses)[number]

export interface BearingTolerance {
  readonly lowerMm: number
  readonly upperMm: number
  readonly standard: string
  readonly edition: string
}

type Rows = Readonly<Record<string, readonly (readonly (number | null)[])[]>>
const at = (table: StandardTable, key: string, sizeMm: number): readonly (number | null)[] | undefined =>
  sizeMm > 0 ? rowsOf<Rows>(table)[key]?.find(([upTo]) => sizeMm <= (upTo ?? 0)) : undefined

/**
 * Deviations of a rolling bearing's bore or outside diameter from its nominal size. A cylindrical metric bore goes from zero
 * downward, not as an H hole does; tapered bores and inch taper rollers go upward. Null where no table has the size
 * (ISO 492:2014; ISO 578:1987).
 */
export function bearingTolerance(of: 'bore' | 'outside', sizeMm: number, tolerance: BearingClass): BearingTolerance | null {
  const [table, key] =
    tolerance === 'inchTaperRoller'
      ? ([iso578, of] as const)
      : // A tapered bore has the outside diameter of every other bearing.
        ([iso492, `${of} ${of === 'outside' && tolerance === 'tapered' ? 'normal' : tolerance}`] as const)
  const [, lower, upper] = at(table, key, sizeMm) ?? []
  if (lower == null || upper == null) return null
  return { lowerMm: lower / 1000, upperMm: upper / 1000, standard: table.standard, edition: table.edition }
}

/** Types of bearings with radial clearance in ISO 5753-1. */
export const clearanceTypes = [
  'deepGrooveBall',
  'selfAligningBall',
  'cylindricalRoller',
  'sphericalRoller',
  'sphericalRollerTapered',
] as const
export type ClearanceType = (typeof clearanceTypes)[number]
export const clearanceGroups = ['2', 'N', '3', '4', '5'] as const
export type ClearanceGroup = (typeof clearanceGroups)[number]

/** Radial play of a bearing as it comes, and where that stands. */
export interface InternalClearance {
  readonly leastMm: number
  readonly greatestMm: number
  readonly standard: string
  readonly edition: string
}

/** Radial internal clearance of a bearing before it is fitted, mm; null where the table has none (ISO 5753-1:2009). */
export function internalClearance(type: ClearanceType, group: ClearanceGroup, boreMm: number): InternalClearance | null {
  const row = at(iso5753, type, boreMm)
  const place = 1 + 2 * clearanceGroups.indexOf(group)
  const [least, greatest] = [row?.[place], row?.[place + 1]]
  return least == null || greatest == null
    ? null
    : { leastMm: least / 1000, greatestMm: greatest / 1000, standard: iso5753.standard, edition: iso5753.edition }
}
