/** Numbered elements (teeth, blades, pads, studs) in one ring, or in rows that close on themselves or not. */
export type Arrangement =
  | { readonly kind: 'ring'; readonly count: number }
  | { readonly kind: 'rows'; readonly rows: number; readonly perRow: number; readonly closed: boolean }

/** What was seen of one element. Worn is the part of its size that is gone, 0 to 1. */
export type ElementState =
  | { readonly kind: 'sound' }
  | { readonly kind: 'worn'; readonly fraction: number }
  | { readonly kind: 'broken' }
  | { readonly kind: 'notSeen' }

export interface PatternLimits {
  /** Broken elements allowed in all. */
  readonly brokenAtMost: number
  /** Broken elements allowed next to each other, in one run; at least 1. */
  readonly adjacentAtMost: number
  /** Worst allowed worn fraction of an element; null where wear is not judged. */
  readonly wornFractionAtMost: number | null
}

export interface PatternCount {
  readonly elements: number
  readonly seen: number
  readonly broken: number
  readonly worn: number
  /** Pairs of neighbours that are both broken, across the wrap-around where the row closes. */
  readonly adjacentPairs: number
  /** Elements of the longest run of broken neighbours. */
  readonly longestRun: number
  /** Worst worn fraction seen and the number of its element; null when none is worn. */
  readonly worst: { readonly element: number; readonly fraction: number } | null
}

export const elementCount = (arrangement: Arrangement): number =>
  arrangement.kind === 'ring' ? arrangement.count : arrangement.rows * arrangement.perRow

/** Element numbers (from 1) of each row in order; a ring is one closed row. */
export function rowsOf(arrangement: Arrangement): { readonly elements: readonly number[]; readonly closed: boolean }[] {
  const range = (from: number, count: number): number[] => Array.from({ length: count }, (_, index) => from + index)
  if (arrangement.kind === 'ring') return [{ elements: range(1, arrangement.count), closed: true }]
  return Array.from({ length: arrangement.rows }, (_, row) => ({
    elements: range(row * arrangement.perRow + 1, arrangement.perRow),
    closed: arrangement.closed,
  }))
}

/**
 * Counts a damage pattern. `states` is by element number from 1; an element without one counts as not seen.
 *
 * @example countPattern({ kind: 'ring', count: 8 }, new Map([[1, broken], [8, broken]])).adjacentPairs // 1, across the joint
 */
export function countPattern(arrangement: Arrangement, states: ReadonlyMap<number, ElementState>): PatternCount {
  const stateOf = (element: number): ElementState => states.get(element) ?? { kind: 'notSeen' }
  const rows = rowsOf(arrangement)
  const all = rows.flatMap(({ elements }) => [...elements])
  const isBroken = (element: number): boolean => stateOf(element).kind === 'broken'
  const worn = all.flatMap((element) => {
    const state = stateOf(element)
    return state.kind === 'worn' ? [{ element, fraction: state.fraction }] : []
  })
  return {
    elements: all.length,
    seen: all.filter((element) => stateOf(element).kind !== 'notSeen').length,
    broken: all.filter(isBroken).length,
    worn: worn.length,
    adjacentPairs: rows.reduce((sum, row) => sum + adjacentPairs(row.elements.map(isBroken), row.closed), 0),
    longestRun: Math.max(0, ...rows.map((row) => longestRunIn(row.elements.map(isBroken), row.closed))),
    worst: worn.reduce<PatternCount['worst']>(
      (worst, item) => (worst === null || item.fraction > worst.fraction ? item : worst),
      null,
    ),
  }
}

/** Pairs of neighbours that are both broken; a closed row counts the pair across its joint. */
export function adjacentPairs(broken: readonly boolean[], closed: boolean): number {
  // Two elements that close on themselves are one pair, not two.
  const last = closed && broken.length > 2 ? broken.length : broken.length - 1
  let pairs = 0
  for (let index = 0; index < last; index += 1) if (broken[index] && broken[(index + 1) % broken.length]) pairs += 1
  return pairs
}

function longestRunIn(broken: readonly boolean[], closed: boolean): number {
  if (broken.every(Boolean)) return broken.length
  const around = closed ? [...broken, ...broken] : broken
  let longest = 0
  let run = 0
  for (const one of around) {
    run = one ? run + 1 : 0
    longest = Math.max(longest, run)
  }
  return longest
}

/** open: not every element has been looked at, and what was seen is within the limits. */
export type PatternState = 'inside' | 'beyond' | 'open'

/** How a pattern stands against its limits: beyond is certain at once, inside only when every element has been seen. */
export function judgePattern(count: PatternCount, limits: PatternLimits): PatternState {
  const { worst } = count
  const isWorn = limits.wornFractionAtMost !== null && worst !== null && worst.fraction > limits.wornFractionAtMost
  if (count.broken > limits.brokenAtMost || count.longestRun > limits.adjacentAtMost || isWorn) return 'beyond'
  return count.seen < count.elements ? 'open' : 'inside'
}
