import type { Characteristic, CrossCheckSpec } from '../book/bookSchema'
import { coverageFactor, degreesOfFreedom, standardUncertainty } from '../gauge/errors'
import { type Formula, parseFormula } from '../method/formula'
import { quantityOf, quantityOfValue } from '../method/gives'
import { formAt, quantityAt, slotKey } from '../method/layout'
import { type Named, propagate } from '../method/propagate'
import { knownOf, type Reduced, type ReductionName } from '../method/reduction'
import { type PlaceOf, placeOf, type Where } from '../method/where'
import { exceeds } from '../quantity/decimal'
import { type Extent, extentOf } from '../quantity/extent'
import { isPoint, point } from '../quantity/interval'
import { signedFromMaster } from '../quantity/reading'
import type { UnitSystem } from '../quantity/unitSystem'
import { type ReductionsAt, reduce, sheetAt } from '../record/reduce'
import type { LaterStage, Stage } from '../record/stage'
import type { Taken, TakenSet } from '../record/standing'
import { candidatesOf } from '../slip/candidates'
import type { SlipKind } from '../slip/slip'
import type { Vote } from '../verdict/vote'
import { openVote } from '../verdict/vote'

/** A reading, or a whole characteristic, that would explain a misclosure. */
export interface Suspect {
  readonly characteristic: string
  /** Place of the reading; null for the characteristic as a whole. */
  readonly slot: { readonly station: string; readonly direction: string; readonly repeat: number } | null
  /** Where the value lies; null for a reading, which its slot names. */
  readonly where: Where | null
  readonly text: string | null
  /** One slip that would close the chain, with what should have been typed; null where none does. */
  readonly slip: { readonly kind: SlipKind; readonly text: string } | null
  /** By how much it would have to be another to close the chain, in its fixed unit, and in its own standard uncertainties. */
  readonly by: number
  readonly spreads: number | null
}

/** Something known twice, compared. */
export interface CrossCheckResult {
  readonly id: string
  readonly known: Extent | null
  readonly also: Extent | null
  /** known − also. */
  readonly misclosure: Extent | null
  /** Standard uncertainty of the misclosure, and what it may be in all. */
  readonly uncertainty: number
  readonly allowed: number
  /** Place that closes worst, where every place is held; null where it is held once. */
  readonly where: PlaceOf | null
  /** open: not both known yet, or not to figures that tell. */
  readonly standing: 'agrees' | 'disagrees' | 'open'
  /** Both ways are measured to the end: what is open then is open because a reading is a bound or a range. */
  readonly isMeasured: boolean
  /** Most likely first. */
  readonly suspects: readonly Suspect[]
  /** After work, as left: those at which everything it names was read again. */
  readonly stages?: readonly (Omit<CrossCheckResult, 'stages'> & { readonly stage: LaterStage })[]
}

export interface CrossCheckInput {
  readonly crossCheck: CrossCheckSpec
  readonly characteristicOf: (id: string) => Characteristic
  readonly setOf: (id: string) => TakenSet | undefined
  readonly reductionsOf: ReductionsAt
  readonly system: UnitSystem
}

const MOST_SUSPECTS = 5

/** Compares what is known twice within its uncertainty; where it does not close, names the readings most likely wrong. */
export function crossCheckOf(input: CrossCheckInput): CrossCheckResult {
  return input.crossCheck.eachPlace ? worstPlace(input) : crossCheckWith(input, valuesOf(input, input.reductionsOf), null)
}

type NamedValues = ReadonlyMap<string, Named>

function crossCheckWith(input: CrossCheckInput, values: NamedValues, where: PlaceOf | null): CrossCheckResult {
  const { crossCheck } = input
  const [known, also] = [formulaOf(crossCheck.known, crossCheck), formulaOf(crossCheck.also, crossCheck)]
  const difference = formulaOf(`(${crossCheck.known}) - (${crossCheck.also})`, crossCheck)
  const isThere = (formula: Formula): boolean => formula.names.every((name) => values.get(name)?.known.interval != null)
  const at = (formula: Formula): Extent | null =>
    isThere(formula) ? extentAt(propagate(formula, values, crossCheck.quantity, 0)?.value.interval ?? undefined) : null
  const found = isThere(difference) ? propagate(difference, values, crossCheck.quantity, 0) : null
  const nothing = {
    id: crossCheck.id,
    known: at(known),
    also: at(also),
    misclosure: null,
    uncertainty: 0,
    allowed: 0,
    where,
    isMeasured: false,
    suspects: [],
  }
  const misclosure = found?.value.interval
  if (!found || !misclosure) return { ...nothing, standing: 'open' }
  const { errors, reach } = found.value
  const uncertainty = standardUncertainty(errors)
  const doubt = coverageFactor(degreesOfFreedom(errors)) * uncertainty
  const allowed = doubt + crossCheck.within
  const both = { ...nothing, misclosure: extentOf(misclosure), uncertainty, allowed }
  // While readings are missing, or are taken again, both ways may still move.
  if (reach.low < misclosure.low || reach.high > misclosure.high) return { ...both, standing: 'open' }
  const kind = crossCheck.quantity
  const measured = { ...both, isMeasured: true }
  // Agreement says something only where disagreement would have shown: a doubt wider than the tolerance would have hidden it.
  const couldShow = crossCheck.within === 0 || !exceeds(doubt, crossCheck.within, kind)
  if (!exceeds(misclosure.high, allowed, kind) && !exceeds(-allowed, misclosure.low, kind))
    return { ...measured, standing: couldShow ? 'agrees' : 'open' }
  if (!exceeds(misclosure.low, allowed, kind) && !exceeds(-allowed, misclosure.high, kind))
    return { ...measured, standing: 'open' }
  const suspects = where === null ? suspectsOf(input, difference, misclosure.low, allowed) : []
  return { ...measured, standing: 'disagrees', suspects }
}

