/** What keeps something from being used, where it is and in words. */
export interface Fault {
  readonly path: readonly (string | number)[]
  readonly says: string
}
