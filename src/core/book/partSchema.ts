import { z } from 'zod'
import { idSchema, nameSchema, names, onlySchema, sourceSchema } from '../base/idSchema'
import { figure } from '../quantity/figureSchema'

const positiveMm = figure(z.number().gt(0).max(100_000), 'length')

/**
 * What a route does to what it mends: takes off (grinding, boring, polishing, dressing, honing, lapping, scraping), builds up
 * (spraying, welding, plating), renews (a new lining, bush or sleeve, the other side), or refits (cleaned, set, shimmed, balanced).
 */
export const routeEffects = ['takesOff', 'buildsUp', 'renews', 'refits'] as const

/** A way to bring a part back. */
const routeSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Characteristics it brings back. */
  mends: z.array(names.characteristics).min(1),
  /** Left out in books from before it was asked: such a route restores no size. */
  effect: z.enum(routeEffects).optional(),
  /** Sizes it may leave; null where it leaves the size of a new one, or changes none. */
  sizeAfter: z
    .strictObject({
      characteristic: names.characteristics,
      leastMm: positiveMm,
      greatestMm: positiveMm,
      cleanUpMm: figure(z.number().min(0).max(100), 'length'),
    })
    .nullable(),
  /** Fits and rings whose mate is made to suit with this route: an undersize shell, an oversize piston. */
  suits: z.array(names.fits).max(20).optional(),
  /** Most that all work of its life may take off the new size, on the diameter or the thickness. */
  mostOffMm: positiveMm.optional(),
  /** Turns the part over to a side that is not used up; so many sides it has. */
  sides: z.int().min(2).max(8).optional(),
  /** Finish it must have after the work, as the document gives it: “Ra 0.8 µm”. */
  finish: z.string().min(1).max(80).optional(),
  /** What the work takes away and must be made again: chamfer, hardness, balance. */
  restores: z.array(z.string().min(1).max(80)).max(10).optional(),
  /** Null where nobody knows yet. */
  cost: z.number().min(0).nullable(),
  days: z.number().min(0).nullable(),
  source: sourceSchema,
})

/** Only inside a job: what was added there by this id. */
const added = idSchema.optional()

/** When a part is renewed whatever it measures, beside those that are renewed always. */
const serviceRuleSchema = z.discriminatedUnion('kind', [
  /** At every overhaul, with the document that says so. */
  z.strictObject({ kind: z.literal('always'), source: sourceSchema, added }),
  /** At every n-th overhaul of the part that is fitted. */
  z.strictObject({ kind: z.literal('everyNth'), nth: z.int().min(2).max(20), source: sourceSchema, added }),
  /** Once it has run so long, or would before the next overhaul. */
  z.strictObject({ kind: z.literal('afterHours'), hours: z.number().gt(0).max(1_000_000), source: sourceSchema, added }),
  /** Once it was started so often, or would be before the next overhaul. */
  z.strictObject({ kind: z.literal('afterStarts'), starts: z.int().min(1).max(10_000_000), source: sourceSchema, added }),
  z.strictObject({ kind: z.literal('whenDisturbed'), source: sourceSchema, added }),
  /** When one of these is renewed. */
  z.strictObject({ kind: z.literal('withMate'), parts: z.array(names.parts).min(1).max(40), source: sourceSchema, added }),
  /** One verdict with all of these. */
  z.strictObject({ kind: z.literal('set'), parts: z.array(names.parts).min(1).max(40), source: sourceSchema, added }),
])

export const partSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Assembly it belongs to. */
  assembly: nameSchema,
  /** Other assemblies that it belongs to as well: a rod through two glands, a pin of piston and rod. It is one part all the same. */
  alsoIn: z.array(nameSchema).min(1).max(20).optional(),
  /** Where it sits, in words. */
  position: nameSchema,
  renewedAlways: z.boolean(),
  /** Part that holds this one: it may be renewed alone, and goes with what holds it. */
  within: names.parts.optional(),
  /** Only where one of these is fitted. */
  only: onlySchema.optional(),
  service: z.array(serviceRuleSchema).max(8).optional(),
  /** Null where nobody knows yet what a new one costs. */
  replacement: z.strictObject({ cost: z.number().min(0), days: z.number().min(0) }).nullable(),
  routes: z.array(routeSchema).max(20),
  /** Only inside a job: the part was named there. */
  typed: z.literal(true).optional(),
})
