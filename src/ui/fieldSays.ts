/** What is wrong with a field of a form, in a sentence; an empty path is the form as a whole. */
export interface FieldSays {
  readonly at: string
  readonly says: string
}
