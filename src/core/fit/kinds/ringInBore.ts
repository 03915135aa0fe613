import type { FitKindOf, Shaped } from '../fitKind'
import type { FitShaping } from '../shapingSchema'

/** The end gap that a ring has where it runs. */
const shape = ({ z, measured, positiveMm, common, linked }: FitShaping) =>
  z.strictObject({
    kind: z.literal('ringInBore'),
    ...common,
    ...linked,
    /** End gap of the ring in its reference bore. */
    ring: measured,
    runsIn: measured,
    referenceMm: positiveMm,
  })
export type RingInBore = Shaped<typeof shape>

/** Gap = gap in the reference + π · (worn diameter − reference), in a bore and on a rod alike. */
export const ringInBore: FitKindOf<RingInBore> = {
  shape,
  links: ({ ring, runsIn }) => [
    { characteristic: ring, factor: 1, takes: ['ringEndGap'] },
    { characteristic: runsIn, factor: Math.PI, takes: ['boreDiameter', 'outsideDiameter'] },
  ],
  stated: ({ referenceMm }) => [{ name: 'roundReference', lowMm: -Math.PI * referenceMm, highMm: -Math.PI * referenceMm }],
}
