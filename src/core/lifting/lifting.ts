import { err, ok, type Result } from '../base/result'
import din580 from '../standards/din580.json' with { type: 'json' }
import { rowsOf } from '../standards/table'

/**
 * Loads of forged eye bolts made and marked to DIN 580 (edition 2010), kg: straight pull along the thread, and per eye
 * of a pair pulled at up to 45° from it. They hold for eyes that carry the mark, in a sound and full-length thread.
 */
const EYE_LOADS: readonly (readonly [threadMm: number, straightKg: number, slantedKg: number])[] = rowsOf(din580)

export interface EyeSize {
  readonly thread: string
  readonly straightKg: number
  readonly slantedKg: number
}

/** The eye bolt that a metric coarse thread takes; undefined where the standard has none. */
export function eyeForThread(threadMm: number): EyeSize | undefined {
  const found = EYE_LOADS.find(([size]) => size === threadMm)
  return found && { thread: `M${found[0]}`, straightKg: found[1], slantedKg: found[2] }
}

/** Greatest angle of a sling leg from the vertical (EN 818-4, EN 1492): beyond it the legs pull themselves apart. */
export const STEEPEST_LEG_DEGREES = 60
/** Greatest angle at which a marked eye bolt may be pulled, in the plane of its ring. */
export const STEEPEST_EYE_DEGREES = 45

export interface Lift {
  readonly loadKg: number
  readonly legs: 1 | 2 | 3 | 4
  /** Angle of the legs from the vertical, degrees. */
  readonly angleDegrees: number
  /** Load marked on each eye for straight pull, kg; null when the eye carries no mark. */
  readonly markedKg: number | null
  /** Size of the eye's thread, mm, for the slanted share; null where not known. */
  readonly threadMm: number | null
  /** Load marked on the sling for one leg straight, kg. */
  readonly slingLegKg: number
}

export type LiftFault =
  | { readonly code: 'noMark' }
  | { readonly code: 'legTooFlat'; readonly angleDegrees: number }
  | { readonly code: 'eyeTooFlat'; readonly angleDegrees: number }
  | { readonly code: 'notPositive'; readonly what: 'load' | 'slingRating' | 'mark' }

export interface LiftSum {
  /** Legs that are counted on: of three or four rigid legs only two are sure to carry. */
  readonly carrying: 1 | 2
  /** Angle factor: one leg carries load × factor ÷ carrying legs. */
  readonly angleFactor: number
  readonly perLegKg: number
  /** What one eye may carry at this angle, kg. */
  readonly eyeKg: number
  readonly eyeHolds: boolean
  readonly slingHolds: boolean
  /** Load at which the weaker of eye and sling reaches its rating, kg. */
  readonly mostKg: number
}

/**
 * Loads of a lift: leg force = load ÷ (carrying legs · cos angle). An eye's marked load falls with the pull: straight
 * as marked; slanted as the standard's share for that thread (or of the smallest share in its table).
 * An eye without a mark has no rating, whatever its thread.
 */
export function liftSum(lift: Lift): Result<LiftSum, LiftFault> {
  if (!(lift.loadKg > 0)) return err({ code: 'notPositive', what: 'load' })
  if (!(lift.slingLegKg > 0)) return err({ code: 'notPositive', what: 'slingRating' })
  if (lift.markedKg === null) return err({ code: 'noMark' })
  if (!(lift.markedKg > 0)) return err({ code: 'notPositive', what: 'mark' })
  const angleDegrees = lift.legs === 1 ? 0 : lift.angleDegrees
  if (angleDegrees > STEEPEST_LEG_DEGREES) return err({ code: 'legTooFlat', angleDegrees })
  if (angleDegrees > STEEPEST_EYE_DEGREES) return err({ code: 'eyeTooFlat', angleDegrees })
  const carrying = lift.legs === 1 ? 1 : 2
  const angleFactor = 1 / Math.cos((angleDegrees * Math.PI) / 180)
  const perLegKg = (lift.loadKg * angleFactor) / carrying
  const eyeKg = eyeLoadKg(lift.markedKg, lift.threadMm, angleDegrees)
  const weakest = Math.min(eyeKg, lift.slingLegKg)
  return ok({
    carrying,
    angleFactor,
    perLegKg,
    eyeKg,
    eyeHolds: perLegKg <= eyeKg,
    slingHolds: perLegKg <= lift.slingLegKg,
    mostKg: (weakest * carrying) / angleFactor,
  })
}

/** What any of these eyes may carry slanted, whatever its thread: the smallest share of the table. */
const LEAST_SLANTED_SHARE = Math.min(...EYE_LOADS.map(([, straight, slanted]) => slanted / straight))

function eyeLoadKg(markedKg: number, threadMm: number | null, angleDegrees: number): number {
  const size = threadMm === null ? undefined : eyeForThread(threadMm)
  // The mark counts; a mark above the standard's figure for this thread is not believed.
  const straight = size ? Math.min(markedKg, size.straightKg) : markedKg
  if (angleDegrees === 0) return straight
  const share = size ? size.slantedKg / size.straightKg : LEAST_SLANTED_SHARE
  return straight * share
}
