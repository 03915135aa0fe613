/** What keeps something from being used, and where it is; `core/words` has the sentence. */
export interface FaultAt<F> {
  readonly path: readonly (string | number)[]
  readonly fault: F
}
