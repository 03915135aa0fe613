import { differenceOf, type QuantityKind, quantityFacts } from '../quantity/kind'
import { kindOf, type Method } from './kinds'
import { quantityAt } from './layout'
import type { Gives } from './methodKind'
import type { ReductionName } from './reduction'

const givesByMethod = new WeakMap<Method, Gives>()

/**
 * The values a method, as it is set up, can reduce its readings to, each with its kind of quantity: what a limit of it may
 * judge. Wear is among them where the method wears; whether there is a size to count it from, the characteristic says.
 */
export function givesOf(method: Method): Gives {
  const known = givesByMethod.get(method)
  if (known) return known
  const all = Object.entries(kindOf(method).gives(method)) as [ReductionName, QuantityKind][]
  const made = Object.fromEntries(all.filter(([name]) => kindOf(method).canGive(method, name))) as Gives
  givesByMethod.set(method, made)
  return made
}

/** Whether a value exists for a method at all, so that its set-up is what is wrong where it is not given. */
export const isValueOf = (method: Method, name: string): boolean => name in kindOf(method).gives(method)

/** Kind of quantity of the characteristic itself: that of its readings, its new size and its plain figures. */
export const quantityOf = (method: Method): QuantityKind => {
  if (method.kind === 'computed') return method.quantity
  return quantityAt(method, { station: '' })
}

/** Kind of quantity of one reduced value. */
export const quantityOfValue = (method: Method, name: ReductionName): QuantityKind =>
  kindOf(method).gives(method)[name] ?? quantityOf(method)

/** Step one reduced value is shown to: the characteristic's own where it is of the same kind as its readings. */
export function stepOf(method: Method, showTo: number, quantity: QuantityKind): number {
  const own = quantityOf(method)
  return quantity === own || quantity === differenceOf(own) ? showTo : quantityFacts[quantity].step
}
