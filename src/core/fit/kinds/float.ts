import { thermalGrowthMm } from '../../gauge/temperature'
import type { FitKindOf, Shaped } from '../fitKind'
import type { FitShaping } from '../shapingSchema'

const body = ({ z, perK, celsius }: FitShaping) => z.strictObject({ perK, runsAtC: celsius })

/** The float of a free bearing: what its housing leaves it, less what shaft and housing grow apart when they run warm. */
const shape = (of: FitShaping) =>
  of.z.strictObject({
    kind: of.z.literal('float'),
    ...of.common,
    ...of.linked,
    /** Width between the faces, and width of what floats between them. */
    housing: of.measured,
    part: of.measured,
    /** Null where nothing grows warm. */
    growth: of.z
      .strictObject({
        /** Distance from the fixed bearing to the free one. */
        lengthMm: of.positiveMm,
        shaft: body(of),
        housing: body(of),
        /** Temperature at which it was put together and measured. */
        measuredAtC: of.celsius,
      })
      .nullable(),
  })
export type Float = Shaped<typeof shape>

/** How much further the shaft grows than its housing, mm; negative where the housing grows further. */
function differentialGrowthMm({ growth }: Float): number {
  if (growth === null) return 0
  const grows = ({ perK, runsAtC }: NonNullable<Float['growth']>['shaft']): number =>
    thermalGrowthMm(growth.lengthMm, perK, growth.measuredAtC, runsAtC)
  return grows(growth.shaft) - grows(growth.housing)
}

/** Least float, warm = housing − part − differential growth, whichever way it goes; greatest, cold = housing − part. */
export const float: FitKindOf<Float> = {
  shape,
  links: ({ housing, part }) => [
    { characteristic: housing, factor: 1, takes: null },
    { characteristic: part, factor: -1, takes: null },
  ],
  stated: (fit) => {
    const growth = Math.abs(differentialGrowthMm(fit))
    return growth === 0 ? [] : [{ name: 'growth', lowMm: -growth, highMm: 0 }]
  },
  notes: (fit) => (fit.growth === null ? [] : [{ code: 'growth', growthMm: differentialGrowthMm(fit) }]),
}
