import { z } from 'zod'
import { daySchema, idSchema, instantSchema } from '../base/idSchema'
import type { LimitBook } from '../book/bookSchema'
import { gaugeSchema } from '../gauge/gaugeSchema'
import { entrySchema } from '../notes/entrySchema'
import { dispositions } from '../policy/disposition'
import { policySchema } from '../policy/policySchema'
import { meters } from '../quantity/meter'
import { overhaulBounds } from './overhaulBounds'
import { OWN_WAY } from './ownWay'
import { readingSchema } from './readingSchema'
import { recordFormat } from './recordFormat'

const overhaulShape = {
  overhaul: z.string().min(1).max(overhaulBounds.name),
  date: daySchema,
  runningHours: z.int().min(0).max(10_000_000),
  /** Starts counted so far, where anybody counts them. */
  starts: z.int().min(0).max(10_000_000).optional(),
  /** Serial or mark of the installed part, by part id: a replaced part starts a new wear line. */
  installed: z.record(idSchema, z.string().min(1).max(overhaulBounds.mark)),
  readings: z.array(readingSchema).max(overhaulBounds.readings),
}

/** A record as it is written, its book read by this schema; whether it holds together, recordReferences.ts says. */
export const recordShapeWith = <B extends z.ZodType<LimitBook>>(bookSchema: B) =>
  z.strictObject({
    format: z.literal(recordFormat.format),
    version: z.literal(recordFormat.version),
    machine: z.strictObject({
      id: idSchema,
      station: z.string().min(1).max(120),
      name: z.string().min(1).max(120),
      units: z.enum(['metric', 'inch']),
      /** What its running is counted in; hours where nothing is said. */
      meter: z.enum(meters).optional(),
    }),
    job: z.strictObject({
      id: idSchema,
      ...overhaulShape,
      /** Hours it must run until the next overhaul. */
      mustRunHours: z.int().min(0).max(1_000_000),
      /** Inspection level of the book; null where the book has none: then everything is measured. */
      level: idSchema.nullable().default(null),
      /** What the owner complained of; empty when nothing. */
      complaint: z.string().max(1000).default(''),
      /** When it must be back. */
      returnBy: daySchema.nullable().default(null),
      policy: policySchema,
      /** Ticks, tags, findings and all else noted around the job, oldest first. */
      entries: z.array(entrySchema).max(200_000).default([]),
    }),
    book: bookSchema,
    gauges: z.array(gaugeSchema),
    /** Earlier overhauls of the same machine, oldest first. */
    history: z.array(z.strictObject(overhaulShape)).max(overhaulBounds.overhauls),
    /** The inspector's verdicts; the last one per part stands. */
    decisions: z.array(
      z.strictObject({
        id: z.uuid(),
        part: idSchema,
        recommended: z.enum([...dispositions, 'hold']),
        decided: z.enum(dispositions),
        /** Why it departs from the recommended verdict; null when it agrees. */
        reason: z.string().min(1).max(1000).nullable(),
        /** Route it is reconditioned by, where one was chosen; OWN_WAY for one that is in no book. */
        route: z.union([idSchema, z.literal(OWN_WAY)]).optional(),
        by: z.string().min(1).max(120),
        at: instantSchema,
      }),
    ),
  })

export type InspectionRecord = z.infer<ReturnType<typeof recordShapeWith<z.ZodType<LimitBook>>>>
export type Overhaul = InspectionRecord['history'][number]
export type Decision = InspectionRecord['decisions'][number]
