import type { Errors } from '../../gauge/errors'
import type { Gauge } from '../../gauge/gauge'
import { extentOf } from '../../quantity/extent'
import { type Interval, negate } from '../../quantity/interval'
import { differenceOf, type QuantityKind } from '../../quantity/kind'
import { type Known, differenceOf as lessOther, lessThan, shifted } from '../known'
import { type MethodFault, type Reduced, type ReductionName, reduced, type Term } from '../reduction'
import type { Slot } from '../slot'
import type { PlainTerm, TermName, Where } from '../where'

/**
 * Why nothing says how well a figure is known: no gauge is noted, or one of another quantity; it cannot have shown that figure, or
 * its calibration had lapsed; or the figure was typed in words that may say another one.
 */
export const readingDoubts = ['noGauge', 'otherGauge', 'beyondRange', 'lapsed', 'notUnderstood'] as const
export type ReadingDoubt = (typeof readingDoubts)[number]

/** A reading that stands, corrected, with its errors by source and the gauge it was taken with. */
export interface TakenReading extends Slot {
  readonly interval: Interval
  readonly errors: Errors
  readonly gauge: Gauge
  /** It settles nothing, and why. */
  readonly doubt: ReadingDoubt | null
}

/** What is read of a sheet. */
export interface SheetInput {
  /** Standing readings in walking order. */
  readonly readings: readonly TakenReading[]
  /** Places that belong to it here, in walking order: those of the sheet but what does not apply. */
  readonly slots: readonly Slot[]
  /** Kind of quantity a reading there is stored in. */
  readonly quantityAt: (slot: Pick<Slot, 'station'>) => QuantityKind
  /** Standard uncertainties the guard band is wide; 0 under simple acceptance. */
  readonly guard: number
}

export interface ReduceInput<M> extends SheetInput {
  readonly method: M
  /** Which way its judged value moves as the part wears. */
  readonly wears: 'larger' | 'smaller' | 'either'
  /** Size it wears from: the new one, exact, or how an earlier overhaul left it; null where there is none. */
  readonly nominal: Known | null
  /** Worn diameter the ring runs in, where the method needs one and it is measured. */
  readonly runsIn: Reduced | null
  /** A reduced value of another characteristic, for formulas; null while it is not known. */
  readonly resultOf: (characteristic: string, value: string) => Reduced | null
}

export type Values = Partial<Record<ReductionName, Reduced>>
export interface Outcome {
  readonly values: Values
  readonly faults: readonly MethodFault[]
}
export const noFaults = (values: Values): Outcome => ({ values, faults: [] })

const nameOf = (name: TermName | PlainTerm): TermName => (typeof name === 'string' ? { code: name } : name)

export const term = (name: TermName | PlainTerm, of: Interval, quantity: QuantityKind): Term => ({
  name: nameOf(name),
  less: false,
  quantity,
  ...extentOf(of),
})

/** A term that is taken off. */
export const less = (name: TermName | PlainTerm, of: Interval, quantity: QuantityKind): Term => ({
  name: nameOf(name),
  less: true,
  quantity,
  ...extentOf(negate(of)),
})

/** What is taken of a value, for the words of its sum; a value without readings is not asked for. */
export function taken({ interval }: Known): Interval {
  if (interval === null) throw new Error('a value that nothing was taken for has no figure')
  return interval
}

/** Puts a value under its name where it could be worked out. */
export function give(
  values: Values,
  name: ReductionName,
  known: Known | null,
  facts: { readonly quantity: QuantityKind; readonly where: Where; readonly sum?: readonly Term[] },
): void {
  if (known?.interval) values[name] = reduced(known, { sum: [], ...facts })
}

/** The item that holds an extreme; of intervals the one whose outer end it is. At least one. */
export function holderOf<T extends { readonly interval: Interval }>(items: readonly T[], of: 'largest' | 'smallest'): T {
  const [first, ...others] = items
  if (!first) throw new Error('an extreme needs a reading')
  return others.reduce((best, item) => {
    const further = of === 'largest' ? item.interval.high > best.interval.high : item.interval.low < best.interval.low
    return further ? item : best
  }, first)
}

/** Wear of an extreme from new: positive as it wears. */
export const wornFrom = (extreme: Known, from: Known, towards: 'larger' | 'smaller', guard: number): Known =>
  // An exact size moves every end as it is; one that was measured has its own doubt.
  from.errors.length > 0
    ? towards === 'larger'
      ? lessOther(extreme, from, guard)
      : lessOther(from, extreme, guard)
    : towards === 'larger'
      ? shifted(extreme, -taken(from).low)
      : lessThan(taken(from).low, extreme)

/** Wear of the judged extreme from new; none where a value is set, not worn. */
export function giveWear(
  values: Values,
  towards: 'larger' | 'smaller' | 'either',
  extremes: { readonly largest: Known | null; readonly smallest: Known | null },
  nominal: Known | null,
  guard: number,
): void {
  if (towards === 'either' || nominal === null) return
  const larger = towards === 'larger'
  giveWearOf(
    values,
    larger ? extremes.largest : extremes.smallest,
    larger ? values.maximum : values.minimum,
    nominal,
    towards,
    guard,
  )
}

/** Wear of one value of a set from new. */
export function giveWearOf(
  values: Values,
  of: Known | null,
  shown: Reduced | undefined,
  nominal: Known,
  towards: 'larger' | 'smaller',
  guard: number,
  name: { readonly larger: PlainTerm; readonly smaller: PlainTerm } = { larger: 'largest', smaller: 'smallest' },
): void {
  if (!of || !shown) return
  const { quantity, where } = shown
  const [size, from] = [taken(of), taken(nominal)]
  const base = nominal.errors.length > 0 ? 'asLeft' : 'new'
  const sum =
    towards === 'larger'
      ? [term(name.larger, size, quantity), less(base, from, quantity)]
      : [term(base, from, quantity), less(name.smaller, size, quantity)]
  give(values, 'wear', wornFrom(of, nominal, towards, guard), { quantity: differenceOf(quantity), where, sum })
}
