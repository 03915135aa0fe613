import { z } from 'zod'
import { idSchema, nameSchema, names, sourceSchema } from '../base/idSchema'
import { lengthMmSchema } from '../quantity/valueSchema'
import { MAX_PLACES } from './equalPartsBounds'

/** Equal parts that may change places: what is measured of each, place by place. */
const rotationSchema = z.strictObject({
  kind: z.literal('rotation'),
  id: idSchema,
  name: nameSchema,
  places: z.array(names.characteristics).min(2).max(MAX_PLACES),
  source: sourceSchema,
})

/** Bores and journals of one kind that may be paired anew. */
const pairingSchema = z.strictObject({
  kind: z.literal('pairing'),
  id: idSchema,
  name: nameSchema,
  /** The first bore stands with the first journal as it was found, and so on; journals may be more. */
  bores: z.array(names.characteristics).min(2).max(MAX_PLACES),
  journals: z.array(names.characteristics).min(2).max(MAX_PLACES),
  targetMm: lengthMmSchema,
  leastMm: lengthMmSchema,
  greatestMm: lengthMmSchema,
  source: sourceSchema,
})

/** Equal places of one machine: each tells how the readings of the others scatter. */
const alikeSchema = z.strictObject({
  kind: z.literal('alike'),
  id: idSchema,
  name: nameSchema,
  places: z.array(names.characteristics).min(2).max(MAX_PLACES),
  /** Places among them that are not like the others: they lend nothing and borrow nothing. */
  unlike: z.array(names.characteristics).max(MAX_PLACES).optional(),
  /** Null where nobody's document says so: they are copies of one another. */
  source: sourceSchema.nullable(),
})

export const equalPartsSchema = z.discriminatedUnion('kind', [rotationSchema, pairingSchema, alikeSchema])
export type EqualParts = z.infer<typeof equalPartsSchema>