const RANK = { agrees: 0, open: 1, disagrees: 2 } as const

/** Held at every place that all the characteristics have; the place that stands worst is told. */
function worstPlace(input: CrossCheckInput): CrossCheckResult {
  const names = Object.entries(input.crossCheck.names)
  const sheets = names.map(([name, { characteristic: id }]) => {
    const characteristic = input.characteristicOf(id)
    const set = input.setOf(id)
    return { name, quantity: quantityOf(characteristic.method), places: set ? sheetAt(characteristic, set, 0).places : [] }
  })
  const results = (sheets[0]?.places ?? []).flatMap((place): CrossCheckResult[] => {
    const values = new Map<string, Named>()
    for (const { name, quantity, places } of sheets) {
      const own = places.find(({ station, direction }) => station === place.station && direction === place.direction)
      if (own) values.set(name, { quantity, known: own.known })
    }
    return values.size === sheets.length ? [crossCheckWith(input, values, placeOf(place))] : []
  })
  const [first, ...others] = results
  if (!first) return crossCheckWith(input, new Map(), null)
  return others.reduce((worst, result) => (RANK[result.standing] > RANK[worst.standing] ? result : worst), first)
}

/** What a cross-check says of the parts it reads: while it does not close, one of the readings is wrong and none passes. */
export function crossCheckVote(
  crossCheck: CrossCheckSpec,
  { standing, isMeasured, misclosure, where, suspects }: Omit<CrossCheckResult, 'stages'>,
  stage: Stage = 'asFound',
): Vote | null {
  if (standing === 'agrees') return null
  if (standing === 'open' && !isMeasured && !crossCheck.demanded) return null
  const first = suspects[0]
  const said = { rule: 'crossCheck', stage, subject: crossCheck.id, strong: 'replace', source: crossCheck.source } as const
  const facts = { at: where, characteristic: first?.characteristic ?? null }
  if (standing === 'disagrees')
    return openVote({
      ...said,
      code: 'disagrees',
      facts,
      settledBy: {
        code: 'again',
        characteristic: first?.characteristic ?? null,
        slot: first?.slot ?? null,
        where: first?.where ?? null,
      },
    })
  if (!isMeasured) return openVote({ ...said, code: 'missing', facts, settledBy: { code: 'bothWays' } })
  // Two figures that are known too roughly, or a bound or a range among them.
  const isFigure = misclosure?.value != null
  return openVote({
    ...said,
    code: isFigure ? 'tooRough' : 'open',
    facts,
    settledBy: { code: isFigure ? 'betterGauge' : 'bothToFigures' },
  })
}

const extentAt = (interval: Parameters<typeof extentOf>[0] | undefined): Extent | null => (interval ? extentOf(interval) : null)

function formulaOf(text: string, { names }: CrossCheckSpec): Formula {
  const parsed = parseFormula(text, Object.keys(names))
  if (!parsed.ok) throw new Error(`the formula ${text} of a cross-check passed its schema: ${parsed.fault}`)
  return parsed.value
}

function valuesOf({ crossCheck }: CrossCheckInput, at: ReductionsAt): NamedValues {
  const values = new Map<string, Named>()
  for (const [name, { characteristic, value }] of Object.entries(crossCheck.names)) {
    const found: Reduced | undefined = at(characteristic)?.values[value as ReductionName]
    if (found) values.set(name, { quantity: found.quantity, known: knownOf(found) })
  }
  return values
}

/**
 * What would close the chain: first single readings that one slip explains (their set is reduced again with what should
 * have been typed), then whole values, by how few of their own uncertainties they would have to be off.
 */
