import { usersOf, withAddition, withoutAdditions } from '../additions'
import type { NoteFault } from '../noteFault'
import type { EntryContext, NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'

/** A fit, a route, a service rule or a line of the plan that was missed. What it changes is the book (typedBook.ts). */
const thingAddedShape = ({ z, idSchema, additionSchema }: NoteShaping) =>
  z.strictObject({ kind: z.literal('thingAdded'), id: idSchema, what: additionSchema })
export type ThingAdded = Noting<typeof thingAddedShape>
export const thingAdded: NoteKindOf<ThingAdded> = {
  shape: thingAddedShape,
  subject: ({ id }) => `added:${id}`,
  refuse: refuseAdding,
  apply: () => {},
}

function refuseAdding({ id, what }: ThingAdded, { book, added, system }: EntryContext): NoteFault | null {
  // Added again under the same id it is corrected: what stood before counts no more.
  const others = added.some((one) => one.id === id) ? withoutAdditions(book, new Set([id])) : book
  const made = withAddition(others, { id, what, entry: '', by: '', at: '', check: null }, system)
  return made.ok ? null : { code: 'addition', why: made.fault }
}

const thingDroppedShape = ({ z, idSchema, nameSchema, reason }: NoteShaping) =>
  z.strictObject({ kind: z.literal('thingDropped'), id: idSchema, name: nameSchema, reason })
export type ThingDropped = Noting<typeof thingDroppedShape>
export const thingDropped: NoteKindOf<ThingDropped> = {
  shape: thingDroppedShape,
  subject: ({ id }) => `added:${id}`,
  refuse: ({ id, name }, { added, decidedRoutes }) => {
    if (!added.some((one) => one.id === id)) return { code: 'notAddedHere' }
    return decidedRoutes.has(id) ? { code: 'decidedBy', name } : null
  },
  apply: () => {},
}

/** What was added in this job and needs a measurement: it cannot be taken out from under it. */
export const addedUser = (characteristic: string, { book }: EntryContext): string | undefined => usersOf(book, characteristic)[0]
