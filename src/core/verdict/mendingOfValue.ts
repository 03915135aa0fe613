import type { Characteristic, Part } from '../book/bookSchema'
import type { Limit } from '../limit/limit'
import { quantityOfValue } from '../method/gives'
import type { Reductions } from '../method/reduction'
import { settingOf } from '../setting/setting'
import { type Mending, mendingOf, type RouteContext } from './mending'
import { roomOf } from './roomOf'
import { leastChange, narrower, roomWithin, setOver } from './setOver'

/** How a part is brought back where one of its values is out: set over again where it is a setting, else by its routes. */
export function mendingOfValue(
  part: Part,
  characteristic: Characteristic,
  limit: Limit,
  reductions: Pick<Reductions, 'values'> | undefined,
  routes: RouteContext,
): Mending {
  const { id, method } = characteristic
  const mending = mendingOf(part, { kind: 'characteristic', id, limit }, routes)
  const setting = settingOf(characteristic, limit)
  if (setting === null) return mending
  const value = reductions?.values[limit.judges] ?? null
  const byMost = roomWithin(value, limit, setting.most, quantityOfValue(method, limit.judges))
  // A value that a test pump gives says by itself how far it is off its setting.
  const change = reductions?.values.adjustment?.value ?? leastChange(value, limit)
  return setOver(mending, limit.whenPassed, { setting, room: narrower(roomOf(setting, routes), byMost), change, ofPiece: false })
}
