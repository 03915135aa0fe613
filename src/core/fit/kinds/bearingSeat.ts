/** A rolling bearing on its shaft and in its housing: the seat is measured, the bearing has its standard's tolerance. */
import { type BearingClass, bearingClasses, bearingTolerance } from '../bearingTolerance'
import type { FitFault, FitKindOf, FitNote, Shaped, Stated } from '../fitKind'
import type { FitShaping } from '../shapingSchema'

const onShaft = ({ z, measured, positiveMm, common, linked }: FitShaping) =>
  z.strictObject({
    kind: z.literal('bearingOnShaft'),
    ...common,
    ...linked,
    seat: measured,
    bearing: z.strictObject({ boreMm: positiveMm, tolerance: z.enum(bearingClasses) }),
  })
export type BearingOnShaft = Shaped<typeof onShaft>

const inHousing = ({ z, measured, positiveMm, common, linked }: FitShaping) =>
  z.strictObject({
    kind: z.literal('bearingInHousing'),
    ...common,
    ...linked,
    seat: measured,
    bearing: z.strictObject({ outsideMm: positiveMm, tolerance: z.enum(bearingClasses) }),
  })
export type BearingInHousing = Shaped<typeof inHousing>

const faultOf = (of: 'bore' | 'outside', sizeMm: number, tolerance: BearingClass): readonly FitFault[] =>
  bearingTolerance(of, sizeMm, tolerance) === null ? [{ code: 'bearingNotInTable', sizeMm, tolerance }] : []

const noteOf = (of: 'bore' | 'outside', sizeMm: number, tolerance: BearingClass): readonly FitNote[] => {
  const found = bearingTolerance(of, sizeMm, tolerance)
  return found ? [{ code: 'tolerance', of, ...found }] : []
}

/** Clearance = bore of the bearing − shaft. */
export const bearingOnShaft: FitKindOf<BearingOnShaft> = {
  shape: onShaft,
  links: ({ seat }) => [{ characteristic: seat, factor: -1, takes: ['outsideDiameter'] }],
  stated: ({ bearing: { boreMm, tolerance } }): readonly Stated[] => {
    const found = bearingTolerance('bore', boreMm, tolerance)
    return found ? [{ name: 'bearingBore', lowMm: boreMm + found.lowerMm, highMm: boreMm + found.upperMm }] : []
  },
  faults: ({ bearing: { boreMm, tolerance } }) => faultOf('bore', boreMm, tolerance),
  notes: ({ bearing: { boreMm, tolerance } }) => noteOf('bore', boreMm, tolerance),
}

/** Clearance = housing − outside diameter of the bearing. */
export const bearingInHousing: FitKindOf<BearingInHousing> = {
  shape: inHousing,
  links: ({ seat }) => [{ characteristic: seat, factor: 1, takes: ['boreDiameter'] }],
  stated: ({ bearing: { outsideMm, tolerance } }): readonly Stated[] => {
    const found = bearingTolerance('outside', outsideMm, tolerance)
    return found ? [{ name: 'bearingOutside', lowMm: -(outsideMm + found.upperMm), highMm: -(outsideMm + found.lowerMm) }] : []
  },
  faults: ({ bearing: { outsideMm, tolerance } }) => faultOf('outside', outsideMm, tolerance),
  notes: ({ bearing: { outsideMm, tolerance } }) => noteOf('outside', outsideMm, tolerance),
}
