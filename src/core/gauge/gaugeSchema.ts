import { z } from 'zod'
import { daySchema, idSchema } from '../base/idSchema'
import { asIssue } from '../base/schemaFault'
import { valueSchema } from '../quantity/valueSchema'
import { gaugeBounds } from './gaugeBounds'
import { gaugeKinds } from './gaugeKinds'

/** A measuring instrument as the store knows it, in the fixed unit of its kind's quantity. */
export const gaugeSchema = z.strictObject({
  id: idSchema,
  code: z.string().min(1).max(40),
  name: z.string().min(1).max(120),
  kind: z.enum(gaugeKinds),
  resolution: z.number().gt(0).max(gaugeBounds.difference),
  /** Maximum permissible error, ±. */
  maximumPermissibleError: z.number().min(0).max(gaugeBounds.difference),
  /** Expanded uncertainty of its calibration and the coverage factor; null where only the permissible error is known. */
  calibration: z
    .strictObject({
      expanded: z.number().min(0).max(gaugeBounds.difference),
      coverage: z.number().min(gaugeBounds.leastCoverage).max(gaugeBounds.greatestCoverage),
    })
    .nullable()
    .default(null),
  /** What it shows too much (+) or too little (−) at an indicated value; empty where the certificate gives none. */
  corrections: z
    .array(z.strictObject({ at: valueSchema, error: valueSchema }))
    .max(gaugeBounds.corrections)
    .default([]),
  /** Standard deviation of its repeats where that is known; then one reading carries it, and few repeats need not show it. */
  repeatability: z.number().gt(0).max(gaugeBounds.difference).optional(),
  /** Linear expansion of its scale, or of the master it is set on, per K; null where it is not known. */
  expansionPerK: z.number().gt(0).max(gaugeBounds.expansionPerK).nullable().default(null),
  /** Values it reaches; null where that is not on record. */
  range: z
    .strictObject({ least: valueSchema, greatest: valueSchema })
    .refine(({ least, greatest }) => least <= greatest, asIssue('rangeSwapped'))
    .nullable()
    .default(null),
  /** Date until which its calibration holds, ISO 8601. */
  calibrationDue: daySchema,
  /** Calibrated anew since: what was read with it keeps these figures, nothing is read with it any more. */
  replaced: z.literal(true).optional(),
})
