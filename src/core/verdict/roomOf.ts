import { gradeSpan } from '../limit/conformity'
import type { Setting } from '../setting/setting'
import type { RouteContext } from './mending'
import { heldLimits } from './reuseRequires'
import type { Room } from './setOver'

/** Whether the stack, the thread or whatever tells of it says that any adjustment is left. */
export function roomOf({ leftBy }: Pick<Setting, 'leftBy'>, { characteristicOf, reductionsOf }: RouteContext): Room {
  if (leftBy === null) return 'left'
  const values = reductionsOf(leftBy)?.values
  const grades = heldLimits(characteristicOf(leftBy)).map((limit) => gradeSpan(values?.[limit.judges] ?? null, limit))
  if (grades.some(({ mild }) => mild === 2)) return 'none'
  return grades.length === 0 || grades.some(({ strong }) => strong === 2) ? 'notKnown' : 'left'
}
