import type { Reduced, ReductionName, Reductions } from '../method/reduction'

export type End = 'least' | 'greatest'

/** The values that stand for the least and the greatest of a size, the first that its method gives. */
const VALUES: Readonly<Record<End, readonly ReductionName[]>> = {
  least: ['minimum', 'mean', 'total', 'result', 'median', 'maximum'],
  greatest: ['maximum', 'mean', 'total', 'result', 'median', 'minimum'],
}

/** Values that are the size itself, and move as it does. */
export const sizeValues: readonly ReductionName[] = VALUES.least

/** The least or the greatest of a size as it was measured; null while nothing gives it. */
export function sizeEnd(reductions: Reductions | undefined, end: End): Reduced | null {
  const name = VALUES[end].find((of) => reductions?.values[of] !== undefined)
  return (name && reductions?.values[name]) ?? null
}

/** The middle between the ends of a size as it was measured; null while either is no figure. */
export function sizeMiddle(reductions: Reductions | undefined): number | null {
  const [least, greatest] = [sizeEnd(reductions, 'least')?.value, sizeEnd(reductions, 'greatest')?.value]
  return least == null || greatest == null ? null : (least + greatest) / 2
}

/** The end at which a size stands when the clearance is at one of its own: what closes it stands at the other. */
export const endOfLink = (factor: number, end: End): End => (factor > 0 === (end === 'least') ? 'least' : 'greatest')
