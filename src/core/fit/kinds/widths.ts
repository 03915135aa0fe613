/** Fits of widths: a key in its keyway, a ring in its groove. */
import type { FitKindOf, Shaped } from '../fitKind'
import type { FitShaping } from '../shapingSchema'

const key = ({ z, measured, common, linked }: FitShaping) =>
  z.strictObject({ kind: z.literal('keyInKeyway'), ...common, ...linked, keyway: measured, key: measured })
export type KeyInKeyway = Shaped<typeof key>

/** Clearance = width of the keyway − width of the key. */
export const keyInKeyway: FitKindOf<KeyInKeyway> = {
  shape: key,
  links: (fit) => [
    { characteristic: fit.keyway, factor: 1, takes: null },
    { characteristic: fit.key, factor: -1, takes: null },
  ],
}

const ring = ({ z, measured, common, linked }: FitShaping) =>
  z.strictObject({ kind: z.literal('ringInGroove'), ...common, ...linked, groove: measured, ring: measured })
export type RingInGroove = Shaped<typeof ring>

/** Side clearance = width of the groove − height of the ring. */
export const ringInGroove: FitKindOf<RingInGroove> = {
  shape: ring,
  links: (fit) => [
    { characteristic: fit.groove, factor: 1, takes: null },
    { characteristic: fit.ring, factor: -1, takes: null },
  ],
}
