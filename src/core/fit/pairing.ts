import { exceeds } from '../quantity/decimal'

export interface ToPair {
  readonly boresMm: readonly number[]
  /** At least as many as bores; what is left over stays unused. */
  readonly journalsMm: readonly number[]
  readonly targetMm: number
  readonly leastMm: number
  readonly greatestMm: number
}

export interface Pairing {
  /** Place in the list of journals for each bore. */
  readonly journalOf: readonly number[]
  /** Sum of the squares of clearance − target, mm². */
  readonly squaresMm2: number
}

/**
 * Pairs every bore with a journal of its own for the most even clearance: each within its limits, limits included, and the
 * sum of (clearance − target)² least. Null where no complete pairing keeps the limits. Shortest augmenting paths with
 * potentials (Kuhn 1955; Jonker and Volgenant 1987), n² · m steps.
 */
export function pairForEvenClearance({ boresMm, journalsMm, targetMm, leastMm, greatestMm }: ToPair): Pairing | null {
  if (boresMm.length > journalsMm.length) return null
  const cost = boresMm.map((bore) =>
    journalsMm.map((journal) => {
      const clearance = bore - journal
      const isAllowed = !exceeds(leastMm, clearance) && !exceeds(clearance, greatestMm)
      return isAllowed ? (clearance - targetMm) ** 2 : Number.POSITIVE_INFINITY
    }),
  )
  const journalOf = assign(cost)
  if (journalOf === null) return null
  return { journalOf, squaresMm2: journalOf.reduce((sum, column, row) => sum + (cost[row]?.[column] ?? 0), 0) }
}

/** Column of each row at least total cost, no column twice; infinite costs are forbidden. Null where there is no way. */
function assign(cost: readonly (readonly number[])[]): readonly number[] | null {
  const columns = cost[0]?.length ?? 0
  const NONE = -1
  const rowOf = new Int32Array(columns + 1).fill(NONE)
  const ofRow = new Float64Array(cost.length)
  const ofColumn = new Float64Array(columns + 1)
  for (let row = 0; row < cost.length; row++) {
    // The last column stands for the row that still looks for its place.
    rowOf[columns] = row
    const least = new Float64Array(columns).fill(Number.POSITIVE_INFINITY)
    const before = new Int32Array(columns).fill(NONE)
    const isUsed = new Uint8Array(columns + 1)
    let column = columns
    do {
      isUsed[column] = 1
      const from = rowOf[column] ?? 0
      let step = Number.POSITIVE_INFINITY
      let next = NONE
      for (let to = 0; to < columns; to++) {
        if (isUsed[to]) continue
        const reduced = (cost[from]?.[to] ?? Number.POSITIVE_INFINITY) - (ofRow[from] ?? 0) - (ofColumn[to] ?? 0)
        if (reduced < (least[to] ?? 0)) {
          least[to] = reduced
          before[to] = column
        }
        if ((least[to] ?? 0) < step) {
          step = least[to] ?? 0
          next = to
        }
      }
      if (next === NONE) return null
      for (let at = 0; at <= columns; at++)
        if (isUsed[at]) {
          const held = rowOf[at] ?? 0
          ofRow[held] = (ofRow[held] ?? 0) + step
          ofColumn[at] = (ofColumn[at] ?? 0) - step
        } else if (at < columns) least[at] = (least[at] ?? 0) - step
      column = next
    } while (rowOf[column] !== NONE)
    while (column !== columns) {
      const to = before[column] ?? columns
      rowOf[column] = rowOf[to] ?? NONE
      column = to
    }
  }
  const columnOf = new Array<number>(cost.length).fill(NONE)
  for (let column = 0; column < columns; column++) {
    const row = rowOf[column] ?? NONE
    if (row !== NONE) columnOf[row] = column
  }
  return columnOf
}
