import type { Limit, LimitBy } from './limit'

/** What a second person said of limits that were typed; null while they wait. */
export interface TypedCheck {
  readonly by: string
  readonly agrees: boolean
  readonly note: string
}

/** Who typed limits, and how they stand against their page. */
export interface TypedLimits {
  readonly by: string
  readonly check: TypedCheck | null
}

interface Limited {
  readonly limits: readonly Limit[]
  readonly limitsBy?: readonly LimitBy[] | undefined
  readonly wants?: readonly { readonly none?: { readonly typed?: TypedLimits | undefined } | undefined }[] | undefined
  /** Typed in a job, all of them at once. */
  readonly typed?: TypedLimits | undefined
}

/**
 * Limits that were typed, in a job or in the draft of a book, with what a second person said: of several the one that is
 * worst off, that is one that does not agree, then one that waits. Null where all came with an issued book.
 */
export function typedLimits({ limits, limitsBy = [], wants = [], typed }: Limited): TypedLimits | null {
  if (typed) return typed
  const own = [...[...limits, ...limitsBy].map((limit) => limit.typed), ...wants.map(({ none }) => none?.typed)].flatMap(
    (one) => one ?? [],
  )
  return own.find(({ check }) => check?.agrees === false) ?? own.find(({ check }) => check === null) ?? own[0] ?? null
}
