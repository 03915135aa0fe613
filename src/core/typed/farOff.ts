/** A figure that lies many times away from what stands beside it has most likely lost its point. */
import { isTable } from '../limit/limitTable'
import type { QuantityKind } from '../quantity/kind'
import type { UnitSystem } from '../quantity/unitSystem'
import { readFigureText } from './figureText'

const FAR = 8

/**
 * The wear limit with the first figure beside it, the plan limit or the least new size, that is eight times greater or smaller,
 * as typed; null where none is. Figures are held against each other in one unit, whichever they were typed in.
 */
export function farOff(
  { wear, plan, newLeast }: { readonly wear: string; readonly plan: string; readonly newLeast: string },
  quantity: QuantityKind,
  system: UnitSystem,
): readonly [string, string] | null {
  if (quantity === 'count' || isTable(wear) || isTable(plan)) return null
  const sizeOf = (text: string): number => {
    const read = readFigureText(text, { quantity, system, classOf: 'lower' })
    return read.ok ? Math.abs(read.value) : Number.NaN
  }
  const limit = sizeOf(wear)
  // A runout of 0 … 0.02 says nothing of how far it may wear.
  if (!(limit > 0) || sizeOf(newLeast) === 0) return null
  const far = [plan, newLeast].find((text) => {
    const beside = sizeOf(text)
    return beside > 0 && (limit / beside > FAR || beside / limit > FAR)
  })
  return far === undefined ? null : [wear, far]
}
