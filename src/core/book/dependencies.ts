import { needsOf } from '../method/needs'
import type { Characteristic } from './bookSchema'

type Named = Pick<Characteristic, 'id' | 'method'>

/**
 * Characteristics in an order in which each comes after those it needs; and the first chain of names that bites its tail,
 * null where none does. What needs itself stands where it was met: it can never be worked out.
 */
export function evaluationOrder<C extends Named>(
  characteristics: readonly C[],
): { readonly order: readonly C[]; readonly cycle: readonly string[] | null } {
  const byId = new Map(characteristics.map((characteristic) => [characteristic.id, characteristic]))
  const done = new Set<string>()
  const order: C[] = []
  let cycle: readonly string[] | null = null
  const visit = (characteristic: C, above: readonly string[]): void => {
    if (done.has(characteristic.id)) return
    if (above.includes(characteristic.id)) {
      cycle ??= [...above.slice(above.indexOf(characteristic.id)), characteristic.id]
      return
    }
    for (const id of needsOf(characteristic.method)) {
      const needed = byId.get(id)
      if (needed) visit(needed, [...above, characteristic.id])
    }
    if (done.has(characteristic.id)) return
    done.add(characteristic.id)
    order.push(characteristic)
  }
  for (const characteristic of characteristics) visit(characteristic, [])
  return { order, cycle }
}

/** For each characteristic, those that must be reduced anew when its readings change, nearest first. */
export function dependentsOf(order: readonly Named[]): ReadonlyMap<string, readonly string[]> {
  const direct = new Map<string, string[]>()
  for (const characteristic of order)
    for (const id of needsOf(characteristic.method)) direct.set(id, [...(direct.get(id) ?? []), characteristic.id])
  const all = new Map<string, readonly string[]>()
  for (const { id } of [...order].reverse()) {
    const own = direct.get(id) ?? []
    if (own.length > 0) all.set(id, [...new Set([...own, ...own.flatMap((next) => all.get(next) ?? [])])])
  }
  return all
}
