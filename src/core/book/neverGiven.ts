import { givesOf } from '../method/gives'
import { wearsTowards } from '../method/method'
import type { NeverGiven } from './bookFault'
import type { Characteristic } from './bookSchema'

/** Why a value can never come of a characteristic as it is set up; null when it can. */
export function neverGiven(
  { method, new: size }: Pick<Characteristic, 'method' | 'new'>,
  value: string,
  hasHistory = false,
): NeverGiven | null {
  if (!(value in givesOf(method))) return { code: 'notGiven', value }
  if (value !== 'wear') return null
  const unworn = method.kind === 'boreDiameter' && method.unworn !== undefined
  return size !== null || unworn || hasHistory || wearsTowards(method) === 'either' ? null : { code: 'wearFromNothing' }
}
