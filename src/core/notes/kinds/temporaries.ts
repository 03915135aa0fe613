import type { NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'

const putInShape = ({ z, idSchema, nameSchema, words, count }: NoteShaping) =>
  z.strictObject({ kind: z.literal('putIn'), temporary: idSchema, name: nameSchema, where: words(120), count })
export type PutIn = Noting<typeof putInShape>
export const putIn: NoteKindOf<PutIn> = {
  shape: putInShape,
  subject: ({ temporary }) => `temporary:${temporary}`,
  addsUp: true,
  refuse: () => null,
  apply: ({ temporary, name, where, count }, noted, { temporaries }) => {
    const inside = temporaries.get(temporary)?.inside ?? 0
    temporaries.set(temporary, { id: temporary, name, where, inside: inside + count, last: noted })
  },
}

const takenOutShape = ({ z, idSchema, count }: NoteShaping) =>
  z.strictObject({ kind: z.literal('takenOut'), temporary: idSchema, count })
export type TakenOut = Noting<typeof takenOutShape>
export const takenOut: NoteKindOf<TakenOut> = {
  shape: takenOutShape,
  subject: ({ temporary }) => `temporary:${temporary}`,
  addsUp: true,
  refuse: ({ temporary, count }, { noted }) => {
    const thing = noted.temporaries.find(({ id }) => id === temporary)
    if (!thing) return { code: 'neverPutIn' }
    return count <= thing.inside ? null : { code: 'onlySoMany', name: thing.name, inside: thing.inside, count }
  },
  apply: ({ temporary, count }, noted, { temporaries }) => {
    const thing = temporaries.get(temporary)
    if (!thing) return
    thing.inside -= count
    thing.last = noted
  },
}
