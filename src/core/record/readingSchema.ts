import { z } from 'zod'
import { idSchema, instantSchema } from '../base/idSchema'
import { lengthMmSchema, valueSchema } from '../quantity/valueSchema'
import { stages } from './stage'

export const slotShape = {
  station: z.string().min(1).max(8),
  direction: z.string().min(1).max(8),
  repeat: z.int().min(1).max(99),
}

/** point, interval: measured; notApplicable: the place does not exist here; cannot: it cannot be measured, and why; withdrawn: taken back. */
const readingKinds = ['point', 'interval', 'notApplicable', 'cannot', 'withdrawn'] as const

export const conditionsSchema = z.strictObject({
  zero: z.number().min(-1000).max(1000),
  temperature: z
    .strictObject({
      partC: z.number().min(-60).max(400),
      scaleC: z.number().min(-60).max(100),
      withinK: z.number().min(0).max(50),
    })
    .nullable(),
})

/** One reading as it was taken; nothing of it is ever changed. */
export const readingSchema = z.strictObject({
  id: z.uuid(),
  characteristic: idSchema,
  ...slotShape,
  stage: z.enum(stages),
  /** As typed, kept to the letter. */
  text: z.string().min(1).max(400),
  /** Unit a bare figure was taken in when it was typed. */
  defaultUnit: z.string().max(12),
  /** Size the gauge was set on, mm, for a text typed as a deviation. */
  masterMm: lengthMmSchema.nullable(),
  kind: z.enum(readingKinds).default('point'),
  /** In the fixed unit of its quantity, as read: nothing corrected. Null unless it is a point. */
  value: valueSchema.nullable(),
  /** Ends of a bound or a range; null where nothing bounds it, and for everything else. */
  low: valueSchema.nullable().default(null),
  high: valueSchema.nullable().default(null),
  /** Zero check and temperatures it was taken under; null where none were noted. */
  conditions: conditionsSchema.nullable().default(null),
  /** Null for what is looked at. */
  gauge: idSchema.nullable(),
  by: z.string().min(1).max(120),
  takenAt: instantSchema,
  /** Id of the reading this one corrects, and why. */
  supersedes: z.uuid().nullable(),
  reason: z.string().min(1).max(400).nullable(),
})

export type Reading = z.infer<typeof readingSchema>
