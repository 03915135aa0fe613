/** One speed goal: what was measured, the baseline of the same run, and the bar. */
export interface Figure {
  readonly name: string
  readonly figure: number
  readonly baseline: number
  readonly unit: string
  /** A ratio to the baseline, a figure that stands by itself, or no bar: the ratio is told. */
  readonly bar: { readonly kind: 'ratio' | 'absolute'; readonly atMost: number } | { readonly kind: 'told' }
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = Math.floor(sorted.length / 2)
  const [low, high] = [sorted[middle - 1] ?? 0, sorted[middle] ?? 0]
  return sorted.length % 2 === 1 ? high : (low + high) / 2
}
