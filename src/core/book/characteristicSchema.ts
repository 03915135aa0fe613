import { z } from 'zod'
import { idSchema, nameSchema, names, onlySchema, sourceSchema, uniqueIds } from '../base/idSchema'
import { asIssue } from '../base/schemaFault'
import { gaugeKinds } from '../gauge/gaugeKinds'
import { changeLimitSchema } from '../limit/changeLimitSchema'
import { limitBySchema } from '../limit/limitBySchema'
import { limitSchema, wantsSchema } from '../limit/limitSchema'
import { methodSchema } from '../method/methodSchema'
import { figure } from '../quantity/figureSchema'
import { valueSchema } from '../quantity/valueSchema'
import { settingSchema } from '../setting/settingSchema'

/** A limit typed in a job from the manual at hand, waiting for or with a second person's check. */
const typedMarkSchema = z.strictObject({
  /** The entry that typed it. */
  entry: z.string().max(80),
  by: z.string().max(120),
  at: z.string().max(40),
  check: z
    .strictObject({ by: z.string().max(120), at: z.string().max(40), agrees: z.boolean(), note: z.string().max(400) })
    .nullable(),
})

/** Something that is measured of a part, by one method. */
export const characteristicSchema = z.strictObject({
  id: idSchema,
  part: names.parts,
  name: nameSchema,
  /** How it is taken, one line; held which way; what goes wrong. */
  how: z.string().max(400),
  pose: z.string().max(200),
  trap: z.string().max(400),
  method: methodSchema,
  gaugeKind: z.enum(gaugeKinds),
  /** Places read with another kind of gauge, by station: a spring's free length, a valve's drip. */
  otherGauges: z.record(z.string().min(1).max(8), z.enum(gaugeKinds)).optional(),
  /** Step its figures are shown to. */
  showTo: figure(z.number().gt(0).max(1000), 'spread'),
  /** Linear expansion of the part, per K; without it no temperature is corrected. */
  expansionPerK: z.number().gt(0).max(1e-3).optional(),
  /** What must be done before each repeat, in words: turn the shaft over, squeeze the oil film out. */
  beforeRepeats: z.string().max(200).optional(),
  /** Null where no document gives a new size. */
  new: z
    .strictObject({
      nominal: figure(valueSchema, 'read'),
      lower: figure(valueSchema, 'read'),
      upper: figure(valueSchema, 'read'),
      /** Tolerance class that gives these limits, as H7. */
      class: z.string().min(2).max(4).optional(),
      source: sourceSchema,
    })
    .refine((size) => size.lower <= size.upper, {
      path: ['lower'],
      message: asIssue('newSizeSwapped'),
    })
    .nullable(),
  /** The first limit is the one the ribbon and the wear line show; none where the value is information only. */
  limits: z.array(limitSchema).max(20).refine(uniqueIds, asIssue('limitsSameId')),
  /** Values that want a limit from a document; until one is typed they are information only. */
  wants: wantsSchema,
  /** Wear, setting or both; left out: as its method usually is. */
  setting: settingSchema.optional(),
  /** Limits by a table or a formula. */
  limitsBy: z.array(limitBySchema).max(20).optional(),
  /** Only where one of these is fitted. */
  only: onlySchema.optional(),
  /** Safety-marked: departing from the recommended verdict needs the reviewer. */
  safety: z.boolean(),
  /** There is nothing to find: a final torque, a standoff, a mark made. It is asked for as the part is left. */
  asLeftOnly: z.literal(true).optional(),
  /** What may change from stage to stage, and from overhaul to overhaul. */
  changes: z.array(changeLimitSchema).max(20).refine(uniqueIds, asIssue('changesSameId')).optional(),
  /** Only inside a job: its limits were typed there. */
  typed: typedMarkSchema.optional(),
})
