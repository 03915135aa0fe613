import { z } from 'zod'
import { cycleIn } from '../base/cyclic'
import { daySchema, idSchema, nameSchema, sourceSchema, uniqueIds } from '../base/idSchema'
import { gaugeKinds } from '../gauge/gauge'
import type { Limit } from '../limit/limit'
import { checkFormula, parseFormula } from '../method/formula'
import { isValueOf, quantityOfValue } from '../method/gives'
import { methodFaults, methodSchema } from '../method/methodSchema'
import { type ReductionName, reductionNames } from '../method/reduction'
import { type QuantityKind, quantityKinds } from '../quantity/kind'
import { lengthMmSchema, valueSchema } from '../quantity/valueSchema'
import { commonCautions } from '../safety/cautions'
import { procedureShape } from './procedureSchema'

const positiveMm = z.number().gt(0).max(100_000)

const limitSchema = z
  .strictObject({
    id: idSchema,
    judges: z.enum(reductionNames),
    side: z.enum(['upper', 'lower']),
    plan: valueSchema.nullable(),
    wear: valueSchema,
    whenPassed: z.enum(['mend', 'replace']),
    /** Routes that mend this limit, where not every route of the characteristic does; empty: none. */
    mendedBy: z.array(idSchema).max(20).optional(),
    instruction: z.string().max(400),
    source: sourceSchema,
  })
  .refine((limit) => limit.plan === null || (limit.side === 'upper' ? limit.plan <= limit.wear : limit.plan >= limit.wear), {
    path: ['plan'],
    message: 'the plan limit must come before the wear limit',
  }) satisfies z.ZodType<Limit>

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

/** How a value may move from one measurement to the next: least and greatest growth, either of which may be open. */
const changeLimitSchema = z
  .strictObject({
    id: idSchema,
    judges: z.enum(reductionNames),
    /** From as found to after work or as left of this overhaul, or from how the last overhaul left it to as found. */
    from: z.enum(['lastOverhaul', 'asFound', 'afterWork']),
    to: z.enum(['asFound', 'afterWork', 'asLeft']),
    least: valueSchema.nullable(),
    greatest: valueSchema.nullable(),
    /** Every place is held against it, not the one value alone. */
    eachPlace: z.literal(true).optional(),
    /** What the book wants when it is passed; left out: nothing until the reason is found. */
    whenPassed: z.enum(['mend', 'replace']).optional(),
    instruction: z.string().max(400),
    source: sourceSchema,
  })
  .refine(({ least, greatest }) => least !== null || greatest !== null, 'a change limit bounds at least one side')
  .refine(
    ({ least, greatest }) => least === null || greatest === null || least <= greatest,
    'the least change is above the greatest',
  )
  .refine(({ from, to }) => changeOrder[from] < changeOrder[to], 'a change goes forward: from an earlier stage to a later one')
const changeOrder = { lastOverhaul: 0, asFound: 1, afterWork: 2, asLeft: 3 } as const

const characteristicSchema = z.strictObject({
  id: idSchema,
  part: idSchema,
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
  showTo: z.number().gt(0).max(1000),
  /** Linear expansion of the part, per K; without it no temperature is corrected. */
  expansionPerK: z.number().gt(0).max(1e-3).optional(),
  /** What must be done before each repeat, in words: turn the shaft over, squeeze the oil film out. */
  beforeRepeats: z.string().max(200).optional(),
  /** Null where no document gives a new size. */
  new: z
    .strictObject({ nominal: valueSchema, lower: valueSchema, upper: valueSchema, source: sourceSchema })
    .refine((size) => size.lower <= size.upper, {
      path: ['lower'],
      message: 'the lower limit of size is above the upper one',
    })
    .nullable(),
  /** The first limit is the one the ribbon and the wear line show; none where the value is information only. */
  limits: z.array(limitSchema).max(20).refine(uniqueIds, 'two limits have the same id'),
  /** Safety-marked: departing from the recommended verdict needs the reviewer. */
  safety: z.boolean(),
  /** There is nothing to find: a final torque, a standoff, a mark made. It is asked for as the part is left. */
  asLeftOnly: z.literal(true).optional(),
  /** What may change from stage to stage, and from overhaul to overhaul. */
  changes: z.array(changeLimitSchema).max(20).refine(uniqueIds, 'two change limits have the same id').optional(),
  /** Only inside a job: its limits were typed there. */
  typed: typedMarkSchema.optional(),
})

const routeSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Characteristics it brings back. */
  mends: z.array(idSchema).min(1),
  /** Sizes it may leave, where the route cuts; null where it rebuilds the surface. */
  sizeAfter: z
    .strictObject({
      characteristic: idSchema,
      leastMm: positiveMm,
      greatestMm: positiveMm,
      cleanUpMm: z.number().min(0).max(100),
    })
    .nullable(),
  /** Fits and rings whose mate is made to suit with this route: an undersize shell, an oversize piston. */
  suits: z.array(idSchema).max(20).optional(),
  cost: z.number().min(0),
  days: z.number().min(0),
  source: sourceSchema,
})

const partSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** Assembly it belongs to. */
  assembly: nameSchema,
  /** Where it sits, in words. */
  position: nameSchema,
  renewedAlways: z.boolean(),
  /** Null where nobody knows yet what a new one costs. */
  replacement: z.strictObject({ cost: z.number().min(0), days: z.number().min(0) }).nullable(),
  routes: z.array(routeSchema).max(20),
  /** Only inside a job: the part was named there. */
  typed: z.literal(true).optional(),
})

const fitSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  bore: idSchema,
  journal: idSchema,
  strip: idSchema.nullable(),
  /** The book demands both ways, strip and measured parts: neither may be left out. */
  bothWays: z.literal(true).optional(),
  /** New clearance band, mm. */
  new: z.strictObject({ lower: lengthMmSchema, upper: lengthMmSchema, source: sourceSchema }),
  limits: z.array(limitSchema).min(1).max(8),
  /** Part on which the book mends this fit. */
  mendOn: idSchema,
  showTo: z.number().gt(0).max(10),
})

/** Something known twice: two formulas over results that must give the same. */
const closingSchema = z.strictObject({
  id: idSchema,
  name: nameSchema,
  /** The one way it is known, and the other; `names` says what each name in them stands for. */
  known: z.string().min(1).max(400),
  also: z.string().min(1).max(400),
  names: z.record(
    z.string().regex(/^[A-Za-z]\w{0,20}$/),
    z.strictObject({ characteristic: idSchema, value: z.string().min(1).max(40) }),
  ),
  quantity: z.enum(quantityKinds),
  /** What they may differ by besides their uncertainty: form, deposits, the pose. */
  within: z.number().min(0).max(1e6),
  /** The book demands that both ways are measured. */
  demanded: z.literal(true).optional(),
  /** Held at every place that all of them have, not once over all. */
  eachPlace: z.literal(true).optional(),
  showTo: z.number().gt(0).max(1000),
  source: sourceSchema.nullable(),
})

