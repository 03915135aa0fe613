/** What a person adds in a job where it is missed: a fit, a route, a service rule, a line of the plan. Figures are kept as typed. */

import { z } from 'zod'
import type { Frozen } from '../base/frozen'
import { idSchema, nameSchema } from '../base/idSchema'
import { asIssue } from '../base/schemaFault'
import { routeEffects } from '../book/partSchema'
import { gaugeKinds } from '../gauge/gaugeKinds'
import { figureText, limitText, page, typedDocumentSchema } from './typedSchema'

const source = z.strictObject({ document: typedDocumentSchema, page })
const words = (most: number) => z.string().trim().max(most)

/** One end of a fit's clearance as the document limits it. */
const endSchema = z.strictObject({ side: z.enum(['lower', 'upper']), wear: limitText, plan: limitText.nullable() })

const fitSchema = z.strictObject({
  of: z.literal('fit'),
  name: nameSchema,
  /** A kind of `mateKinds`, its sides by the names that kind has for them; null: left out. */
  mate: z.strictObject({
    kind: z.string().min(1).max(40),
    sides: z.record(z.string().regex(/^\w{1,20}$/), idSchema.nullable()),
    figures: z.record(z.string().regex(/^\w{1,20}$/), figureText),
    choices: z.record(z.string().regex(/^\w{1,20}$/), z.string().min(1).max(40)),
  }),
  /** Part on which it is mended. */
  mendOn: idSchema,
  limits: z.array(endSchema).max(2),
  whenPassed: z.enum(['mend', 'replace']),
  instruction: words(400),
  source,
})

export const routeAdditionSchema = z.strictObject({
  of: z.literal('route'),
  part: idSchema,
  name: nameSchema,
  /** Measurements it brings back. */
  mends: z.array(idSchema).min(1, asIssue('nameWhatItMends')).max(40),
  /** What it does; left out where it was added before that was asked. */
  effect: z.enum(routeEffects).optional(),
  /** The size it leaves of the one measurement it works on, with what must come off at least to clean up; left out: none is named. */
  leaves: z.strictObject({ of: idSchema, least: figureText, greatest: figureText, cleanUp: figureText }).optional(),
  /** Fits and rings whose mate is made to suit what it leaves; left out: none. */
  suits: z.array(idSchema).max(20).optional(),
  /** Most that all work of its life may take off the new size; left out: nobody says. */
  mostOff: figureText.optional(),
  /** Finish it must have after the work, as the document gives it. */
  finish: z.string().trim().min(1).max(80).optional(),
  /** Null where nobody knows yet. */
  cost: z.number().min(0).max(1e9).nullable(),
  days: z.number().min(0).max(1e5).nullable(),
  source,
})

const ruleSchema = z.strictObject({
  of: z.literal('rule'),
  part: idSchema,
  rule: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('always') }),
    z.strictObject({ kind: z.literal('whenDisturbed') }),
    z.strictObject({ kind: z.literal('everyNth'), nth: z.int().min(2).max(20) }),
    z.strictObject({ kind: z.literal('afterHours'), hours: z.number().gt(0).max(1_000_000) }),
    z.strictObject({ kind: z.literal('afterStarts'), starts: z.int().min(1).max(10_000_000) }),
  ]),
  source,
})

const needSchema = z
  .strictObject({
    of: z.literal('need'),
    group: z.enum(['gauges', 'tools', 'consumables', 'safety', 'people']),
    name: nameSchema,
    quantity: words(40),
    /** Of a gauge: its kind, and nothing else has one. */
    gaugeKind: z.enum(gaugeKinds).optional(),
  })
  .refine(({ group, gaugeKind }) => (group === 'gauges') === (gaugeKind !== undefined), {
    path: ['gaugeKind'],
    message: asIssue('nameGaugeKind'),
  })

export const additionSchema = z.discriminatedUnion('of', [fitSchema, routeAdditionSchema, ruleSchema, needSchema])

export type Addition = Frozen<z.infer<typeof additionSchema>>
export type AdditionOf<K extends Addition['of']> = Extract<Addition, { readonly of: K }>
