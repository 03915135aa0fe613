import { bookShapeSchema } from './bookShapeSchema'
import { referenceFaults } from './references'

export type { ChangeLimit, Characteristic, CrossCheckSpec, FitSpec, LimitBook, Part, Route } from './bookShapeSchema'

/** A limit book revision: what one family of machines is measured against. Immutable once issued. */
export const bookSchema = bookShapeSchema.superRefine((book, context) => {
  for (const { path, fault } of referenceFaults(book))
    context.addIssue({ code: 'custom', path: [...path], message: fault.code, params: { bookFault: fault } })
})
