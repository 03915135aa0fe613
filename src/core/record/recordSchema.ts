import { z } from 'zod'
import { daySchema, idSchema, instantSchema } from '../base/idSchema'
import { bookSchema } from '../book/bookSchema'
import { type Gauge, gaugeKinds } from '../gauge/gauge'
import { gaugeBounds } from '../gauge/gaugeBounds'
import type { Limit } from '../limit/limit'
import { acceptsSlot, formAt, quantityAt } from '../method/layout'
import type { Method } from '../method/method'
import { entrySchema } from '../notes/entrySchema'
import { typedIn } from '../notes/typedBook'
import { readTypedCharacteristic } from '../notes/typedCharacteristic'
import { levels } from '../policy/disposition'
import { type ChosenSchools, type School, schools } from '../policy/schools'
import { forComparison } from '../quantity/decimal'
import type { QuantityKind } from '../quantity/kind'
import { parseReading } from '../quantity/reading'
import { lengthMmSchema, valueSchema } from '../quantity/valueSchema'
import { overhaulBounds } from './overhaulBounds'
import { stages } from './stage'

export const gaugeSchema = z.strictObject({
  id: idSchema,
  code: z.string().min(1).max(40),
  name: z.string().min(1).max(120),
  kind: z.enum(gaugeKinds),
  resolution: z.number().gt(0).max(gaugeBounds.difference),
  maximumPermissibleError: z.number().min(0).max(gaugeBounds.difference),
  calibration: z
    .strictObject({
      expanded: z.number().min(0).max(gaugeBounds.difference),
      coverage: z.number().min(gaugeBounds.leastCoverage).max(gaugeBounds.greatestCoverage),
    })
    .nullable()
    .default(null),
  corrections: z
    .array(z.strictObject({ at: valueSchema, error: valueSchema }))
    .max(gaugeBounds.corrections)
    .default([]),
  repeatability: z.number().gt(0).max(gaugeBounds.difference).optional(),
  expansionPerK: z.number().gt(0).max(gaugeBounds.expansionPerK).nullable().default(null),
  range: z
    .strictObject({ least: valueSchema, greatest: valueSchema })
    .refine(({ least, greatest }) => least <= greatest, 'the range ends before it begins')
    .nullable()
    .default(null),
  calibrationDue: daySchema,
  replaced: z.literal(true).optional(),
}) satisfies z.ZodType<Gauge>

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

const readingSchema = z.strictObject({
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

const overhaulShape = {
  overhaul: z.string().min(1).max(overhaulBounds.name),
  date: daySchema,
  runningHours: z.int().min(0).max(10_000_000),
  /** Serial or mark of the installed part, by part id: a replaced part starts a new wear line. */
  installed: z.record(idSchema, z.string().min(1).max(overhaulBounds.mark)),
  readings: z.array(readingSchema).max(overhaulBounds.readings),
}

const answersOf = <S extends School>(school: S) =>
  z.enum(Object.keys(schools[school].answers) as [keyof (typeof schools)[S]['answers'] & string]).optional()

const schoolsSchema = z.strictObject({
  inDoubt: answersOf('inDoubt'),
  repeats: answersOf('repeats'),
  wornInMates: answersOf('wornInMates'),
  disturbed: answersOf('disturbed'),
  tightening: answersOf('tightening'),
  turning: answersOf('turning'),
  band: answersOf('band'),
}) satisfies z.ZodType<ChosenSchools>

export const policySchema = z.strictObject({
  /** How doubt near a limit is taken (domain word: acceptance). */
  acceptance: z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('simple') }),
    z.strictObject({ kind: z.literal('guarded'), guardFactor: z.number().min(0).max(5) }),
  ]),
  /** A part that would pass its wear limit before the next overhaul is worn. */
  mustLastTheInterval: z.boolean(),
  /** What counts as the clearance of a split bearing. */
  clearanceBy: z.enum(['measuredParts', 'strip']),
  /** Choices that no sum depends on, named on the report. */
  schools: schoolsSchema.optional(),
})

/** What a stored reading says must be what its text says; null when it does. */
function readingFault(reading: Reading, method: Method): { field: string; says: string } | null {
  if (reading.kind === 'cannot' || reading.kind === 'withdrawn')
    return reading.reason === null ? { field: 'reason', says: 'a reading that cannot be taken or is taken back says why' } : null
  const form = formAt(method, reading)
  const parsed = parseReading(reading.text, {
    form: form.kind === 'quantity' ? { ...form, masterMm: reading.masterMm } : form,
    defaultUnit: reading.defaultUnit,
  })
  // What was understood once and is not today is read all the same, and settles nothing (recordFaults, standing).
  if (!parsed.ok) return null
  const says = parsed.value
  if (says.kind !== reading.kind) return { field: 'kind', says: `the text is a ${says.kind}, the reading says ${reading.kind}` }
  const quantity = quantityAt(method, reading)
  if (says.kind === 'point')
    return same(says.value, reading.value, quantity)
      ? null
      : { field: 'value', says: `the text says ${says.exact}, the value says ${reading.value}` }
  if (says.kind === 'interval')
    return same(says.low, reading.low, quantity) && same(says.high, reading.high, quantity)
      ? null
      : { field: 'low', says: 'the ends are not those of the text' }
  return null
}

const sameLimits = (a: readonly Limit[], b: readonly Limit[]): boolean =>
  a.length === b.length &&
  a.every((limit, index) => {
    const other = b[index]
    return (
      other !== undefined &&
      limit.judges === other.judges &&
      limit.side === other.side &&
      same(limit.wear, other.wear) &&
      same(limit.plan, other.plan)
    )
  })

