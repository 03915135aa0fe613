import { z } from 'zod'
import { idSchema, placeSchema, uniqueIds } from '../base/idSchema'
import { quantityKinds } from '../quantity/kind'
import { parseFormula } from './formula'
import type { Method } from './method'

const positiveMm = z.number().gt(0).max(100_000)
const positive = z.number().gt(0).max(1e9)
const anyValue = z.number().min(-1e9).max(1e9)

const placesOf = <S extends z.ZodType<{ id: string }>>(schema: S) =>
  z.array(schema).min(1).max(200).refine(uniqueIds, 'two places have the same id')
const placesSchema = placesOf(placeSchema)
const clockSchema = placesOf(placeSchema.extend({ angleDeg: z.number().min(0).lt(360) })).refine(
  (places) => new Set(places.map(({ angleDeg }) => angleDeg)).size === places.length,
  'two places are at the same angle',
)
const walkSchema = z.enum(['stationFirst', 'directionFirst'])
const wearsSchema = z.enum(['larger', 'smaller'])
const repeatsAtLeast = z.int().min(1).max(12)

const diameterLayout = { stations: placesSchema, directions: placesSchema, walk: walkSchema }
const pointsLayout = {
  points: placesSchema,
  repeatsAtLeast: repeatsAtLeast.default(1),
  repeatabilityLimit: positive.nullable().default(null),
}

const stripScaleSchema = z
  .array(z.strictObject({ widthMm: positiveMm, clearanceMm: positiveMm }))
  .min(2)
  .refine((scale) => new Set(scale.map((point) => point.widthMm)).size === scale.length, 'two scale points have the same width')
  .refine((scale) => {
    const byWidth = [...scale].sort((a, b) => a.widthMm - b.widthMm)
    return byWidth.every((point, index) => index === 0 || point.clearanceMm < (byWidth[index - 1]?.clearanceMm ?? 0))
  }, 'a wider strip must mean a smaller clearance')

