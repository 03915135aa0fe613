import type { FitFault, FitKindOf, Shaped } from '../fitKind'
import type { FitShaping } from '../shapingSchema'

/** Axial play, or preload, of angular contact or taper bearings that a cover sets: by its spigot, and the gasket under it. */
const shape = ({ z, measured, lengthMm, common, linked }: FitShaping) =>
  z.strictObject({
    kind: z.literal('axialSetting'),
    ...common,
    ...linked,
    /** From the joint face down to the bearing, pressed home. */
    depth: measured,
    /** Height of the cover's spigot. */
    spigot: measured,
    /** The gasket under the cover and the part of its thickness that is left when it is tight; null where there is none. */
    gasket: z.strictObject({ thickness: measured, left: z.number().gt(0).max(1) }).nullable(),
    /** Play wanted; negative is preload. */
    wanted: z.strictObject({ leastMm: lengthMm, greatestMm: lengthMm }),
  })
export type AxialSetting = Shaped<typeof shape>

/** Play = depth + gasket when tight − spigot; negative is preload. */
export const axialSetting: FitKindOf<AxialSetting> = {
  shape,
  links: ({ depth, spigot, gasket }) => [
    { characteristic: depth, factor: 1, takes: null },
    ...(gasket === null ? [] : [{ characteristic: gasket.thickness, factor: gasket.left, takes: null }]),
    { characteristic: spigot, factor: -1, takes: null },
  ],
  setBy: 'gasket',
  setTo: ({ depth, spigot, gasket, wanted }, sizeAt) => {
    const [deep, high, thick] = [sizeAt(depth), sizeAt(spigot), gasket && sizeAt(gasket.thickness)]
    if (gasket === null || deep === null || high === null || thick === null) return null
    const movesMm = (wanted.leastMm + wanted.greatestMm) / 2 - (deep + thick * gasket.left - high)
    const changeMm = movesMm / gasket.left
    return { changeMm, movesMm, isReached: thick + changeMm > 0 }
  },
  faults: ({ wanted }): readonly FitFault[] => (wanted.leastMm > wanted.greatestMm ? [{ code: 'bandEndsSwapped' }] : []),
  notes: ({ gasket, wanted }, { tightestMm, loosestMm }, middleOf) => {
    if (tightestMm === null || loosestMm === null) return []
    const isMm = (tightestMm + loosestMm) / 2
    const wantedMm = (wanted.leastMm + wanted.greatestMm) / 2
    const isIn = tightestMm >= wanted.leastMm && loosestMm <= wanted.greatestMm
    const now = gasket && middleOf(gasket.thickness)
    // A gasket takes up what is missing by the part of it that is left when tight.
    const gasketMm = gasket === null || now === null ? null : now + (wantedMm - isMm) / gasket.left
    return [{ code: 'axialSetting', isMm, wantedMm, isIn, gasketMm }]
  },
}
