import type { Gauge } from '../../gauge/gauge'
import { type Interval, isPoint, negate, point, subtract } from '../../quantity/interval'
import { differenceOf, type QuantityKind } from '../../quantity/kind'
import type { Slot } from '../layout'
import { type Method, type MethodKind, type MethodOf, wearsTowards } from '../method'
import type { Common } from '../propagate'
import {
  extentOf,
  intervalOf,
  type MethodFault,
  type Open,
  type Reduced,
  type ReductionName,
  type Reductions,
  type Term,
} from '../reduction'

/** A reading that stands, corrected, with its uncertainties and the gauge it was taken with. */
export interface TakenReading extends Slot {
  readonly interval: Interval
  /** Standard uncertainty as a size; and in a difference of two readings of this gauge, where its error cancels. */
  readonly sizeUncertainty: number
  readonly differenceUncertainty: number
  readonly gauge: Gauge
}

export interface ReduceInput<K extends MethodKind = MethodKind> {
  readonly method: MethodOf<K>
  /** Standing readings in walking order. */
  readonly readings: readonly TakenReading[]
  /** Every place is read. */
  readonly complete: boolean
  /** New size; null where no document gives one: then there is no wear to count. */
  readonly nominal: number | null
  /** Worn diameter the ring runs in, where the method needs one and it is measured. */
  readonly runsIn: Reduced | null
  /** A reduced value of another characteristic, for formulas; null while it is not known. */
  readonly resultOf: (characteristic: string, value: string) => Reduced | null
  /** What the gauge of another characteristic adds to a value of it; null where no one gauge does. */
  readonly commonOf: (characteristic: string, value: Reduced) => Common | null
}

export type Values = Partial<Record<ReductionName, Reduced>>
export interface Outcome {
  readonly values: Values
  readonly faults: readonly MethodFault[]
}
export const noFaults = (values: Values): Outcome => ({ values, faults: [] })

export type { Reductions }

/** The largest uncertainty among the readings: one judged point may be any of them. */
export const worstSize = (readings: readonly TakenReading[]): number =>
  Math.max(...readings.map((reading) => reading.sizeUncertainty))
export const worstDifference = (readings: readonly TakenReading[]): number =>
  Math.max(...readings.map((reading) => reading.differenceUncertainty))

export function term(label: string, of: Interval, quantity: QuantityKind): Term {
  const { value, interval } = extentOf(of)
  return { label, quantity, value, interval }
}

export interface ReducedFacts {
  readonly quantity: QuantityKind
  readonly uncertainty: number
  readonly where: string
  readonly sum: readonly Term[]
  readonly open: Open
}
export function reduced(of: Interval, { quantity, uncertainty, where, sum, open }: ReducedFacts): Reduced {
  const { value, interval } = extentOf(of)
  return { value, interval, quantity, uncertainty, where, sum, open }
}

export const openWhile = (complete: boolean, kind: Open): Open => (complete ? 'complete' : kind)

/** What is open about a sum of two values. */
export function combineOpen(a: Open, b: Open): Open {
  if (a === 'complete') return b
  return b === 'complete' || a === b ? a : 'eitherWay'
}

/** The reading that holds an extreme; for intervals the one whose outer end it is. */
export function holderOf<T extends { readonly interval: Interval }>(items: readonly T[], of: 'largest' | 'smallest'): T {
  const [first, ...others] = items
  if (!first) throw new Error('an extreme needs a reading')
  return others.reduce((best, item) => {
    const further = of === 'largest' ? item.interval.high > best.interval.high : item.interval.low < best.interval.low
    return further ? item : best
  }, first)
}

export const allPoints = (readings: readonly TakenReading[]): boolean => readings.every(({ interval }) => isPoint(interval))

/** Wear of the judged extreme from new, positive as it wears; none where a value is set, not worn. */
export function wearOf(method: Method, values: Values, nominal: number | null): Values {
  const towards = wearsTowards(method)
  if (towards === 'either' || nominal === null) return {}
  const extreme = towards === 'larger' ? values.maximum : values.minimum
  if (!extreme) return {}
  const { quantity } = extreme
  const size = intervalOf(extreme)
  const terms =
    towards === 'larger'
      ? [term('largest', size, quantity), term('less new', point(-nominal), quantity)]
      : [term('new', point(nominal), quantity), term('less smallest', negate(size), quantity)]
  return {
    wear: {
      ...extentOf(towards === 'larger' ? subtract(size, point(nominal)) : subtract(point(nominal), size)),
      quantity: differenceOf(quantity),
      uncertainty: extreme.uncertainty,
      where: extreme.where,
      sum: terms,
      open: extreme.open === 'complete' || extreme.open === 'eitherWay' ? extreme.open : 'canOnlyGrow',
    },
  }
}