/** How a characteristic is measured, as a limit book sets it up. */
export const methodSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('outsideDiameter'), ...diameterLayout }),
  z.strictObject({
    kind: z.literal('boreDiameter'),
    masterMm: positiveMm.nullable(),
    masterWithinMm: z.number().min(0).max(1).optional(),
    unworn: z.string().min(1).max(8).optional(),
    ...diameterLayout,
  }),
  z.strictObject({
    kind: z.literal('size'),
    what: z.enum(['length', 'width', 'thickness', 'height', 'depth']),
    wears: wearsSchema,
    ...pointsLayout,
  }),
  z.strictObject({ kind: z.literal('grooveWidth'), ...pointsLayout }),
  z.strictObject({
    kind: z.literal('ringEndGap'),
    segments: placesSchema,
    springs: z.enum(['outward', 'inward']),
    referenceDiameterMm: positiveMm,
    runsIn: idSchema,
  }),
  z.strictObject({ kind: z.literal('sideClearance'), ...pointsLayout }),
  z.strictObject({ kind: z.literal('gapAtPositions'), positions: clockSchema, wears: wearsSchema }),
  z.strictObject({ kind: z.literal('endFloat'), repeatsAtLeast, repeatabilityLimit: positive }),
  z.strictObject({
    kind: z.literal('radialPlay'),
    repeatsAtLeast,
    repeatabilityLimit: positive,
    lever: z.strictObject({ dialMm: positiveMm, bearingMm: positiveMm }).nullable(),
  }),
  z.strictObject({
    kind: z.literal('runout'),
    stations: placesOf(placeSchema.extend({ atMm: z.number().min(0).max(1_000_000).nullable() })),
    angles: clockSchema,
  }),
  z.strictObject({
    kind: z.literal('plasticStrip'),
    stations: placesSchema,
    direction: placeSchema,
    sides: z.tuple([placeSchema, placeSchema]).optional(),
    apartMm: positiveMm.optional(),
    scale: stripScaleSchema,
    scaleUncertaintyMm: z.number().min(0).max(1),
  }),
  z.strictObject({
    kind: z.literal('capPinch'),
    shims: placesSchema,
    wires: placesSchema,
    shimsWithinMm: z.number().min(0).max(10),
  }),
  z.strictObject({ kind: z.literal('shellCrush'), ...pointsLayout }),
  z.strictObject({ kind: z.literal('alignment'), positions: clockSchema, faceDiameterMm: positiveMm.nullable() }),
  z.strictObject({ kind: z.literal('setDimension'), ...pointsLayout }),
  z.strictObject({ kind: z.literal('contactPattern'), rows: placesSchema, columns: placesSchema, walk: walkSchema }),
  z.strictObject({ kind: z.literal('straightness'), ...pointsLayout }),
  z.strictObject({
    kind: z.literal('spring'),
    longerMm: positiveMm,
    shorterMm: positiveMm,
    workingMm: positiveMm,
    newLoadN: positive,
    repeatsAtLeast,
    repeatabilityLimit: positive.nullable().default(null),
  }),
  z.strictObject({
    kind: z.literal('openingPressure'),
    setBar: positive,
    repeatsAtLeast,
    repeatabilityLimit: positive,
    holdSeconds: positive.nullable(),
    looksForDrip: z.boolean(),
  }),
  z.strictObject({
    kind: z.literal('torque'),
    fasteners: placesSchema,
    arranged: z.enum(['circle', 'rows']),
    taken: z.enum(['loosening', 'tighteningFurther', 'final']),
    targetNm: positive,
  }),
  z.strictObject({ kind: z.literal('markAlignment'), ...pointsLayout }),
  z.strictObject({ kind: z.literal('backlash'), what: z.enum(['backlash', 'toothThickness', 'span']), ...pointsLayout }),
  z.strictObject({
    kind: z.literal('elements'),
    groups: placesOf(placeSchema.extend({ count: z.int().min(1).max(400) })),
    arranged: z.enum(['rings', 'rows']),
    element: z.string().min(1).max(40),
    damagedFromPercent: z.number().gt(0).max(100),
  }),
  z.strictObject({ kind: z.literal('remaining'), what: z.string().min(1).max(40), ...pointsLayout }),
  z.strictObject({ kind: z.literal('meter'), quantity: z.enum(quantityKinds), wears: wearsSchema, ...pointsLayout }),
  z.strictObject({
    kind: z.literal('benchTest'),
    quantity: z.enum(quantityKinds),
    points: placesOf(placeSchema.extend({ least: anyValue.nullable(), greatest: anyValue.nullable() })),
  }),
  z.strictObject({
    kind: z.literal('lookedAt'),
    points: placesSchema,
    question: z.string().min(1).max(200),
    wanted: z.enum(['yes', 'no']),
  }),
  z.strictObject({
    kind: z.literal('computed'),
    formula: z.string().min(1).max(400),
    names: z.record(
      z.string().regex(/^[A-Za-z]\w{0,20}$/),
      z.strictObject({ characteristic: idSchema, value: z.string().min(1).max(40) }),
    ),
    quantity: z.enum(quantityKinds),
    wears: wearsSchema,
  }),
]) satisfies z.ZodType<Method>

/** What else must hold of a method taken by itself; a sentence for each fault. */
export function methodFaults(method: Method): string[] {
  switch (method.kind) {
    case 'spring':
      return method.longerMm > method.shorterMm ? [] : ['the longer length must be longer than the shorter one']
    case 'boreDiameter':
      return method.unworn === undefined || method.stations.some(({ id }) => id === method.unworn)
        ? []
        : [`no station “${method.unworn}” to be unworn`]
    case 'computed': {
      const parsed = parseFormula(method.formula, Object.keys(method.names))
      return parsed.ok ? [] : [parsed.fault]
    }
    default:
      return []
  }
}
