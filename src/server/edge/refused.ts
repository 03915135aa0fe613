import type { Entry } from '../../core/notes/entrySchema'

export interface Issue {
  readonly path: string
  readonly message: string
}

const statusOf = {
  malformed: 400,
  notSignedIn: 401,
  notAllowed: 403,
  notFound: 404,
  conflict: 409,
  overtaken: 409,
  tooLarge: 413,
  wrongType: 415,
  notPossible: 422,
  /** What is stored does not pass its own schema. */
  unreadable: 422,
  tooMany: 429,
  /** The database cannot be reached now. */
  unavailable: 503,
} as const
export type RefusalCode = keyof typeof statusOf

/**
 * A use case declines what a person asked: code, and one sentence that says what, where and what to do. It is thrown,
 * not returned, so that the transaction it happens in rolls back; only the edge catches it.
 */
export class Refused extends Error {
  readonly status: number

  constructor(
    readonly code: RefusalCode,
    message: string,
    readonly issues: readonly Issue[] = [],
    /** The entry that stands in the way, for the person to choose. */
    readonly standing: Entry | null = null,
  ) {
    super(message)
    this.status = statusOf[code]
  }
}
