import { clearanceGroups, clearanceTypes, internalClearance } from '../bearingTolerance'
import type { FitFault, FitKindOf, Shaped } from '../fitKind'
import type { FitShaping } from '../shapingSchema'

/** Taper of a bearing's bore by ISO 492: diameter by length. */
const TAPER = 1 / 12
/** Part of the interference of a solid steel shaft that the raceway follows, where no document says. */
const USUAL_SHARE = 0.8

/** The radial play that is left of a bearing driven up on a taper. */
const shape = ({ z, measured, positiveMm, common, linked }: FitShaping) =>
  z.strictObject({
    kind: z.literal('driveUp'),
    ...common,
    ...linked,
    /** How far it was driven up, from where it first seated. */
    drive: measured,
    /** Play by feeler before it was driven up; null where only the table of its group is known. */
    before: measured.nullable(),
    bearing: z.strictObject({ boreMm: positiveMm, type: z.enum(clearanceTypes), group: z.enum(clearanceGroups) }),
    /** Part of the interference that the raceway follows, where a document says. */
    share: z.number().gt(0).max(1).nullable(),
  })
export type DriveUp = Shaped<typeof shape>

const playBefore = ({ bearing: { type, group, boreMm } }: DriveUp) => internalClearance(type, group, boreMm)

/** Play left = play before − share × drive-up / 12. */
export const driveUp: FitKindOf<DriveUp> = {
  shape,
  setBy: 'nut',
  links: ({ drive, before, share }) => [
    ...(before === null ? [] : [{ characteristic: before, factor: 1, takes: null }]),
    { characteristic: drive, factor: -(share ?? USUAL_SHARE) * TAPER, takes: null },
  ],
  stated: (fit) => {
    const before = fit.before === null ? playBefore(fit) : null
    return before ? [{ name: 'playBefore', lowMm: before.leastMm, highMm: before.greatestMm }] : []
  },
  faults: (fit): readonly FitFault[] =>
    playBefore(fit) === null ? [{ code: 'clearanceNotInTable', boreMm: fit.bearing.boreMm, group: fit.bearing.group }] : [],
  notes: (fit) => {
    const before = playBefore(fit)
    return before ? [{ code: 'before', ...before, group: fit.bearing.group }] : []
  },
}
