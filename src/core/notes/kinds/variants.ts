import { withoutOtherVariants } from '../../book/variants'
import type { NoteKindOf } from '../noteKind'
import type { NoteShaping } from '../noteShapingSchema'
import type { Noting } from '../shapes'

const variantSaidShape = ({ z, idSchema }: NoteShaping) =>
  z.strictObject({ kind: z.literal('variantSaid'), variant: idSchema, option: idSchema })
export type VariantSaid = Noting<typeof variantSaidShape>

/** Which of several types is fitted. What was read on a type that is not fitted is withdrawn first. */
export const variantSaid: NoteKindOf<VariantSaid> = {
  shape: variantSaidShape,
  subject: ({ variant }) => `variant:${variant}`,
  refuse: ({ variant, option }, { book, readings }) => {
    const of = book.variants?.find(({ id }) => id === variant)
    if (!of?.options.some(({ id }) => id === option)) return { code: 'noVariant', id: option }
    const here = new Set(withoutOtherVariants(book, new Map([[variant, option]])).characteristics.map(({ id }) => id))
    const read = [...readings.values()].find((id) => !here.has(id))
    const name = read && book.characteristics.find(({ id }) => id === read)?.name
    return name === undefined ? null : { code: 'readOnOther', name }
  },
  apply: ({ variant, option }, noted, { variants }) => void variants.set(variant, { option, ...noted }),
}
