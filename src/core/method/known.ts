import { combineErrors, type Errors, NO_ERRORS, standardUncertainty } from '../gauge/errors'
import { ANYTHING, absolute, add, type Interval, largest, medianOf, point, scale, widened } from '../quantity/interval'

/**
 * What is known of one value. Every operation here keeps the promise that less known is never milder: whoever knows less
 * of its terms gets wider ends, never narrower ones.
 */
export interface Known {
  /** What the readings taken so far say; null while nothing is taken. */
  readonly interval: Interval | null
  /** Where it lies once everything it needs is read and settled; nothing is added for doubt. */
  readonly reach: Interval
  /** The same with the guard band: so many standard uncertainties on whatever may hold its ends. */
  readonly guarded: Interval
  readonly errors: Errors
}

export const UNKNOWN: Known = { interval: null, reach: ANYTHING, guarded: ANYTHING, errors: NO_ERRORS }

/** A value that is settled, with its errors; `guard` is the number of standard uncertainties the guard band is wide. */
export function settled(interval: Interval, errors: Errors, guard: number): Known {
  const band = guard === 0 ? 0 : guard * standardUncertainty(errors)
  return { interval, reach: interval, guarded: band === 0 ? interval : widened(interval, band), errors }
}

/** A figure of the book: exact. */
export const exactly = (value: number): Known => settled(point(value), NO_ERRORS, 0)

/** A value that readings still to come, or still to be taken again, may move anywhere. */
export const unsettled = ({ interval, errors }: Known): Known => ({ ...UNKNOWN, interval, errors })

const isTaken = (known: Known): boolean => known.interval !== null

/**
 * A value over several places, some of which may not be read yet: what it is over those that are, and where it lies in
 * the end. Null while those that are read give none.
 */
export function over(all: readonly Known[], of: (places: readonly Known[]) => Known | null): Known | null {
  const taken = all.filter(isTaken)
  if (taken.length === 0) return null
  const now = of(taken)
  if (now === null || taken.length === all.length) return now
  const end = of(all) ?? UNKNOWN
  return { ...now, reach: end.reach, guarded: end.guarded }
}

/** Sum of values, each times a factor, and an offset. The same error goes through as one (`combineErrors`). */
export function linear(terms: readonly (readonly [factor: number, value: Known])[], guard: number, offset = 0): Known {
  const used = terms.filter(([factor]) => factor !== 0)
  const sum = (pick: (value: Known) => Interval): Interval =>
    used.reduce((total, [factor, value]) => add(total, scale(pick(value), factor)), point(offset))
  const errors = combineErrors(used.map(([factor, { errors: own }]) => [factor, own] as const))
  const reach = sum(({ reach: own }) => own)
  return {
    interval: used.every(([, value]) => isTaken(value)) ? sum(({ interval }) => interval ?? ANYTHING) : null,
    reach,
    guarded: widened(reach, guard === 0 ? 0 : guard * standardUncertainty(errors)),
    errors,
  }
}

export const meanOf = (all: readonly Known[], guard: number): Known =>
  linear(
    all.map((value) => [1 / all.length, value] as const),
    guard,
  )

export const differenceOf = (a: Known, b: Known, guard: number): Known =>
  linear(
    [
      [1, a],
      [-1, b],
    ],
    guard,
  )

/** The same value times a figure that is exact. */
export const times = (value: Known, factor: number): Known => ({
  interval: value.interval && scale(value.interval, factor),
  reach: scale(value.reach, factor),
  guarded: scale(value.guarded, factor),
  errors: combineErrors([[factor, value.errors]]),
})

/** The same value and an exact figure, or a figure less it. */
export const shifted = (value: Known, by: number): Known => ({
  interval: value.interval && add(value.interval, point(by)),
  reach: add(value.reach, point(by)),
  guarded: add(value.guarded, point(by)),
  errors: value.errors,
})
export const lessThan = (from: number, value: Known): Known => shifted(times(value, -1), from)

/** Errors of whichever may hold an extreme: the largest of theirs, since it is not known which does. */
function worstErrors(candidates: readonly Known[]): Errors {
  let worst: Errors = NO_ERRORS
  let most = -1
  for (const { errors } of candidates) {
    const u = standardUncertainty(errors)
    if (u > most) {
      most = u
      worst = errors
    }
  }
  return worst
}

/** The largest of several, at least one: at least as large as each of them, each with its own doubt. */
export function largestOf(all: readonly Known[]): Known {
  const taken = all.flatMap((value) => (value.interval ? [{ value, interval: value.interval }] : []))
  const least = Math.max(...taken.map(({ interval }) => interval.low))
  return {
    interval: taken.length === 0 ? null : largest(taken.map(({ interval }) => interval)),
    reach: largest(all.map(({ reach }) => reach)),
    guarded: largest(all.map(({ guarded }) => guarded)),
    errors: worstErrors(taken.filter(({ interval }) => interval.high >= least).map(({ value }) => value)),
  }
}

/** The smallest of several, at least one. */
export const smallestOf = (all: readonly Known[]): Known => times(largestOf(all.map((value) => times(value, -1))), -1)

export const absoluteOf = (value: Known): Known => ({
  interval: value.interval && absolute(value.interval),
  reach: absolute(value.reach),
  guarded: absolute(value.guarded),
  errors: value.errors,
})

/**
 * Largest less smallest of several: the largest difference of any two of them, each pair with its own doubt, so that an
 * error both have cancels and those of two gauges do not. Noise alone widens it. Null with fewer than two.
 */
export function spreadOf(all: readonly Known[], guard: number): Known | null {
  if (all.length < 2) return null
  const pairs = all.flatMap((a, index) => all.slice(index + 1).map((b) => absoluteOf(differenceOf(a, b, guard))))
  return largestOf(pairs)
}

/** Middle of several, at least one; as doubtful as the most doubtful of them. */
export function medianKnown(all: readonly Known[]): Known {
  const taken = all.flatMap((value) => (value.interval ? [{ value, interval: value.interval }] : []))
  return {
    interval: taken.length === 0 ? null : medianOf(taken.map(({ interval }) => interval)),
    reach: medianOf(all.map(({ reach }) => reach)),
    guarded: medianOf(all.map(({ guarded }) => guarded)),
    errors: worstErrors(taken.map(({ value }) => value)),
  }
}
