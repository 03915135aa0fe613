import { heatingTemperatureC } from '../../gauge/temperature'
import type { FitKindOf, Shaped } from '../fitKind'
import type { FitShaping } from '../shapingSchema'

const shape = ({ z, measured, positiveMm, perK, celsius, common, linked }: FitShaping) =>
  z.strictObject({
    kind: z.literal('shrinkFit'),
    ...common,
    ...linked,
    bore: measured,
    shaft: measured,
    /** How it is put together by heat; null where it is pressed on. */
    heating: z
      .strictObject({
        nominalMm: positiveMm,
        perK: perK.gt(0),
        ambientC: celsius,
        /** Clearance wanted while it is slid on. */
        handlingMm: positiveMm,
        /** What the material may be heated to; null where no document says. */
        greatestC: celsius.nullable(),
      })
      .nullable(),
  })
export type ShrinkFit = Shaped<typeof shape>

/** Clearance = bore − shaft, negative; and the temperature at which the outer part goes over the inner one. */
export const shrinkFit: FitKindOf<ShrinkFit> = {
  shape,
  links: ({ bore, shaft }) => [
    { characteristic: bore, factor: 1, takes: ['boreDiameter'] },
    { characteristic: shaft, factor: -1, takes: ['outsideDiameter'] },
  ],
  notes: ({ heating }, { tightestMm }) => {
    if (heating === null || tightestMm === null || tightestMm >= 0) return []
    const { ambientC, handlingMm, perK, nominalMm, greatestC } = heating
    const celsius = heatingTemperatureC(ambientC, -tightestMm, handlingMm, perK, nominalMm)
    return [{ code: 'heatTo', celsius, greatestC, isTooHot: greatestC !== null && celsius > greatestC }]
  },
}
