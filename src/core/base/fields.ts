import { err, ok, type Result } from './result'

/** What is wrong with one field of a form, in one sentence. */
export interface FieldFault<At extends string = string> {
  readonly at: At
  readonly says: string
}

/** Thrown by what reads a field that cannot be used; caught by `readFields`. */
export class Unusable<At extends string = string> extends Error {
  constructor(
    readonly at: At,
    says: string,
  ) {
    super(says)
  }
}

type Readers = Readonly<Record<string, () => unknown>>
type Read<R extends Readers> = { readonly [K in keyof R]: ReturnType<R[K]> }

/** Reads every field, and tells of all that cannot be used, not of the first alone. */
export function readFields<R extends Readers>(readers: R): Result<Read<R>, readonly FieldFault[]> {
  const faults: FieldFault[] = []
  const read = Object.fromEntries(
    Object.entries(readers).map(([name, reader]) => {
      try {
        return [name, reader()]
      } catch (fault) {
        if (!(fault instanceof Unusable)) throw fault
        // One field may be read for two things; it is at fault once.
        if (!faults.some(({ at }) => at === fault.at)) faults.push({ at: fault.at, says: fault.message })
        return [name, undefined]
      }
    }),
  )
  return faults.length > 0 ? err(faults) : ok(read as Read<R>)
}
