/** One speed goal: what was measured, the baseline of the same run, and the bar. */
export interface Figure {
  readonly name: string
  readonly figure: number
  readonly baseline: number
  readonly unit: string
  /** A ratio to the baseline, or a figure that stands by itself. */
  readonly bar: { readonly kind: 'ratio' | 'absolute'; readonly atMost: number }
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = Math.floor(sorted.length / 2)
  const [low, high] = [sorted[middle - 1] ?? 0, sorted[middle] ?? 0]
  return sorted.length % 2 === 1 ? high : (low + high) / 2
}