const same = (a: number | null, b: number | null, quantity: QuantityKind = 'length'): boolean =>
  a === null || b === null ? a === b : forComparison(a - b, quantity) === 0

/** One inspection with everything its results follow from: the open record format, version 2. */
export const recordSchema = z
  .strictObject({
    format: z.literal('medida-record'),
    version: z.literal(2),
    machine: z.strictObject({
      id: idSchema,
      station: z.string().min(1).max(120),
      name: z.string().min(1).max(120),
      units: z.enum(['metric', 'inch']),
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
        recommended: z.enum([...levels, 'hold']),
        decided: z.enum(levels),
        /** Why it departs from the recommended verdict; null when it agrees. */
        reason: z.string().min(1).max(1000).nullable(),
        by: z.string().min(1).max(120),
        at: instantSchema,
      }),
    ),
  })
  .superRefine((record, context) => {
    const fault = (path: (string | number)[], message: string): void => context.addIssue({ code: 'custom', path, message })
    const characteristics = new Map(record.book.characteristics.map((characteristic) => [characteristic.id, characteristic]))
    const gauges = new Set(record.gauges.map((gauge) => gauge.id))
    const parts = new Set(record.book.parts.map((part) => part.id))

    const checkReadings = (readings: readonly Reading[], path: (string | number)[]): void => {
      const byId = new Map(readings.map((reading) => [reading.id, reading]))
      if (byId.size !== readings.length) fault(path, 'two readings have the same id')
      const superseded = new Set<string>()
      readings.forEach((reading, index) => {
        const at = [...path, index]
        const characteristic = characteristics.get(reading.characteristic)
        if (!characteristic) {
          fault([...at, 'characteristic'], `no characteristic “${reading.characteristic}” in the book`)
          return
        }
        if (reading.gauge !== null && !gauges.has(reading.gauge))
          fault([...at, 'gauge'], `no gauge “${reading.gauge}” in this record`)
        if (!acceptsSlot(characteristic.method, reading)) fault([...at, 'station'], 'the method takes no reading at this place')
        const sentence = readingFault(reading, characteristic.method)
        if (sentence) fault([...at, sentence.field], sentence.says)
        if (reading.supersedes === null) return
        const corrected = byId.get(reading.supersedes)
        if (!corrected) fault([...at, 'supersedes'], 'the reading it corrects is not in this record')
        else if (
          corrected.characteristic !== reading.characteristic ||
          corrected.station !== reading.station ||
          corrected.direction !== reading.direction ||
          corrected.repeat !== reading.repeat ||
          corrected.stage !== reading.stage
        )
          fault([...at, 'supersedes'], 'a correction must stay at the place of the reading it corrects')
        if (superseded.has(reading.supersedes)) fault([...at, 'supersedes'], 'that reading is corrected twice')
        superseded.add(reading.supersedes)
        if (reading.reason === null) fault([...at, 'reason'], 'a correction says why')
      })
      const standing = new Map<string, number>()
      readings.forEach((reading, index) => {
        if (superseded.has(reading.id)) return
        const place = [reading.characteristic, reading.stage, reading.station, reading.direction, reading.repeat].join('/')
        if (standing.has(place)) fault([...path, index], 'two readings stand at the same place; one must correct the other')
        standing.set(place, index)
      })
    }

    const checkInstalled = (installed: Record<string, string>, path: (string | number)[]): void => {
      for (const part of Object.keys(installed)) if (!parts.has(part)) fault([...path, part], `no part “${part}” in the book`)
    }

    const typed = new Map(typedIn(record.job.entries).map((item) => [item.id, item]))
    record.book.characteristics.forEach((characteristic, index) => {
      if (!characteristic.typed) return
      const said = typed.get(characteristic.id)
      const read = said && readTypedCharacteristic(said, record.machine.units)
      if (!read?.ok || said?.entry !== characteristic.typed.entry || !sameLimits(read.value.limits, characteristic.limits))
        fault(['book', 'characteristics', index], 'its limits are not those that were typed in this job')
    })
    if (record.job.level !== null && !record.book.levels.some(({ id }) => id === record.job.level))
      fault(['job', 'level'], `no level “${record.job.level}” in the book`)
    if (new Set(record.job.entries.map(({ id }) => id)).size !== record.job.entries.length)
      fault(['job', 'entries'], 'two entries have the same id')
    checkReadings(record.job.readings, ['job', 'readings'])
    checkInstalled(record.job.installed, ['job', 'installed'])
    record.history.forEach((overhaul, index) => {
      checkReadings(overhaul.readings, ['history', index, 'readings'])
      checkInstalled(overhaul.installed, ['history', index, 'installed'])
      if (overhaul.runningHours > record.job.runningHours)
        fault(['history', index, 'runningHours'], 'an earlier overhaul has more running hours than this one')
    })
    record.decisions.forEach((decision, index) => {
      if (!parts.has(decision.part)) fault(['decisions', index, 'part'], `no part “${decision.part}” in the book`)
      if (decision.decided !== decision.recommended && decision.reason === null)
        fault(['decisions', index, 'reason'], 'a departure from the recommended verdict says why')
    })
  })

export type InspectionRecord = z.infer<typeof recordSchema>
export type Reading = z.infer<typeof readingSchema>
export type Overhaul = InspectionRecord['history'][number]
export type Policy = InspectionRecord['job']['policy']
export type Decision = InspectionRecord['decisions'][number]
