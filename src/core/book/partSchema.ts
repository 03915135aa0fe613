import { z } from 'zod'
import { idSchema, nameSchema, sourceSchema } from '../base/idSchema'

const positiveMm = z.number().gt(0).max(100_000)

/** A way to bring a part back. */
const routeSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Characteristics it brings back. */
  mends: z.array(idSchema).min(1),
  /** Sizes it may leave, where the route cuts; null where it rebuilds the surface. */
  sizeAfter: z
    .strictObject({
      characteristic: idSchema,
      leastMm: positiveMm,
      greatestMm: positiveMm,
      cleanUpMm: z.number().min(0).max(100),
    })
    .nullable(),
  /** Fits and rings whose mate is made to suit with this route: an undersize shell, an oversize piston. */
  suits: z.array(idSchema).max(20).optional(),
  cost: z.number().min(0),
  days: z.number().min(0),
  source: sourceSchema,
})

export const partSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Assembly it belongs to. */
  assembly: nameSchema,
  /** Where it sits, in words. */
  position: nameSchema,
  renewedAlways: z.boolean(),
  /** Null where nobody knows yet what a new one costs. */
  replacement: z.strictObject({ cost: z.number().min(0), days: z.number().min(0) }).nullable(),
  routes: z.array(routeSchema).max(20),
  /** Only inside a job: the part was named there. */
  typed: z.literal(true).optional(),
})
