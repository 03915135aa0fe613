/**
 * Adjust: the parts stay and a setting must be made. It counts only where the parts it rests on are sound, which is known once
 * each of them has its own verdict (chain.ts); until then it leaves open what those could still ask for.
 */
import type { Limit } from '../limit/limit'
import type { Reduced } from '../method/reduction'
import type { Disposition } from '../policy/disposition'
import { exceeds, forRecord } from '../quantity/decimal'
import { intervalOfEnds } from '../quantity/extent'
import type { QuantityKind } from '../quantity/kind'
import type { Setting } from '../setting/setting'
import type { Mending } from './mending'

/** Whether any adjustment is left: not known while what tells of it is not. */
export type Room = 'left' | 'none' | 'notKnown'

export interface ToSet {
  readonly setting: Setting
  readonly room: Room
  readonly change: number | null
  /** `change` is of the piece that sets it. */
  readonly ofPiece: boolean
}

/** How a value that is out is brought back: set over again while there is adjustment left, else as its own rule says. */
export function setOver(mending: Mending, whenPassed: Limit['whenPassed'], { setting, room, change, ofPiece }: ToSet): Mending {
  if (room === 'none') return mending
  const otherwise: Disposition = room === 'left' ? 'adjust' : whenPassed === 'replace' ? 'replace' : mending.strong
  const { by, chain, isClosed, isProving, isProtective } = setting
  const setBy = { by, chain, change, ofPiece, otherwise, isClosed, isProving, isProtective }
  const tried = mending.trace.filter((step) => step.kind === 'route' && step.outcome !== 'infeasible')
  return {
    mild: 'adjust',
    strong: 'replace',
    // What the book has for setting it says what that costs.
    route: mending.route,
    trace: [...tried, { kind: 'rule', code: 'setting', setting: setBy, source: null }],
    needs: { code: 'chain', parts: chain },
    setting: setBy,
  }
}

/** Least change that brings a value inside its limit; null while it is no figure. */
export const leastChange = (value: Reduced | null, { wear }: Pick<Limit, 'wear'>): number | null =>
  value?.value == null ? null : forRecord(wear - value.value)

/** Whether the maker's most lets it be set back so far. */
export function roomWithin(value: Reduced | null, { wear }: Pick<Limit, 'wear'>, most: number | null, kind: QuantityKind): Room {
  if (most === null) return 'left'
  const { low, high } = intervalOfEnds(value?.guarded ?? { low: null, high: null })
  const [least, greatest] = [Math.max(0, low - wear, wear - high), Math.max(Math.abs(low - wear), Math.abs(high - wear))]
  if (exceeds(least, most, kind)) return 'none'
  return exceeds(greatest, most, kind) ? 'notKnown' : 'left'
}

/** The narrower of two: none left by one is none left. */
export const narrower = (a: Room, b: Room): Room => (a === 'none' || b === 'none' ? 'none' : a === 'notKnown' ? a : b)
