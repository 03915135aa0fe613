import type { NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'

const sidesSaidShape = ({ z, idSchema }: NoteShaping) =>
  z.strictObject({ kind: z.literal('sidesSaid'), part: idSchema, used: z.int().min(0).max(8) })
export type SidesSaid = Noting<typeof sidesSaidShape>

/** How many sides of a part that can be turned over are used up. */
export const sidesSaid: NoteKindOf<SidesSaid> = {
  shape: sidesSaidShape,
  subject: ({ part }) => `sides:${part}`,
  refuse: ({ part, used }, { book }) => {
    const of = book.parts.find(({ id }) => id === part)
    const has = Math.max(0, ...(of?.routes ?? []).map(({ sides }) => sides ?? 0))
    if (!of) return { code: 'noPart', id: part }
    return used > has ? { code: 'tooManySides', part: of.name, has } : null
  },
  apply: ({ part, used }, noted, { sides }) => void sides.set(part, { used, ...noted }),
}
