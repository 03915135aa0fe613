/** The part of a limit book that says how a machine is opened: levels, procedure, positions, joints, cautions, findings. */

import { z } from 'zod'
import { idSchema, nameSchema, names, placeSchema, sourceSchema, uniqueIds } from '../base/idSchema'
import { asIssue } from '../base/schemaFault'
import { findingKindIds, handTestKinds, severities } from '../condition/findingKinds'
import { gaugeKinds } from '../gauge/gaugeKinds'
import { dispositions as verdictLevels } from '../policy/disposition'
import { figure } from '../quantity/figureSchema'
import { lengthMmSchema } from '../quantity/valueSchema'
import { licensedFields } from '../safety/cautions'
import { phases, stops } from './phases'

const needSchema = z.strictObject({ id: idSchema, name: nameSchema })
const shortText = z.string().max(400)

/** An inspection level: what it measures, what it needs laid out, and the gate it may end with. */
const levelSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  about: shortText,
  /** Characteristics measured; all of the book's for a full overhaul. */
  measures: z.union([z.literal('all'), z.array(names.characteristics).max(500)]),
  /** Parts that are renewed always are renewed at this level. */
  renews: z.boolean(),
  /** When one of these is not within its limits, the level grows to another. */
  gate: z.strictObject({ measures: z.array(names.characteristics).min(1), grows: names.levels }).nullable(),
  needs: z.strictObject({
    gauges: z.array(
      z.strictObject({
        id: idSchema,
        kind: z.enum(gaugeKinds),
        name: nameSchema,
        /** Class asked: greatest permissible error it may have, mm; null where any will do. */
        maximumPermissibleError: figure(z.number().gt(0), 'length').nullable(),
        /** Sizes it must reach, mm; several gauges together may. */
        sizesMm: z.array(lengthMmSchema).max(20).default([]),
      }),
    ),
    tools: z.array(needSchema),
    consumables: z.array(z.strictObject({ id: idSchema, name: nameSchema, quantity: z.string().min(1).max(40) })),
    safety: z.array(needSchema),
    people: z.array(z.strictObject({ id: idSchema, name: nameSchema, licensed: z.enum(licensedFields).nullable() })),
  }),
})

const stepSchema = z.strictObject({
  id: idSchema,
  /** Levels it belongs to. */
  levels: z.array(names.levels).min(1),
  phase: z.enum(phases),
  name: nameSchema,
  text: z.string().max(1000),
  /** Cautions shown with it, from the common ones and the book's own. */
  cautions: z.array(names.cautions).default([]),
  /** It cannot be skipped, and what comes after waits for it. */
  holdPoint: z.boolean().default(false),
  /** Waiting that must be over before it is done: cooling down, bleeding down. */
  wait: z
    .strictObject({ minutes: z.int().min(1).max(10_000), for: nameSchema })
    .nullable()
    .default(null),
  /** Positions taken out in this step. */
  removes: z.array(names.positions).default([]),
  /** Positions cut or destroyed to get them off: a picture or their sizes come first. */
  destroys: z.array(names.positions).default([]),
  /** Measurements taken in this step. */
  measures: z.array(names.characteristics).default([]),
  /** How far it goes and no further, with what that is in words. */
  stop: z.strictObject({ at: z.enum(stops), text: nameSchema }).optional(),
  source: sourceSchema.nullable().default(null),
})

/** Where along the thing it sits on, counted from one end, and on which side: the first from the drive side, inboard. */
export const alongSchema = z.strictObject({
  order: z.int().min(1).max(999),
  side: z.string().trim().min(1).max(80).optional(),
})

const positionSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  parent: names.positions.nullable(),
  along: alongSchema.optional(),
  /** Part of this book that is fitted here; null where the book judges none. */
  part: names.parts.nullable().default(null),
  /** Pieces the book says are here. */
  count: z.int().min(1).max(999).default(1),
  /** Ways it can face; one is noted when it comes out. */
  faces: z.array(z.string().min(1).max(80)).max(8).default([]),
  /** What has a clock direction here: ring gaps, drains, grease points. */
  clock: z.string().max(80).nullable().default(null),
  /** Positions it stays with. */
  keptWith: z.array(names.positions).default([]),
  /** What may fall or fly when this comes out, named before the step. */
  loose: z.string().max(200).nullable().default(null),
  thread: z.enum(['left', 'right']).nullable().default(null),
  /** A fastener kept apart: heat-resisting, fitted bolt. */
  special: z.string().max(120).nullable().default(null),
  /** What is asked when it comes out: thickness of a gasket or shim, sizes that identify it. */
  asks: z.enum(['nothing', 'thickness', 'bearing', 'seal', 'thread']).default('nothing'),
  /** Form of its sketch, and the stations along it, for places of findings. */
  form: z.enum(['round', 'flat']).default('round'),
  stations: z.array(placeSchema).max(12).refine(uniqueIds, asIssue('stationsSameId')).default([]),
})

const jointSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  between: z.tuple([names.positions, names.positions]),
  /** Mark the book expects there; null where it says only that one is made. */
  mark: z.string().max(80).nullable(),
})

const cautionSchema = z.strictObject({
  id: idSchema,
  text: z.string().min(1).max(300),
  licensed: z.enum(licensedFields).nullable(),
})

const temporarySchema = z.strictObject({ id: idSchema, name: nameSchema, where: z.string().max(120) })

/** What the book says about a kind of finding on a part. */
const findingRuleSchema = z.strictObject({
  id: idSchema,
  /** The part it decides. */
  part: names.parts,
  /** The part the finding is on, where that is another one: what holds it, or what it runs on. */
  foundOn: names.parts.optional(),
  kinds: z.array(z.enum(findingKindIds)).min(1),
  severityAtLeast: z.enum(severities),
  asks: z.enum(verdictLevels),
  /** Route that mends it where it asks for reconditioning. */
  route: names.routes.nullable(),
  text: z.string().min(1).max(400),
  /** Measurements that confirm it. */
  confirm: z.array(names.characteristics).default([]),
  source: sourceSchema,
})

const patternSchema = z.strictObject({
  id: idSchema,
  part: names.parts,
  name: nameSchema,
  element: z.string().min(1).max(40),
  arrangement: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('ring'), count: z.int().min(2).max(400) }),
    z.strictObject({
      kind: z.literal('rows'),
      rows: z.int().min(1).max(40),
      perRow: z.int().min(1).max(200),
      closed: z.boolean(),
    }),
  ]),
  limits: z.strictObject({
    brokenAtMost: z.int().min(0).max(400),
    adjacentAtMost: z.int().min(1).max(400),
    wornFractionAtMost: z.number().min(0).max(1).nullable(),
  }),
  asks: z.enum(['recondition', 'replace']),
  route: names.routes.nullable(),
  instruction: shortText,
  source: sourceSchema,
})

const handTestSchema = z.strictObject({
  id: idSchema,
  part: names.parts,
  kind: z.enum(handTestKinds),
  name: nameSchema,
  how: shortText,
})

/** Every list may be empty: a book can hold limits alone. */
export const procedureShape = {
  levels: z.array(levelSchema).max(20).default([]),
  cautions: z.array(cautionSchema).default([]),
  procedure: z.array(stepSchema).max(5000).default([]),
  positions: z.array(positionSchema).max(2000).default([]),
  joints: z.array(jointSchema).default([]),
  temporaries: z.array(temporarySchema).default([]),
  findingRules: z.array(findingRuleSchema).default([]),
  patterns: z.array(patternSchema).default([]),
  handTests: z.array(handTestSchema).default([]),
}

export type InspectionLevel = z.infer<typeof levelSchema>
export type BookStep = z.infer<typeof stepSchema>
export type BookPosition = z.infer<typeof positionSchema>
export type Joint = z.infer<typeof jointSchema>
export type FindingRule = z.infer<typeof findingRuleSchema>
export type PatternSpec = z.infer<typeof patternSchema>
export type HandTest = z.infer<typeof handTestSchema>
