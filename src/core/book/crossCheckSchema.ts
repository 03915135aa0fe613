import { z } from 'zod'
import { idSchema, nameSchema, names, sourceSchema } from '../base/idSchema'
import { figure } from '../quantity/figureSchema'
import { quantityKinds } from '../quantity/kind'

/** Something known twice: two formulas over results that must give the same. */
export const crossCheckSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** The one way it is known, and the other; `names` says what each name in them stands for. */
  known: z.string().min(1).max(400),
  also: z.string().min(1).max(400),
  names: z.record(
    z.string().regex(/^[A-Za-z]\w{0,20}$/),
    z.strictObject({ characteristic: names.characteristics, value: z.string().min(1).max(40) }),
  ),
  quantity: z.enum(quantityKinds),
  /** What they may differ by besides their uncertainty: form, deposits, the pose. */
  within: figure(z.number().min(0).max(1e6), 'known'),
  /** The book demands that both ways are measured. */
  demanded: z.literal(true).optional(),
  /** Held at every place that all of them have, not once over all. */
  eachPlace: z.literal(true).optional(),
  showTo: figure(z.number().gt(0).max(1000), 'known'),
  source: sourceSchema.nullable(),
})
