import { z } from 'zod'
import { idSchema, nameSchema, names, onlySchema, sourceSchema } from '../base/idSchema'
import { limitBySchema } from '../limit/limitBySchema'
import { limitSchema, wantsSchema } from '../limit/limitSchema'
import { figure } from '../quantity/figureSchema'
import { lengthMmSchema } from '../quantity/valueSchema'
import { settingSchema } from '../setting/settingSchema'

const band = z.strictObject({ lower: lengthMmSchema, upper: lengthMmSchema, source: sourceSchema })

/** What the shapes of fits are made of. They are handed it, so that a page that shows fits loads no Zod. */
export const fitShaping = {
  z,
  /** A measurement, by its id. */
  measured: names.characteristics,
  nameSchema,
  lengthMm: lengthMmSchema,
  positiveMm: figure(z.number().gt(0).max(100_000), 'length'),
  perK: z.number().min(0).max(1e-3),
  celsius: figure(z.number().min(-100).max(1000), 'temperature'),
  /** New clearance band, mm. */
  band,
  common: {
    id: idSchema,
    name: nameSchema,
    /** One at least, here or by a table or a formula, once the book is issued. */
    limits: z.array(limitSchema).max(8),
    limitsBy: z.array(limitBySchema).max(8).optional(),
    wants: wantsSchema,
    /** Wear, setting or both; left out: as its kind usually is. */
    setting: settingSchema.optional(),
    /** Only where one of these is fitted. */
    only: onlySchema.optional(),
    /** The workshop’s own narrower band inside the limits, for what is put together. */
    shop: z.strictObject({ lower: lengthMmSchema.nullable(), upper: lengthMmSchema.nullable() }).optional(),
    /** The same clearance measured directly: by feeler, by lifting, by lead. */
    direct: names.characteristics.optional(),
    /** Part on which the book mends this fit. */
    mendOn: names.parts,
    showTo: figure(z.number().gt(0).max(10), 'length'),
  },
  /** What every fit but the first kind has: its new clearance may stand in no document. */
  linked: { new: band.nullable() },
}

export type FitShaping = typeof fitShaping
