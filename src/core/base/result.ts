/** A computation that a user's input can make fail answers with one of these; throwing is for bugs. */
export type Result<T, F> =
  | { readonly ok: true; readonly value: T; readonly fault?: never }
  | { readonly ok: false; readonly fault: F; readonly value?: never }

export const ok = <T>(value: T): Result<T, never> => ({ ok: true, value })
export const err = <F>(fault: F): Result<never, F> => ({ ok: false, fault })
