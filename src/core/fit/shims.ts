/** Shims of one thickness in the stock box. */
export interface ShimStock {
  readonly thicknessMm: number
  readonly count: number
}

export interface ShimStack {
  /** From thick to thin. */
  readonly thicknessesMm: readonly number[]
  readonly sumMm: number
  /** sum − target. */
  readonly residualMm: number
}

/** Sizes are counted in tenths of a micrometre: what is written in thousandths of an inch is whole in them too. */
const PER_MM = 10_000

interface Choice {
  readonly count: number
  /** How many of each thickness, thickest first. */
  readonly taken: readonly number[]
}

/** Fewest shims; of as many, the one with the thicker shim where they first differ. */
function isBetter(a: Choice, b: Choice | undefined): boolean {
  if (b === undefined || a.count !== b.count) return b === undefined || a.count < b.count
  for (const [at, taken] of a.taken.entries()) {
    const other = b.taken[at] ?? 0
    if (taken !== other) return taken > other
  }
  return false
}

const commonStep = (sizes: readonly number[]): number => {
  const common = (a: number, b: number): number => (b === 0 ? a : common(b, a % b))
  return sizes.reduce(common, 0) || 1
}

/**
 * The stack from the stock box whose sum comes nearest to a target, mm: of equally near ones the fewest shims, then thick
 * ones first. No shim at all is a stack of 0. Thinnest sizes are tried first, so that each sum has its best stack of those.
 */
export function chooseShims(stock: readonly ShimStock[], targetMm: number): ShimStack {
  const sizes = [...stock]
    .filter(({ thicknessMm, count }) => thicknessMm > 0 && count > 0)
    .sort((a, b) => b.thicknessMm - a.thicknessMm)
    .map(({ thicknessMm, count }) => ({ size: Math.round(thicknessMm * PER_MM), count }))
  const target = Math.round(targetMm * PER_MM)
  const step = commonStep(sizes.map(({ size }) => size))
  // A stack that is more than its thickest shim above the target comes nearer without one.
  const most = Math.max(0, Math.floor((target + (sizes[0]?.size ?? 0)) / step))
  let best = new Map<number, Choice>([[0, { count: 0, taken: [] }]])
  for (const { size, count } of [...sizes].reverse()) {
    const each = size / step
    const next = new Map<number, Choice>()
    for (const [sum, choice] of best)
      for (let taken = 0; taken <= count && sum + taken * each <= most; taken++) {
        const made = { count: choice.count + taken, taken: [taken, ...choice.taken] }
        if (isBetter(made, next.get(sum + taken * each))) next.set(sum + taken * each, made)
      }
    best = next
  }
  let nearest: { readonly sum: number; readonly choice: Choice } = { sum: 0, choice: { count: 0, taken: [] } }
  for (const [sum, choice] of best) {
    const [away, known] = [Math.abs(sum * step - target), Math.abs(nearest.sum * step - target)]
    if (away < known || (away === known && isBetter(choice, nearest.choice))) nearest = { sum, choice }
  }
  return {
    thicknessesMm: sizes.flatMap(({ size }, at) => new Array<number>(nearest.choice.taken[at] ?? 0).fill(size / PER_MM)),
    sumMm: (nearest.sum * step) / PER_MM,
    residualMm: (nearest.sum * step - target) / PER_MM,
  }
}

/** A gap of a face with the band it must lie in, mm. */
export interface FaceGap {
  readonly gapMm: number
  readonly leastMm: number
  readonly greatestMm: number
}

export interface ShimMove {
  /** Shims to add behind the face that opens; negative: to take out. */
  readonly addMm: number
  readonly opensToMm: number
  readonly closesToMm: number
  /** Whether both gaps then lie in their bands. */
  readonly holds: boolean
}

/**
 * Shims behind one face open its gap and close the other by as much. The move that leaves both as far inside their bands as
 * can be: the middle of what both allow, or of what both miss by least.
 */
export function shimBetween(opens: FaceGap, closes: FaceGap): ShimMove {
  const low = Math.max(opens.leastMm - opens.gapMm, closes.gapMm - closes.greatestMm)
  const high = Math.min(opens.greatestMm - opens.gapMm, closes.gapMm - closes.leastMm)
  const addMm = Math.round(((low + high) / 2) * PER_MM) / PER_MM
  return { addMm, ...afterShims(opens, closes, addMm) }
}

/** What a stack that was chosen leaves at both faces. */
export function afterShims(opens: FaceGap, closes: FaceGap, addMm: number): Omit<ShimMove, 'addMm'> {
  const [opensToMm, closesToMm] = [opens.gapMm + addMm, closes.gapMm - addMm]
  const isIn = (gap: number, { leastMm, greatestMm }: FaceGap): boolean =>
    Math.round((gap - leastMm) * PER_MM) >= 0 && Math.round((greatestMm - gap) * PER_MM) >= 0
  return { opensToMm, closesToMm, holds: isIn(opensToMm, opens) && isIn(closesToMm, closes) }
}
