import { z } from 'zod'
import { idSchema, nameSchema, sourceSchema } from '../base/idSchema'
import { limitSchema } from '../limit/limitSchema'
import { lengthMmSchema } from '../quantity/valueSchema'

/** A shaft in its bore, by the clearance of the two. */
export const fitSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  bore: idSchema,
  journal: idSchema,
  strip: idSchema.nullable(),
  /** The book demands both ways, strip and measured parts: neither may be left out. */
  bothWays: z.literal(true).optional(),
  /** New clearance band, mm. */
  new: z.strictObject({ lower: lengthMmSchema, upper: lengthMmSchema, source: sourceSchema }),
  limits: z.array(limitSchema).min(1).max(8),
  /** Part on which the book mends this fit. */
  mendOn: idSchema,
  showTo: z.number().gt(0).max(10),
})