/** A limit book revision: what one family of machines is measured against. Immutable once issued. */
export const bookSchema = z
  .strictObject({
    format: z.literal('medida-limit-book'),
    version: z.literal(2),
    id: idSchema,
    title: nameSchema,
    revision: z.string().min(1).max(20),
    /** Null for a draft, and for a job that is measured without a book: then it may still be empty. */
    issued: daySchema.nullable(),
    currency: z.string().length(3),
    documents: z.array(
      z.strictObject({
        id: z.string().min(1).max(40),
        title: nameSchema,
        revision: z.string().max(40),
        /** Only inside a job: the document was named there. */
        typed: z.literal(true).optional(),
      }),
    ),
    parts: z.array(partSchema),
    characteristics: z.array(characteristicSchema),
    fits: z.array(fitSchema),
    closings: z.array(closingSchema).max(200).refine(uniqueIds, 'two closings have the same id').optional(),
    ...procedureShape,
  })
  .superRefine((book, context) => {
    const fault = (path: (string | number)[], message: string): void => context.addIssue({ code: 'custom', path, message })
    if (book.issued !== null)
      for (const list of ['documents', 'parts', 'characteristics'] as const)
        if (book[list].length === 0) fault([list], 'an issued book has at least one')
    const parts = new Set(book.parts.map((part) => part.id))
    const characteristics = new Map(book.characteristics.map((characteristic) => [characteristic.id, characteristic]))
    const documents = new Set(book.documents.map((document) => document.id))
    if (parts.size !== book.parts.length) fault(['parts'], 'two parts have the same id')
    if (characteristics.size !== book.characteristics.length) fault(['characteristics'], 'two characteristics have the same id')

    const checkSource = (source: { document: string }, path: (string | number)[]): void => {
      if (!documents.has(source.document)) fault([...path, 'document'], `no document “${source.document}” in this book`)
    }
    const checkCharacteristic = (id: string, path: (string | number)[], kinds?: readonly string[]): void => {
      const found = characteristics.get(id)
      if (!found) fault(path, `no characteristic “${id}” in this book`)
      else if (kinds && !kinds.includes(found.method.kind)) fault(path, `“${id}” is not measured by ${kinds.join(' or ')}`)
    }

    /** What the names of a formula stand for must be here, and give that value. */
    const checkNames = (
      names: Readonly<Record<string, { characteristic: string; value: string }>>,
      path: (string | number)[],
    ): boolean => {
      let isKnown = true
      for (const [name, of] of Object.entries(names)) {
        checkCharacteristic(of.characteristic, [...path, name])
        const found = characteristics.get(of.characteristic)
        if (found && isValueOf(found.method, of.value)) continue
        isKnown = false
        if (found) fault([...path, name], `“${of.characteristic}” has no value “${of.value}”`)
      }
      return isKnown
    }

    book.characteristics.forEach((characteristic, index) => {
      const path = ['characteristics', index]
      if (!parts.has(characteristic.part)) fault([...path, 'part'], `no part “${characteristic.part}” in this book`)
      if (characteristic.method.kind === 'ringEndGap')
        checkCharacteristic(characteristic.method.runsIn, [...path, 'method', 'runsIn'], ['boreDiameter', 'outsideDiameter'])
      if (characteristic.new) checkSource(characteristic.new.source, [...path, 'new', 'source'])
      for (const sentence of methodFaults(characteristic.method)) fault([...path, 'method'], sentence)
      if (characteristic.method.kind === 'computed') checkNames(characteristic.method.names, [...path, 'method', 'names'])
      characteristic.limits.forEach((limit, at) => {
        if (!isValueOf(characteristic.method, limit.judges))
          fault([...path, 'limits', at, 'judges'], `this method gives no “${limit.judges}”`)
      })
      characteristic.limits.forEach((limit, at) => {
        const routes = book.parts.find(({ id }) => id === characteristic.part)?.routes ?? []
        limit.mendedBy?.forEach((id, place) => {
          if (!routes.some((route) => route.id === id))
            fault([...path, 'limits', at, 'mendedBy', place], `part “${characteristic.part}” has no route “${id}”`)
        })
      })
      characteristic.limits.forEach((limit, at) => checkSource(limit.source, [...path, 'limits', at, 'source']))
      characteristic.changes?.forEach((change, at) => {
        if (!isValueOf(characteristic.method, change.judges))
          fault([...path, 'changes', at, 'judges'], `this method gives no “${change.judges}”`)
        checkSource(change.source, [...path, 'changes', at, 'source'])
      })
    })
    book.parts.forEach((part, index) =>
      part.routes.forEach((route, at) => {
        const path = ['parts', index, 'routes', at]
        route.mends.forEach((id, place) => checkCharacteristic(id, [...path, 'mends', place]))
        route.suits?.forEach((id, place) => {
          if (!characteristics.has(id) && !book.fits.some((fit) => fit.id === id))
            fault([...path, 'suits', place], `no fit or ring “${id}” in this book`)
        })
        if (route.sizeAfter)
          checkCharacteristic(
            route.sizeAfter.characteristic,
            [...path, 'sizeAfter', 'characteristic'],
            ['boreDiameter', 'outsideDiameter'],
          )
        checkSource(route.source, [...path, 'source'])
      }),
    )
    book.fits.forEach((fit, index) => {
      const path = ['fits', index]
      checkCharacteristic(fit.bore, [...path, 'bore'], ['boreDiameter'])
      checkCharacteristic(fit.journal, [...path, 'journal'], ['outsideDiameter'])
      if (fit.strip !== null) checkCharacteristic(fit.strip, [...path, 'strip'], ['plasticStrip'])
      if (!parts.has(fit.mendOn)) fault([...path, 'mendOn'], `no part “${fit.mendOn}” in this book`)
      checkSource(fit.new.source, [...path, 'new', 'source'])
      fit.limits.forEach((limit, at) => checkSource(limit.source, [...path, 'limits', at, 'source']))
    })

    book.closings?.forEach((closing, index) => {
      const path = ['closings', index]
      const isKnown = checkNames(closing.names, [...path, 'names'])
      const kindOf = (name: string): QuantityKind => {
        const of = closing.names[name]
        const found = of && characteristics.get(of.characteristic)
        return found ? quantityOfValue(found.method, of.value as ReductionName) : closing.quantity
      }
      for (const key of ['known', 'also'] as const) {
        const parsed = parseFormula(closing[key], Object.keys(closing.names))
        const sentence = !parsed.ok ? parsed.fault : isKnown ? checkFormula(parsed.value, kindOf, closing.quantity) : null
        if (sentence) fault([...path, key], sentence)
      }
      if (closing.source) checkSource(closing.source, [...path, 'source'])
    })

    // How the machine is opened: every name must be one of this book.
    const among = (ids: Iterable<string>, what: string) => {
      const known = new Set(ids)
      return (id: string, path: (string | number)[]): void => {
        if (!known.has(id)) fault(path, `no ${what} “${id}” in this book`)
      }
    }
    const unique = (items: readonly { id: string }[], key: string): void => {
      if (!uniqueIds(items)) fault([key], 'two entries have the same id')
    }
    for (const key of [
      'levels',
      'cautions',
      'procedure',
      'positions',
      'joints',
      'temporaries',
      'findingRules',
      'patterns',
      'handTests',
    ] as const)
      unique(book[key], key)
    const isLevel = among(
      book.levels.map(({ id }) => id),
      'level',
    )
    const isPosition = among(
      book.positions.map(({ id }) => id),
      'position',
    )
    const isPart = among(parts, 'part')
    const isCaution = among(
      [...commonCautions, ...book.cautions].map(({ id }) => id),
      'caution',
    )
    const isRouteOf = (part: string, route: string, path: (string | number)[]): void => {
      if (!book.parts.find(({ id }) => id === part)?.routes.some(({ id }) => id === route))
        fault(path, `part “${part}” has no route “${route}”`)
    }

    book.levels.forEach((level, index) => {
      const path = ['levels', index]
      if (level.measures !== 'all') level.measures.forEach((id, at) => checkCharacteristic(id, [...path, 'measures', at]))
      if (level.gate === null) return
      isLevel(level.gate.grows, [...path, 'gate', 'grows'])
      if (level.gate.grows === level.id) fault([...path, 'gate', 'grows'], 'a level cannot grow to itself')
      level.gate.measures.forEach((id, at) => {
        checkCharacteristic(id, [...path, 'gate', 'measures', at])
        if (level.measures !== 'all' && !level.measures.includes(id))
          fault([...path, 'gate', 'measures', at], `“${id}” decides the gate, so the level must measure it`)
      })
    })
    book.procedure.forEach((step, index) => {
      const path = ['procedure', index]
      step.levels.forEach((id, at) => isLevel(id, [...path, 'levels', at]))
      step.cautions.forEach((id, at) => isCaution(id, [...path, 'cautions', at]))
      step.removes.forEach((id, at) => isPosition(id, [...path, 'removes', at]))
      step.destroys.forEach((id, at) => isPosition(id, [...path, 'destroys', at]))
      step.measures.forEach((id, at) => checkCharacteristic(id, [...path, 'measures', at]))
      if (step.source) checkSource(step.source, [...path, 'source'])
    })
    book.positions.forEach((position, index) => {
      const path = ['positions', index]
      if (position.parent !== null) isPosition(position.parent, [...path, 'parent'])
      if (position.part !== null) isPart(position.part, [...path, 'part'])
      position.keptWith.forEach((id, at) => isPosition(id, [...path, 'keptWith', at]))
    })
    const cycle = cycleIn(book.positions)
    if (cycle) fault(['positions'], `a position sits inside itself: ${cycle.join(' in ')}`)
    book.joints.forEach((joint, index) => joint.between.forEach((id, at) => isPosition(id, ['joints', index, 'between', at])))
    book.findingRules.forEach((rule, index) => {
      const path = ['findingRules', index]
      isPart(rule.part, [...path, 'part'])
      if (rule.route !== null) isRouteOf(rule.part, rule.route, [...path, 'route'])
      rule.confirm.forEach((id, at) => checkCharacteristic(id, [...path, 'confirm', at]))
      checkSource(rule.source, [...path, 'source'])
    })
    book.patterns.forEach((pattern, index) => {
      const path = ['patterns', index]
      isPart(pattern.part, [...path, 'part'])
      if (pattern.route !== null) isRouteOf(pattern.part, pattern.route, [...path, 'route'])
      checkSource(pattern.source, [...path, 'source'])
    })
    book.handTests.forEach((test, index) => isPart(test.part, ['handTests', index, 'part']))
  })

export type LimitBook = z.infer<typeof bookSchema>
export type Characteristic = LimitBook['characteristics'][number]
export type ChangeLimit = NonNullable<Characteristic['changes']>[number]
export type ClosingSpec = NonNullable<LimitBook['closings']>[number]
export type Part = LimitBook['parts'][number]
export type Route = Part['routes'][number]
export type FitSpec = LimitBook['fits'][number]
