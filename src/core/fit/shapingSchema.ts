import { z } from 'zod'
import { idSchema, nameSchema, sourceSchema } from '../base/idSchema'
import { limitSchema } from '../limit/limitSchema'
import { lengthMmSchema } from '../quantity/valueSchema'

const band = z.strictObject({ lower: lengthMmSchema, upper: lengthMmSchema, source: sourceSchema })

/** What the shapes of fits are made of. They are handed it, so that a page that shows fits loads no Zod. */
export const fitShaping = {
  z,
  idSchema,
  nameSchema,
  lengthMm: lengthMmSchema,
  positiveMm: z.number().gt(0).max(100_000),
  perK: z.number().min(0).max(1e-3),
  celsius: z.number().min(-100).max(1000),
  /** New clearance band, mm. */
  band,
  common: {
    id: idSchema,
    name: nameSchema,
    limits: z.array(limitSchema).min(1).max(8),
    /** Part on which the book mends this fit. */
    mendOn: idSchema,
    showTo: z.number().gt(0).max(10),
  },
  /** What every fit but the first kind has: its new clearance may stand in no document. */
  linked: { new: band.nullable() },
}

export type FitShaping = typeof fitShaping
