/** A value known to lie between two ends, ±Infinity where nothing bounds it; a point has equal ends. */
export interface Interval {
  readonly low: number
  readonly high: number
}

/** Nothing is known. */
export const ANYTHING: Interval = { low: Number.NEGATIVE_INFINITY, high: Number.POSITIVE_INFINITY }

export const point = (value: number): Interval => ({ low: value, high: value })
export const isPoint = ({ low, high }: Interval): boolean => low === high

export const add = (a: Interval, b: Interval): Interval => ({ low: a.low + b.low, high: a.high + b.high })
export const negate = ({ low, high }: Interval): Interval => ({ low: -high, high: -low })
export const subtract = (a: Interval, b: Interval): Interval => add(a, negate(b))
export const scale = ({ low, high }: Interval, factor: number): Interval =>
  factor >= 0 ? { low: low * factor, high: high * factor } : { low: high * factor, high: low * factor }

/** Size of a value without its sign. */
export const absolute = ({ low, high }: Interval): Interval =>
  low <= 0 && high >= 0
    ? { low: 0, high: Math.max(-low, high) }
    : { low: Math.min(Math.abs(low), Math.abs(high)), high: Math.max(Math.abs(low), Math.abs(high)) }

/** Ends moved apart by so much. */
export const widened = ({ low, high }: Interval, by: number): Interval => ({ low: low - by, high: high + by })

const lows = (all: readonly Interval[]): number[] => all.map(({ low }) => low)
const highs = (all: readonly Interval[]): number[] => all.map(({ high }) => high)

/** Largest and smallest of several; at least one. */
export const largest = (all: readonly Interval[]): Interval => ({ low: Math.max(...lows(all)), high: Math.max(...highs(all)) })
export const smallest = (all: readonly Interval[]): Interval => ({ low: Math.min(...lows(all)), high: Math.min(...highs(all)) })

export function meanOf(all: readonly Interval[]): Interval {
  return { low: average(lows(all)), high: average(highs(all)) }
}
// −∞ with +∞ cannot meet in one list of lows or of highs, so this is never NaN.
const average = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length

export function medianOf(all: readonly Interval[]): Interval {
  return { low: middle(lows(all)), high: middle(highs(all)) }
}
function middle(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length / 2
  const upper = sorted[Math.floor(half)] ?? Number.NaN
  return sorted.length % 2 === 1 ? upper : ((sorted[half - 1] ?? upper) + upper) / 2
}

/** Largest minus smallest: at least the distance that the intervals leave between them, at most the distance of their outer ends. */
export function rangeOf(all: readonly Interval[]): Interval {
  if (all.every(isPoint)) return point(Math.max(...highs(all)) - Math.min(...lows(all)))
  return {
    low: Math.max(0, Math.max(...lows(all)) - Math.min(...highs(all))),
    high: Math.max(...highs(all)) - Math.min(...lows(all)),
  }
}
