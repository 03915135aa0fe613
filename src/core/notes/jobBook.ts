import type { Characteristic, FitSpec, LimitBook } from '../book/bookSchema'
import { type Fitted, withoutOtherVariants } from '../book/variants'
import type { Limit, LimitBy } from '../limit/limit'
import { type LimitFacts, quantityJudged, resolveLimit } from '../limit/limitBy'
import type { UnitSystem } from '../quantity/unitSystem'
import type { Entry } from './entrySchema'
import { withTyped } from './typedBook'

/** What of a job its limits may depend on. */
export interface JobFacts {
  readonly runningHours: number
  readonly mustRunHours: number
}

/** Options said to be fitted, by variant; the last word stands. */
export const fittedIn = (entries: readonly Entry[]): Fitted =>
  new Map(entries.flatMap(({ body }) => (body.kind === 'variantSaid' ? [[body.variant, body.option] as const] : [])))

/**
 * The limit book as a job is judged by it: what was issued, without what belongs to types that are not fitted, what was
 * typed in the job beside it, and limits by a table or a formula as plain ones. Applied again it changes nothing.
 */
export function bookOfJob(issued: LimitBook, entries: readonly Entry[], units: UnitSystem, job: JobFacts): LimitBook {
  return withLimits(bookAsFitted(issued, entries, units), fittedIn(entries), job)
}

/** The same with its limits as they are written: what is on the machine, and what was typed. */
export const bookAsFitted = (issued: LimitBook, entries: readonly Entry[], units: UnitSystem): LimitBook =>
  withTyped(withoutOtherVariants(issued, fittedIn(entries)), entries, units)

/** A book with its limits by table and formula resolved; those that cannot be are missing, and hold what they judge (openLimits). */
export function withLimits(book: LimitBook, fitted: Fitted, { runningHours, mustRunHours }: JobFacts): LimitBook {
  if (![...book.characteristics, ...book.fits].some(({ limitsBy }) => limitsBy !== undefined)) return book
  const byId = new Map(book.characteristics.map((characteristic) => [characteristic.id, characteristic]))
  const facts: LimitFacts = {
    runningHours,
    atNextHours: runningHours + mustRunHours,
    fitted,
    characteristicOf: (id) => byId.get(id),
  }
  return {
    ...book,
    characteristics: book.characteristics.map((one) =>
      resolved(one, (limit) => resolveLimit(limit, quantityJudged(one, limit), facts)),
    ),
    fits: book.fits.map((fit) => resolved(fit, (limit) => resolveLimit(limit, 'length', facts))),
  }
}

function resolved<T extends Characteristic | FitSpec>(of: T, resolve: (limit: LimitBy) => Limit | null): T {
  if (!of.limitsBy) return of
  const ids = new Set(of.limitsBy.map(({ id }) => id))
  const plain = of.limits.filter(({ id }) => !ids.has(id))
  return { ...of, limits: [...plain, ...of.limitsBy.flatMap((limit) => resolve(limit) ?? [])] }
}
