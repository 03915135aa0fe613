import { wearsTowards } from '../method/method'
import type { LimitBook, Part } from './bookSchema'

/**
 * Whether a route that takes off claims to leave the size of a new part, or more than that: what is off does not come back. It may
 * only reach a step beyond the new size.
 */
export function takesOffToNew({ effect, sizeAfter }: Part['routes'][number], { characteristics }: LimitBook): boolean {
  const cut = characteristics.find(({ id }) => id === sizeAfter?.characteristic)
  if (effect !== 'takesOff' || !sizeAfter || !cut?.new) return false
  return wearsTowards(cut.method) === 'larger' ? sizeAfter.greatestMm <= cut.new.upper : sizeAfter.leastMm >= cut.new.lower
}
