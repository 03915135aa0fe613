import { err, ok, type Result } from './result'

/** What is wrong with one field of a form. */
export interface FieldFault<F, At extends string = string> {
  readonly at: At
  readonly fault: F
}

/** Thrown by what reads a field that cannot be used; caught by `readFields`. */
export class Unusable<F extends { readonly code: PropertyKey }, At extends string = string> extends Error {
  constructor(
    readonly at: At,
    readonly fault: F,
  ) {
    super(String(fault.code))
  }
}

type Readers = Readonly<Record<string, () => unknown>>
type Read<R extends Readers> = { readonly [K in keyof R]: ReturnType<R[K]> }

/**
 * Reads every field, and tells of all that cannot be used, not of the first alone. The readers throw faults of one kind,
 * which the types cannot follow: whoever calls names it.
 */
export function readFields<R extends Readers>(readers: R): Result<Read<R>, readonly FieldFault<unknown>[]> {
  const faults: FieldFault<unknown>[] = []
  const read = Object.fromEntries(
    Object.entries(readers).map(([name, reader]) => {
      try {
        return [name, reader()]
      } catch (thrown) {
        if (!(thrown instanceof Unusable)) throw thrown
        // One field may be read for two things; it is at fault once.
        if (!faults.some(({ at }) => at === thrown.at)) faults.push({ at: thrown.at, fault: thrown.fault })
        return [name, undefined]
      }
    }),
  )
  return faults.length > 0 ? err(faults) : ok(read as Read<R>)
}
