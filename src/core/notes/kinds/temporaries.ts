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
  words: ({ name, where, count }) => `In: ${count} × ${name}${where === '' ? '' : `, ${where}`}`,
}

const takenOutShape = ({ z, idSchema, count }: NoteShaping) =>
  z.strictObject({ kind: z.literal('takenOut'), temporary: idSchema, count })
export type TakenOut = Noting<typeof takenOutShape>
export const takenOut: NoteKindOf<TakenOut> = {
  shape: takenOutShape,
  subject: ({ temporary }) => `temporary:${temporary}`,
  addsUp: true,
  refuse: ({ temporary, count }, { work }) => {
    const thing = work.temporaries.find(({ id }) => id === temporary)
    if (!thing) return 'That was never counted in. Count it in first.'
    return count <= thing.inside ? null : `Only ${thing.inside} of “${thing.name}” went in; ${count} cannot come out.`
  },
  apply: ({ temporary, count }, noted, { temporaries }) => {
    const thing = temporaries.get(temporary)
    if (!thing) return
    thing.inside -= count
    thing.last = noted
  },
  words: ({ temporary, count }, names) => `Out: ${count} × ${names.temporary(temporary)}`,
}
