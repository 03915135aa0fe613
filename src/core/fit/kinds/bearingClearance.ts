import { exactly, type Known, largestOf, lessThan, linear, shifted } from '../../method/known'
import { bearingClasses, bearingTolerance, clearanceGroups, clearanceTypes, internalClearance } from '../bearingTolerance'
import type { FitFault, FitKindOf, Shaped } from '../fitKind'
import type { FitShaping } from '../shapingSchema'

/** The radial play that its seats leave of a rolling bearing. */
const shape = ({ z, measured, positiveMm, common, linked }: FitShaping) =>
  z.strictObject({
    kind: z.literal('bearingClearance'),
    ...common,
    ...linked,
    shaft: measured,
    /** Null where the outer ring is loose by design. */
    housing: measured.nullable(),
    bearing: z.strictObject({
      boreMm: positiveMm,
      outsideMm: positiveMm,
      tolerance: z.enum(bearingClasses),
      type: z.enum(clearanceTypes),
      group: z.enum(clearanceGroups),
    }),
    /** Part of an interference that the raceway follows, where a document says; null: by the size of the rings. */
    shares: z.strictObject({ inner: z.number().min(0).max(1), outer: z.number().min(0).max(1) }).nullable(),
  })
export type BearingClearance = Shaped<typeof shape>

/** A raceway lies about a quarter of the ring's section off its seat; how far exactly no standard says. */
const SECTION = 1 / 4
const SPREAD = 0.1

interface Share {
  readonly least: number
  readonly greatest: number
}

/**
 * Part of an interference that reaches the raceway: of a ring on a solid shaft, or in a thick housing, of like steel, its seat
 * diameter by its raceway diameter and the reverse (Lamé), a tenth more or less since the raceway is only about known.
 */
function sharesOf({ bearing: { boreMm, outsideMm }, shares }: BearingClearance): {
  readonly inner: Share
  readonly outer: Share
} {
  const between = (share: number, spread: number): Share => ({
    least: share * (1 - spread),
    greatest: Math.min(1, share * (1 + spread)),
  })
  if (shares) return { inner: between(shares.inner, 0), outer: between(shares.outer, 0) }
  const section = (outsideMm - boreMm) * SECTION
  return { inner: between(boreMm / (boreMm + section), SPREAD), outer: between((outsideMm - section) / outsideMm, SPREAD) }
}

/** Interference is 0 at least: a loose ring takes nothing away. */
const interference = (known: Known): Known => largestOf([known, exactly(0)])

export const bearingClearance: FitKindOf<BearingClearance> = {
  shape,
  // It is no sum: what a seat takes away begins where it is tight.
  links: ({ shaft, housing }) => [
    { characteristic: shaft, factor: 0, takes: ['outsideDiameter'] },
    ...(housing === null ? [] : [{ characteristic: housing, factor: 0, takes: ['boreDiameter'] as const }]),
  ],
  between: (fit, end, sizeAt, guard) => {
    const { boreMm, outsideMm, tolerance, type, group } = fit.bearing
    const [bore, outside] = [bearingTolerance('bore', boreMm, tolerance), bearingTolerance('outside', outsideMm, tolerance)]
    const before = internalClearance(type, group, boreMm)
    const isLeast = end === 'least'
    const shaft = sizeAt(fit.shaft, isLeast ? 'greatest' : 'least')
    const housing = fit.housing === null ? null : sizeAt(fit.housing, end)
    if (!bore || !outside || !before || shaft === null || (housing === null && fit.housing !== null)) return null
    const shares = sharesOf(fit)
    const of = ({ least, greatest }: Share): number => (isLeast ? greatest : least)
    const onShaft = interference(shifted(shaft, -(boreMm + (isLeast ? bore.lowerMm : bore.upperMm))))
    const inHousing = housing
      ? interference(lessThan(outsideMm + (isLeast ? outside.upperMm : outside.lowerMm), housing))
      : exactly(0)
    return linear(
      [
        [-of(shares.inner), onShaft],
        [-of(shares.outer), inHousing],
      ],
      guard,
      isLeast ? before.leastMm : before.greatestMm,
    )
  },
  faults: ({ bearing: { boreMm, outsideMm, tolerance, group, type } }): readonly FitFault[] => [
    ...(bearingTolerance('bore', boreMm, tolerance) === null
      ? [{ code: 'bearingNotInTable', sizeMm: boreMm, tolerance } as const]
      : []),
    ...(bearingTolerance('outside', outsideMm, tolerance) === null
      ? [{ code: 'bearingNotInTable', sizeMm: outsideMm, tolerance } as const]
      : []),
    ...(internalClearance(type, group, boreMm) === null ? [{ code: 'clearanceNotInTable', boreMm, group } as const] : []),
  ],
  notes: ({ bearing: { boreMm, type, group } }) => {
    const before = internalClearance(type, group, boreMm)
    return before ? [{ code: 'before', ...before, group }] : []
  },
}
