import type { FitKindOf, Shaped } from '../fitKind'
import type { FitShaping } from '../shapingSchema'

/** A shaft in its bore, place by place where both were measured; a plastic strip may know the clearance as well. */
const shape = ({ z, measured, common, linked }: FitShaping) =>
  z.strictObject({
    /** Left out in books from before there were other kinds. */
    kind: z.literal('shaftInBore').optional(),
    ...common,
    ...linked,
    bore: measured,
    journal: measured,
    strip: measured.nullable(),
    /** The book demands both ways, strip and measured parts: neither may be left out. */
    bothWays: z.literal(true).optional(),
  })
export type ShaftInBore = Shaped<typeof shape>

export const shaftInBore: FitKindOf<ShaftInBore> = {
  shape,
  links: ({ bore, journal }) => [
    { characteristic: bore, factor: 1, takes: ['boreDiameter'] },
    { characteristic: journal, factor: -1, takes: ['outsideDiameter'] },
  ],
}
