import { z } from 'zod'
import { names, placeSchema, uniqueIds } from '../base/idSchema'
import { asIssue } from '../base/schemaFault'
import { figure } from '../quantity/figureSchema'
import { quantityKinds } from '../quantity/kind'

const positive = z.number().gt(0).max(1e9)

const placesOf = <S extends z.ZodType<{ id: string }>>(schema: S) =>
  z.array(schema).min(1).max(200).refine(uniqueIds, asIssue('placesSameId'))
const placesSchema = placesOf(placeSchema)
const clockSchema = placesOf(placeSchema.extend({ angleDeg: figure(z.number().min(0).lt(360), 'angle') })).refine(
  (places) => new Set(places.map(({ angleDeg }) => angleDeg)).size === places.length,
  asIssue('placesSameAngle'),
)
const walkSchema = z.enum(['stationFirst', 'directionFirst'])
const repeatsAtLeast = z.int().min(1).max(12)

/** What the shapes of methods are made of. They are handed it, so that a page that reads methods loads no Zod. */
export const shaping = {
  z,
  /** A measurement, by its id. */
  measured: names.characteristics,
  placeSchema,
  placesOf,
  placesSchema,
  /** Places around, no two at the same angle. */
  clockSchema,
  walkSchema,
  wearsSchema: z.enum(['larger', 'smaller']),
  quantitySchema: z.enum(quantityKinds),
  positiveMm: figure(z.number().gt(0).max(100_000), 'length'),
  positive,
  figure,
  anyValue: z.number().min(-1e9).max(1e9),
  repeatsAtLeast,
  /** Stations along and directions around. */
  diameterLayout: { stations: placesSchema, directions: placesSchema, walk: walkSchema },
  /** Places read one after the other, each so many times; the greatest range of the repeats for their mean to count. */
  pointsLayout: {
    points: placesSchema,
    repeatsAtLeast: repeatsAtLeast.default(1),
    repeatabilityLimit: figure(positive, 'spread').nullable().default(null),
  },
}

export type Shaping = typeof shaping
