import { setTo, sidesOf } from '../../fit/kinds'
import { settingOfFit } from '../../fit/settingOfFit'
import { sizeEnd } from '../../fit/sizeEnd'
import type { Limit } from '../../limit/limit'
import { forRecord } from '../../quantity/decimal'
import { intervalOfEnds } from '../../quantity/extent'
import type { Interval } from '../../quantity/interval'
import { roomOf } from '../../verdict/roomOf'
import { narrower, type Room, type ToSet } from '../../verdict/setOver'
import type { FitInput } from './fitInput'

/** How a limit of a fit is set over; null where it tells of wear. What its own sum says counts: pieces that cannot reach it leave no room. */
export function settingOfThis({ fit, part, characteristic, routes }: FitInput, limit: Limit): ToSet | null {
  const sides = sidesOf(fit)
  const setting = settingOfFit(fit, [part.id, ...sides.map((id) => characteristic(id).part)], limit)
  if (setting === null) return null
  const sizeOf = (id: string, guarded: boolean): Interval | null => {
    const [least, greatest] = [sizeEnd(routes.reductionsOf(id), 'least'), sizeEnd(routes.reductionsOf(id), 'greatest')]
    if (!least || !greatest) return null
    const of = guarded
      ? [intervalOfEnds(least.guarded).low, intervalOfEnds(greatest.guarded).high]
      : [least.value, greatest.value]
    const [low, high] = of
    return low == null || high == null || !Number.isFinite(low) || !Number.isFinite(high) ? null : { low, high }
  }
  const middle = setTo(fit, (id) => {
    const size = sizeOf(id, false)
    return size && (size.low + size.high) / 2
  })
  return {
    setting,
    room: narrower(
      roomOf(setting, routes),
      roomBySum(fit, (id) => sizeOf(id, true)),
    ),
    change: middle ? forRecord(middle.changeMm) : null,
    ofPiece: middle != null,
  }
}

/** Whether its pieces reach where it must lie, from whatever its sizes may be. */
function roomBySum(fit: FitInput['fit'], sizeOf: (id: string) => Interval | null): Room {
  const sides = sidesOf(fit)
  const reached = new Set<boolean>()
  if (setTo(fit, () => null) === undefined) return 'left'
  if (sides.some((id) => sizeOf(id) === null)) return 'notKnown'
  for (let ends = 0; ends < 2 ** sides.length; ends++) {
    const at = setTo(fit, (id) => {
      const size = sizeOf(id)
      return size && ((ends >> sides.indexOf(id)) & 1 ? size.high : size.low)
    })
    if (at) reached.add(at.isReached)
  }
  return reached.size > 1 ? 'notKnown' : reached.has(false) ? 'none' : 'left'
}
