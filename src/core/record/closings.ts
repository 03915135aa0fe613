import { exceeds } from '../decimal'
import { COVERAGE_FACTOR } from '../gauge/uncertainty'
import { type Formula, parseFormula } from '../method/formula'
import { formAt, quantityAt, slotKey, slotLabel } from '../method/layout'
import { type Named, propagate } from '../method/propagate'
import { type Extent, extentOf, type ReductionName } from '../method/reduction'
import { candidatesOf } from '../method/slip/candidates'
import type { SlipKind } from '../method/slip/slip'
import type { UnitSystem } from '../quantity/format'
import { isPoint, point } from '../quantity/interval'
import { signedFromMaster } from '../quantity/reading'
import type { Characteristic, ClosingSpec } from './bookSchema'
import { commonOf, type ReductionsAt, reduce } from './reduce'
import type { Taken, TakenSet } from './standing'

/** A reading, or a whole characteristic, that would explain a misclosure. */
export interface Suspect {
  readonly characteristic: string
  /** Place of the reading; null for the characteristic as a whole. */
  readonly slot: { readonly station: string; readonly direction: string; readonly repeat: number } | null
  readonly where: string
  readonly text: string | null
  /** One slip that would close the chain, with what should have been typed; null where none does. */
  readonly slip: { readonly kind: SlipKind; readonly text: string } | null
  /** By how much it would have to be another to close the chain, in its fixed unit, and in its own standard uncertainties. */
  readonly by: number
  readonly spreads: number | null
}

/** Something known twice, compared. */
export interface ClosingResult {
  readonly id: string
  readonly known: Extent | null
  readonly also: Extent | null
  /** known − also. */
  readonly misclosure: Extent | null
  /** Standard uncertainty of the misclosure, and what it may be in all. */
  readonly uncertainty: number
  readonly allowed: number
  /** open: not both known yet. */
  readonly standing: 'agrees' | 'disagrees' | 'open'
  /** Most likely first. */
  readonly suspects: readonly Suspect[]
}

export interface ClosingInput {
  readonly closing: ClosingSpec
  readonly characteristicOf: (id: string) => Characteristic
  readonly setOf: (id: string) => TakenSet | undefined
  readonly reductionsOf: ReductionsAt
  readonly system: UnitSystem
}

const MOST_SUSPECTS = 5

/** Compares what is known twice within its uncertainty; where it does not close, names the readings most likely wrong. */
export function closingOf(input: ClosingInput): ClosingResult {
  const { closing } = input
  const [known, also] = [formulaOf(closing.known, closing), formulaOf(closing.also, closing)]
  const difference = formulaOf(`(${closing.known}) - (${closing.also})`, closing)
  const values = valuesOf(input, input.reductionsOf)
  const at = (formula: Formula): Extent | null =>
    formula.names.every((name) => values.has(name)) ? extentAt(propagate(formula, values, closing.quantity)?.interval) : null
  const found = difference.names.every((name) => values.has(name)) ? propagate(difference, values, closing.quantity) : null
  const nothing = { id: closing.id, known: at(known), also: at(also), misclosure: null, uncertainty: 0, allowed: 0, suspects: [] }
  if (!found) return { ...nothing, standing: 'open' }
  const allowed = COVERAGE_FACTOR * found.uncertainty + closing.within
  const { low, high } = found.interval
  const closes = !exceeds(low, allowed) && !exceeds(-allowed, high)
  const both = { ...nothing, misclosure: extentOf(found.interval), uncertainty: found.uncertainty, allowed }
  // While readings are missing both ways may still move.
  if ([...values.values()].some(({ value }) => value.open !== 'complete')) return { ...both, standing: 'open' }
  if (closes) return { ...both, standing: 'agrees' }
  return { ...both, standing: 'disagrees', suspects: suspectsOf(input, difference, found.interval.low, allowed) }
}

const extentAt = (interval: Parameters<typeof extentOf>[0] | undefined): Extent | null => (interval ? extentOf(interval) : null)

function formulaOf(text: string, { names }: ClosingSpec): Formula {
  const parsed = parseFormula(text, Object.keys(names))
  if (!parsed.ok) throw new Error(`closing formula ${text} passed its schema: ${parsed.fault}`)
  return parsed.value
}