function suspectsOf(input: CrossCheckInput, difference: Formula, misclosure: number, allowed: number): Suspect[] {
  const involved = [...new Set(Object.values(input.crossCheck.names).map(({ characteristic }) => characteristic))]
  // The true slip sticks out of its own set, and mended it does no more; a wrong guess would tear a sound set apart.
  const slips = involved
    .flatMap((id) => slipsIn(input, id, difference, allowed))
    .sort((a, b) => a.widens - b.widens || a.left - b.left)
    .filter(({ widens }, _, all) => widens <= Math.min(0, (all[0]?.widens ?? 0) / 2) || (all[0]?.widens ?? 0) >= 0)
    .map(({ left: _left, widens: _widens, ...suspect }): Suspect => suspect)
  const found = propagate(difference, valuesOf(input, input.reductionsOf), input.crossCheck.quantity, 0)
  const values = Object.entries(input.crossCheck.names).flatMap(([name, of]): Suspect[] => {
    const value = input.reductionsOf(of.characteristic)?.values[of.value as ReductionName]
    const moves = found?.sensitivity.get(name) ?? 0
    if (!value || moves === 0) return []
    const by = -misclosure / moves
    const spreads = inItsOwn(by, value.uncertainty)
    return [{ characteristic: of.characteristic, slot: null, where: value.where, text: null, slip: null, by, spreads }]
  })
  values.sort((a, b) => (a.spreads ?? Number.POSITIVE_INFINITY) - (b.spreads ?? Number.POSITIVE_INFINITY))
  return [...slips, ...values].slice(0, MOST_SUSPECTS)
}

const inItsOwn = (by: number, uncertainty: number): number | null => (uncertainty > 0 ? Math.abs(by) / uncertainty : null)

/** How well a slip explains a misclosure: what is left of it, and by how much its own set would spread more. */
interface Fits {
  readonly left: number
  readonly widens: number
}

/** How far a set strays: apart from each other, and off what the part may have been when new and may have worn to. */
function strayOf({ new: size, limits, method }: Characteristic, { taken }: TakenSet): number {
  const values = taken.flatMap(({ interval }) => (isPoint(interval) ? [interval.low] : []))
  if (values.length === 0) return 0
  const own = limits.filter(({ judges }) => quantityOfValue(method, judges) === quantityOf(method) && JUDGES_READINGS.has(judges))
  const known = [...(size ? [size.lower, size.upper] : []), ...own.map(({ wear }) => wear)]
  const [least, most] = [Math.min(...known), Math.max(...known)]
  const off = known.length < 2 ? 0 : Math.max(0, ...values.map((value) => Math.max(least - value, value - most)))
  return Math.max(...values) - Math.min(...values) + off
}
const JUDGES_READINGS: ReadonlySet<ReductionName> = new Set(['maximum', 'minimum', 'mean', 'median'])

/** Readings of one characteristic of which one slip would close the chain; the one that closes it best per reading. */
function slipsIn(input: CrossCheckInput, id: string, difference: Formula, allowed: number): (Suspect & Fits)[] {
  const set = input.setOf(id)
  const characteristic = input.characteristicOf(id)
  const { method, showTo } = characteristic
  if (!set) return []
  const misclosureWith = (changed: TakenSet): number | null => {
    const reductions = reduce(characteristic, changed, input.reductionsOf, { guard: 0, base: null })
    const values = valuesOf(input, (of) => (of === id ? reductions : input.reductionsOf(of)))
    const interval = propagate(difference, values, input.crossCheck.quantity, 0)?.value.interval
    return interval ? Math.max(Math.abs(interval.low), Math.abs(interval.high)) : null
  }
  return set.taken
    .flatMap((taken): (Suspect & Fits)[] => {
      const { reading, interval } = taken
      if (!isPoint(interval) || reading.value === null || formAt(method, reading).kind !== 'quantity') return []
      const value = reading.value
      const best = candidatesOf({
        text: reading.text,
        value,
        deviation: reading.masterMm !== null && signedFromMaster(reading.text) ? value - reading.masterMm : null,
        masterMm: reading.masterMm,
        quantity: quantityAt(method, reading),
        system: input.system,
        step: showTo,
      })
        .flatMap((likely) => {
          const mended = withValue(set, taken, interval.low + likely.value - value)
          const left = misclosureWith(mended)
          const widens = strayOf(characteristic, mended) - strayOf(characteristic, set)
          return left !== null && left <= allowed ? [{ likely, left, widens }] : []
        })
        .sort((a, b) => a.widens - b.widens || a.left - b.left)[0]
      if (!best) return []
      const { station, direction, repeat } = reading
      const by = best.likely.value - value
      return [
        {
          characteristic: id,
          slot: { station, direction, repeat },
          where: null,
          text: reading.text,
          slip: { kind: best.likely.kind, text: best.likely.text },
          by,
          spreads: inItsOwn(by, standardUncertainty(taken.errors)),
          left: best.left,
          widens: best.widens,
        },
      ]
    })
    .sort((a, b) => a.widens - b.widens || a.left - b.left)
}

/** The set as it would be with another figure at one place. */
const withValue = (set: TakenSet, changed: Taken, value: number): TakenSet => ({
  ...set,
  taken: set.taken.map((taken) => (slotKey(taken) === slotKey(changed) ? { ...taken, interval: point(value) } : taken)),
})
