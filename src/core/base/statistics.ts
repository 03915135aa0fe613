/** Plain statistics of a few readings. All take at least the number of values they name and throw otherwise: calling them with fewer is a bug. */

function atLeast(count: number, values: readonly number[], name: string): void {
  if (values.length < count) throw new Error(`${name} needs ${count} value(s), got ${values.length}`)
}

/** Arithmetic mean. */
export function mean(values: readonly number[]): number {
  atLeast(1, values, 'mean')
  return values.reduce((sum, value) => sum + value, 0) / values.length
}

/** Largest minus smallest. */
export function range(values: readonly number[]): number {
  atLeast(1, values, 'range')
  return Math.max(...values) - Math.min(...values)
}

/** Standard deviation of a sample, divisor n − 1. The population's (divisor n) is nowhere used. */
export function sampleStandardDeviation(values: readonly number[]): number {
  atLeast(2, values, 'sampleStandardDeviation')
  const centre = mean(values)
  return Math.sqrt(values.reduce((sum, value) => sum + (value - centre) ** 2, 0) / (values.length - 1))
}
