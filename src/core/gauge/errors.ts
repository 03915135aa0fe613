import { normalProbability, studentQuantile } from '../base/distribution'

/** What an error comes from. Two errors of one kind and one origin are the same error. */
export type ErrorKind = 'gauge' | 'resolution' | 'repeats' | 'master' | 'stripScale' | 'partTemperature' | 'scaleTemperature'

/** One contribution to the uncertainty of a value: what one error, one standard uncertainty large, does to it. */
export interface ErrorTerm {
  readonly kind: ErrorKind
  /** Gauge, reading, strip … it belongs to. */
  readonly of: string
  /** Its standard uncertainty times how far the value moves with it, with sign. */
  readonly amount: number
  /**
   * Where the gauge's error changes along its scale: the indication, and the distance over which it stays about the same.
   * Null where the error is one and the same wherever it acts.
   */
  readonly along: { readonly at: number | null; readonly near: number } | null
  /** Degrees of freedom of its estimate; null where it is not estimated from a few repeats. */
  readonly degreesOfFreedom: number | null
}

/** The uncertainty of a value by source. */
export type Errors = readonly ErrorTerm[]
export const NO_ERRORS: Errors = []

/** Indications closer together than this part of `near` are one. */
const ONE_INDICATION = 1 / 64

const isSame = (a: ErrorTerm, b: ErrorTerm): boolean =>
  a.kind === b.kind &&
  a.of === b.of &&
  (a.along === b.along ||
    (a.along !== null &&
      b.along !== null &&
      a.along.at !== null &&
      b.along.at !== null &&
      Math.abs(a.along.at - b.along.at) <= ONE_INDICATION * Math.min(a.along.near, b.along.near)))

/**
 * Errors of a sum of values, each times a factor: the same error goes through as one, with its sign, so it cancels in a
 * difference and doubles in a sum (GUM 5.2, H.2); different ones stay apart and add in quadrature.
 */
export function combineErrors(parts: readonly (readonly [factor: number, errors: Errors])[]): Errors {
  const made: ErrorTerm[] = []
  for (const [factor, errors] of parts) {
    if (factor === 0) continue
    for (const term of errors) {
      const index = made.findIndex((other) => isSame(other, term))
      const before = made[index]
      const amount = factor * term.amount
      if (before) made[index] = { ...before, amount: before.amount + amount }
      else made.push({ ...term, amount })
    }
  }
  return made.filter(({ amount }) => amount !== 0)
}

/**
 * How much of two errors of one origin is the same, 0 to 1. A permissible error bounds a gauge anywhere on its scale and
 * says nothing of how it runs between: near each other two indications share it, far apart they do not. The step between
 * is a bell, so that what is nearly the same nearly cancels. Where an indication is only bounded, the worse case stands.
 */
function shared(a: ErrorTerm, b: ErrorTerm): number {
  if (a.kind !== b.kind || a.of !== b.of) return 0
  if (a.along === null || b.along === null) return 1
  if (a.along.at === null || b.along.at === null) return a.amount * b.amount > 0 ? 1 : 0
  const apart = (a.along.at - b.along.at) / Math.max(a.along.near, b.along.near)
  return Math.exp(-(apart * apart) / 2)
}

function variance(errors: Errors): number {
  let sum = 0
  errors.forEach((term, index) => {
    sum += term.amount * term.amount
    if (term.kind === 'resolution' || term.kind === 'repeats') return // each its own, combined before
    for (let other = 0; other < index; other += 1) {
      const before = errors[other]
      if (before) sum += 2 * term.amount * before.amount * shared(term, before)
    }
  })
  return Math.max(0, sum)
}

/** Combined standard uncertainty (GUM 5.1.2 and 5.2.2). */
export const standardUncertainty = (errors: Errors): number => Math.sqrt(variance(errors))

/** Effective degrees of freedom by the Welch–Satterthwaite formula (GUM G.4.1); null where nothing limits them. */
export function degreesOfFreedom(errors: Errors): number | null {
  const few = errors.reduce(
    (sum, term) => (term.degreesOfFreedom === null ? sum : sum + term.amount ** 4 / term.degreesOfFreedom),
    0,
  )
  return few === 0 ? null : variance(errors) ** 2 / few
}

/** The coverage that is stated: that of two standard deviations of a normal value, 95.45 %. */
const COVERED_BELOW = normalProbability(2)

/** Coverage factor k of the expanded uncertainty U = k·u, from Student's t at the effective degrees of freedom (GUM G.4). */
export const coverageFactor = (effectiveDegreesOfFreedom: number | null): number =>
  effectiveDegreesOfFreedom === null ? 2 : studentQuantile(COVERED_BELOW, effectiveDegreesOfFreedom)

/** One source with all it adds to a value, for people to read and for records. */
export interface SourceShare {
  readonly kind: ErrorKind
  /** Gauge, strip …; empty for what every reading has of its own. */
  readonly of: string
  /** Standard uncertainty. */
  readonly standard: number
}

/** Shares by source; those of single readings together. */
export function sharesOf(errors: Errors): readonly SourceShare[] {
  const own = (kind: ErrorKind): boolean => kind === 'resolution' || kind === 'repeats'
  const groups = new Map<string, { readonly kind: ErrorKind; readonly of: string; readonly terms: ErrorTerm[] }>()
  for (const term of errors) {
    const of = own(term.kind) ? '' : term.of
    const group = groups.get(`${term.kind} ${of}`)
    if (group) group.terms.push(term)
    else groups.set(`${term.kind} ${of}`, { kind: term.kind, of, terms: [term] })
  }
  return [...groups.values()].map(({ kind, of, terms }) => ({ kind, of, standard: standardUncertainty(terms) }))
}
