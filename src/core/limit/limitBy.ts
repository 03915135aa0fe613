import { evaluateFormula, parseFormula } from '../method/formula'
import { quantityOf, quantityOfValue } from '../method/gives'
import type { Method } from '../method/method'
import type { QuantityKind } from '../quantity/kind'
import type { Limit, LimitBy } from './limit'
import { comesFirst } from './planFirst'

/** What figures of limits may depend on. */
export interface LimitFacts {
  /** Hours the machine has run, and will have at the next overhaul. */
  readonly runningHours: number
  readonly atNextHours: number
  /** Options said to be fitted, by variant. */
  readonly fitted: ReadonlyMap<string, string>
  characteristicOf(id: string): Sized | undefined
}

/** What is measured, and its new size. */
interface Sized {
  readonly method: Method
  readonly new: { readonly nominal: number } | null
}

/** Name under which a formula knows the hours run. */
export const HOURS_NAME = 'hours'

type Figures = Pick<Limit, 'plan' | 'wear'>

/**
 * The plain limit that a table or a formula gives as things stand, in the unit of what it judges; null while what it
 * depends on is not known, or where no row of its table reaches so far.
 */
export function resolveLimit(limit: LimitBy, quantity: QuantityKind, facts: LimitFacts): Limit | null {
  const { depends, ...plain } = limit
  const found = figuresOf(limit, quantity, facts, facts.runningHours)
  if (!found || isCrossed(found, limit)) return null
  const runs =
    depends.kind === 'hours' ||
    (depends.kind === 'formula' && [depends.wear, depends.plan ?? ''].some((text) => /\bhours\b/u.test(text)))
  return {
    ...plain,
    ...found,
    by: byOf(limit, facts),
    ...(runs ? { atNext: figuresOf(limit, quantity, facts, facts.atNextHours) } : {}),
  }
}

const isCrossed = ({ plan, wear }: Figures, { side }: LimitBy): boolean => !comesFirst(side, plan, wear)

function byOf({ depends }: LimitBy, { runningHours, fitted, characteristicOf }: LimitFacts): NonNullable<Limit['by']> {
  switch (depends.kind) {
    case 'hours':
      return { kind: 'hours', hours: runningHours }
    case 'size':
      return {
        kind: 'size',
        characteristic: depends.characteristic,
        size: characteristicOf(depends.characteristic)?.new?.nominal ?? 0,
      }
    case 'variant':
      return { kind: 'variant', variant: depends.variant, option: fitted.get(depends.variant) ?? '' }
    case 'formula':
      return { kind: 'formula', formula: depends.wear }
  }
}

function figuresOf({ depends }: LimitBy, quantity: QuantityKind, facts: LimitFacts, hours: number): Figures | null {
  switch (depends.kind) {
    case 'hours':
      return rowFor(depends.rows, hours)
    case 'size': {
      const size = facts.characteristicOf(depends.characteristic)?.new?.nominal
      return size === undefined ? null : rowFor(depends.rows, size)
    }
    case 'variant': {
      const option = facts.fitted.get(depends.variant)
      const row = depends.rows.find((of) => of.option === option)
      return row ? { plan: row.plan, wear: row.wear } : null
    }
    case 'formula': {
      const wear = worked(depends.wear, depends.names, quantity, facts, hours)
      const plan = depends.plan === null ? null : worked(depends.plan, depends.names, quantity, facts, hours)
      return wear === null || (depends.plan !== null && plan === null) ? null : { plan, wear }
    }
  }
}

/** The first row that reaches so far. */
function rowFor(rows: readonly (Figures & { readonly upTo: number | null })[], value: number): Figures | null {
  const row = rows.find(({ upTo }) => upTo === null || value <= upTo)
  return row ? { plan: row.plan, wear: row.wear } : null
}

/** What a formula of new sizes and hours gives; null while one of them is not known or it divides by nothing. */
function worked(
  text: string,
  names: Readonly<Record<string, string>>,
  quantity: QuantityKind,
  { characteristicOf }: LimitFacts,
  hours: number,
): number | null {
  const parsed = parseFormula(text, [...Object.keys(names), HOURS_NAME])
  if (!parsed.ok) return null
  if (Object.values(names).some((id) => !characteristicOf(id)?.new)) return null
  const value = evaluateFormula(
    parsed.value,
    (name) => {
      const of = characteristicOf(names[name] ?? '')
      if (name === HOURS_NAME || !of?.new) return { interval: { low: hours, high: hours }, quantity: 'count' }
      return { interval: { low: of.new.nominal, high: of.new.nominal }, quantity: quantityOf(of.method) }
    },
    quantity,
  )
  return value?.low ?? null
}

/** The quantity that a limit of a characteristic judges. */
export const quantityJudged = ({ method }: Pick<Sized, 'method'>, { judges }: Pick<Limit, 'judges'>): QuantityKind =>
  quantityOfValue(method, judges)

interface Limited {
  readonly limits: readonly Limit[]
  readonly limitsBy?: readonly LimitBy[] | undefined
}

/** Limits whose figures are not known as things stand. */
export const openLimits = ({ limits, limitsBy }: Limited): readonly LimitBy[] =>
  (limitsBy ?? []).filter(({ id }) => !limits.some((limit) => limit.id === id))

/**
 * A limit as it will be at the next overhaul, the stricter of now and then: nobody opens the machine when a figure changes. Null
 * where no row of its table reaches so far.
 */
export function limitAtNext(limit: Limit): Limit | null {
  const { atNext, side } = limit
  if (atNext === null) return null
  if (atNext === undefined) return limit
  const stricter = side === 'upper' ? Math.min : Math.max
  const plan = limit.plan === null || atNext.plan === null ? (limit.plan ?? atNext.plan) : stricter(limit.plan, atNext.plan)
  return { ...limit, wear: stricter(limit.wear, atNext.wear), plan }
}
