import type { Interval } from './interval'

/** Ends of an interval as kept and shown: null where nothing bounds it. Computing has ±Infinity there (`Interval`). */
export interface Ends {
  readonly low: number | null
  readonly high: number | null
}

/** A figure, or the interval that bounds and ranges leave of it; one of the two is null. */
export interface Extent {
  readonly value: number | null
  readonly interval: Ends | null
}

/** A figure or its ends, as a reading is stored. */
export interface FigureOrEnds extends Ends {
  readonly value: number | null
}

const finite = (end: number): number | null => (Number.isFinite(end) ? end : null)

export const endsOf = ({ low, high }: Interval): Ends => ({ low: finite(low), high: finite(high) })

export const intervalOfEnds = ({ low, high }: Ends): Interval => ({
  low: low ?? Number.NEGATIVE_INFINITY,
  high: high ?? Number.POSITIVE_INFINITY,
})

export const extentOf = (interval: Interval): Extent =>
  interval.low === interval.high ? { value: interval.low, interval: null } : { value: null, interval: endsOf(interval) }

/** What is known of a reading: its figure, or what its ends leave; anything where it is neither. */
export const intervalOfReading = ({ value, low, high }: FigureOrEnds): Interval =>
  value === null ? intervalOfEnds({ low, high }) : { low: value, high: value }

export const intervalOf = ({ value, interval }: Extent): Interval =>
  intervalOfReading({ value, low: interval?.low ?? null, high: interval?.high ?? null })
