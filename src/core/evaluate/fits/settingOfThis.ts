import { setTo, sidesOf } from '../../fit/kinds'
import { settingOfFit } from '../../fit/settingOfFit'
import { sizeEnd, sizeMiddle } from '../../fit/sizeEnd'
import type { Limit } from '../../limit/limit'
import type { Reductions } from '../../method/reduction'
import { forRecord } from '../../quantity/decimal'
import type { Interval } from '../../quantity/interval'
import { roomOf } from '../../verdict/roomOf'
import { narrower, type Room, type ToSet } from '../../verdict/setOver'
import type { FitInput } from './fitInput'

/** How a limit of a fit is set over; null where it tells of wear. What its own sum says counts: pieces that cannot reach it leave no room. */
export function settingOfThis({ fit, part, characteristic, routes }: FitInput, limit: Limit): ToSet | null {
  const sides = sidesOf(fit)
  const setting = settingOfFit(fit, [part.id, ...sides.map((id) => characteristic(id).part)], limit)
  if (setting === null) return null
  const middle = setTo(fit, (id) => sizeMiddle(routes.reductionsOf(id)))
  return {
    setting,
    room: narrower(
      roomOf(setting, routes),
      roomBySum(fit, (id) => reachOf(routes.reductionsOf(id))),
    ),
    change: middle ? forRecord(middle.changeMm) : null,
    ofPiece: middle != null,
  }
}

/** What a size may be, with its doubt; null while it may be anything. */
function reachOf(reductions: Reductions | undefined): Interval | null {
  const [least, greatest] = [sizeEnd(reductions, 'least'), sizeEnd(reductions, 'greatest')]
  const [low, high] = [least?.guarded.low, greatest?.guarded.high]
  return low == null || high == null ? null : { low, high }
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
