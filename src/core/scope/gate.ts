import type { InspectionLevel } from '../book/procedureSchema'
import type { Slot } from '../method/slot'
import type { Disposition } from '../policy/disposition'

/** What decides a gate measurement: the span of its verdict. */
export interface GateMeasurement {
  readonly id: string
  readonly mild: Disposition
  readonly strong: Disposition
  /** Whether anything judges it: a reading for information only opens nothing and holds nothing. */
  readonly isJudged: boolean
  /** The reading that decided it, as typed and where; null where several did. */
  readonly reading: { readonly text: string; readonly slot: Slot } | null
}

/** How a gate stands: one measurement past its limits opens the machine further; all of them inside close the job. */
export type GateOutcome =
  | { readonly kind: 'open'; readonly missing: readonly string[] }
  | { readonly kind: 'held'; readonly measured: readonly string[] }
  | {
      readonly kind: 'failed'
      readonly grows: string
      readonly by: readonly { readonly characteristic: string; readonly reading: GateMeasurement['reading'] }[]
    }

/**
 * The outcome of a level's gate; null when the level has none. A failure is certain as soon as one measurement can no
 * longer be inside, whatever is still missing; the gate holds only when every one is certainly inside, and anything judges one.
 */
export function gateOutcome(level: InspectionLevel | null, measurements: readonly GateMeasurement[]): GateOutcome | null {
  if (!level?.gate) return null
  const wanted = new Set(level.gate.measures)
  const deciding = measurements.filter(({ id }) => wanted.has(id))
  const failed = deciding.filter(({ mild }) => mild !== 'reuse')
  if (failed.length > 0)
    return { kind: 'failed', grows: level.gate.grows, by: failed.map(({ id, reading }) => ({ characteristic: id, reading })) }
  const nothingJudges = !deciding.some(({ isJudged }) => isJudged)
  const open = deciding.filter(({ strong }) => strong !== 'reuse' || nothingJudges)
  return open.length > 0 || nothingJudges
    ? { kind: 'open', missing: open.map(({ id }) => id) }
    : { kind: 'held', measured: deciding.map(({ id }) => id) }
}