function valuesOf({ closing, setOf }: ClosingInput, at: ReductionsAt): ReadonlyMap<string, Named> {
  const values = new Map<string, Named>()
  for (const [name, { characteristic, value }] of Object.entries(closing.names)) {
    const found = at(characteristic)?.values[value as ReductionName]
    if (found) values.set(name, { value: found, common: commonOf(setOf(characteristic), found) })
  }
  return values
}

/**
 * What would close the chain: first single readings that one slip explains (their set is reduced again with what should
 * have been typed), then whole values, by how few of their own uncertainties they would have to be off.
 */
function suspectsOf(input: ClosingInput, difference: Formula, misclosure: number, allowed: number): Suspect[] {
  const involved = [...new Set(Object.values(input.closing.names).map(({ characteristic }) => characteristic))]
  // The true slip sticks out of its own set, and mended it does no more; a wrong guess would tear a sound set apart.
  const slips = involved
    .flatMap((id) => slipsIn(input, id, difference, allowed))
    .sort((a, b) => a.widens - b.widens || a.left - b.left)
    .filter(({ widens }, _, all) => widens <= Math.min(0, (all[0]?.widens ?? 0) / 2) || (all[0]?.widens ?? 0) >= 0)
    .map(({ left: _left, widens: _widens, ...suspect }): Suspect => suspect)
  const found = propagate(difference, valuesOf(input, input.reductionsOf), input.closing.quantity)
  const values = Object.entries(input.closing.names).flatMap(([name, of]): Suspect[] => {
    const value = input.reductionsOf(of.characteristic)?.values[of.value as ReductionName]
    const moves = found?.sensitivity.get(name) ?? 0
    if (!value || moves === 0) return []
    const by = -misclosure / moves
    const spreads = value.uncertainty > 0 ? Math.abs(by) / value.uncertainty : null
    return [{ characteristic: of.characteristic, slot: null, where: value.where, text: null, slip: null, by, spreads }]
  })
  values.sort((a, b) => (a.spreads ?? Number.POSITIVE_INFINITY) - (b.spreads ?? Number.POSITIVE_INFINITY))
  return [...slips, ...values].slice(0, MOST_SUSPECTS)
}

/** How well a slip explains a misclosure: what is left of it, and by how much its own set would spread more. */
interface Fits {
  readonly left: number
  readonly widens: number
}

const spreadOf = ({ taken }: TakenSet): number => {
  const values = taken.flatMap(({ interval }) => (isPoint(interval) ? interval.low : []))
  return values.length === 0 ? 0 : Math.max(...values) - Math.min(...values)
}

/** Readings of one characteristic of which one slip would close the chain; the one that closes it best per reading. */
function slipsIn(input: ClosingInput, id: string, difference: Formula, allowed: number): (Suspect & Fits)[] {
  const set = input.setOf(id)
  const characteristic = input.characteristicOf(id)
  const { method, showTo } = characteristic
  if (!set) return []
  const misclosureWith = (changed: TakenSet): number | null => {
    const setOf = (of: string): TakenSet | undefined => (of === id ? changed : input.setOf(of))
    const reductions = reduce(characteristic, changed, input.reductionsOf, setOf)
    const values = valuesOf({ ...input, setOf }, (of) => (of === id ? reductions : input.reductionsOf(of)))
    const found = propagate(difference, values, input.closing.quantity)
    return found ? Math.max(Math.abs(found.interval.low), Math.abs(found.interval.high)) : null
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
          return left !== null && left <= allowed ? [{ likely, left, widens: spreadOf(mended) - spreadOf(set) }] : []
        })
        .sort((a, b) => a.widens - b.widens || a.left - b.left)[0]
      if (!best) return []
      const { station, direction, repeat } = reading
      const by = best.likely.value - value
      return [
        {
          characteristic: id,
          slot: { station, direction, repeat },
          where: slotLabel(method, reading),
          text: reading.text,
          slip: { kind: best.likely.kind, text: best.likely.text },
          by,
          spreads: taken.sizeUncertainty > 0 ? Math.abs(by) / taken.sizeUncertainty : null,
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
