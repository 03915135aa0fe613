import type { Bare, Coded } from '../base/coded'
import { err, ok, type Result } from '../base/result'
import { exactText } from '../quantity/exactText'
import { unitOf } from '../quantity/format'
import type { QuantityKind } from '../quantity/kind'
import { parseInTwoUnits, type TwoUnitsFault } from '../quantity/twoUnits'
import type { UnitSystem } from '../quantity/unitSystem'
import type { LimitBy } from './limit'

/** What the rows of a written table go by: the new size, or the hours run. */
export type TableBy = 'size' | 'hours'

interface Row {
  /** Largest size, mm, or most hours that the row holds for; null: all above. */
  readonly upTo: number | null
  readonly value: number
}
export interface WrittenTable {
  readonly by: TableBy
  readonly rows: readonly Row[]
}

export interface TableFaults {
  /** A row that says no figure, or not up to where it holds. */
  row: { readonly text: string }
  figure: { readonly text: string; readonly why: TwoUnitsFault }
  notRising: { readonly text: string }
  /** Sizes in one row, hours in another. */
  mixed: Bare
  /** The plan limits go by other steps than the wear limits. */
  otherSteps: Bare
  /** Nothing here has a size that rows could go by. */
  noSize: Bare
}
export type TableFault = Coded<TableFaults>

const BOUND = /^(?:≤|<=|up to|to)\s*(.+?)\s*:\s*(.+)$/iu
const ABOVE = /^(?:(?:above|over|>)\s*:?\s*)?([^:]+)$/iu
const HOURS = /^(\d{1,7})\s*h$/iu

/** Whether a text is meant as a table of limits, not as one figure. */
export const isTable = (text: string): boolean => text.includes(';') || BOUND.test(text.trim())

/**
 * A table as it is typed into one field: `≤ 50: 0.10; ≤ 80: 0.15; above: 0.20`, or by hours run, `≤ 2000 h: 0.10; 0.20`.
 * Sizes are lengths, figures of `quantity`, both in the units of `system` where they name none. Without a last row that
 * holds for all above, nothing is known above.
 */
export function readTable(text: string, quantity: QuantityKind, system: UnitSystem): Result<WrittenTable, TableFault> {
  const rows: Row[] = []
  let by: TableBy | null = null
  const texts = text
    .split(';')
    .map((row) => row.trim())
    .filter((row) => row !== '')
  for (const row of texts) {
    const [, bound, bounded] = BOUND.exec(row) ?? []
    const figure = bounded ?? ABOVE.exec(row)?.[1]
    if (figure === undefined) return err({ code: 'row', text: row })
    const value = parseInTwoUnits(figure, quantity, unitOf(quantity, system))
    if (!value.ok) return err({ code: 'figure', text: row, why: value.fault })
    let upTo: number | null = null
    if (bound !== undefined) {
      const hours = HOURS.exec(bound)?.[1]
      const own: TableBy = hours === undefined ? 'size' : 'hours'
      if (by !== null && by !== own) return err({ code: 'mixed' })
      by = own
      const size = hours === undefined ? parseInTwoUnits(bound, 'length', unitOf('length', system)) : null
      if (size && !size.ok) return err({ code: 'figure', text: row, why: size.fault })
      upTo = size?.ok ? size.value.value : Number(hours)
    }
    const before = rows.at(-1)
    if (before && (before.upTo === null || (upTo !== null && upTo <= before.upTo))) return err({ code: 'notRising', text: row })
    rows.push({ upTo, value: value.value.value })
  }
  return by === null ? err({ code: 'row', text: text.trim() }) : ok({ by, rows })
}

type Depends = Extract<LimitBy['depends'], { readonly kind: TableBy }>

/** Wear limits of a table with their plan limits: none, one for all rows, or by the same steps. */
export function tableOf(
  wear: WrittenTable,
  plan: WrittenTable | number | null,
  /** What the size is of; null where nothing here has one. */
  sizeOf: string | null,
): Result<Depends, TableFault> {
  const isStepped = plan !== null && typeof plan !== 'number'
  if (isStepped && (plan.by !== wear.by || !plan.rows.every(({ upTo }, at) => upTo === wear.rows[at]?.upTo)))
    return err({ code: 'otherSteps' })
  if (isStepped && plan.rows.length !== wear.rows.length) return err({ code: 'otherSteps' })
  const rows = wear.rows.map(({ upTo, value }, at) => ({
    upTo,
    plan: isStepped ? (plan.rows[at]?.value ?? null) : plan,
    wear: value,
  }))
  if (wear.by === 'hours') return ok({ kind: 'hours', rows })
  return sizeOf === null ? err({ code: 'noSize' }) : ok({ kind: 'size', characteristic: sizeOf, rows })
}

/** A table as a person would type it: `figure` writes what it limits; null where it is none, but a formula or a choice of types. */
export function writtenTable(
  depends: LimitBy['depends'],
  which: 'plan' | 'wear',
  figure: (value: number) => string,
  system: UnitSystem,
): string | null {
  if (depends.kind !== 'hours' && depends.kind !== 'size') return null
  const written = depends.rows.flatMap(({ upTo, [which]: value }) => {
    if (value === null) return []
    if (upTo === null) return [`above: ${figure(value)}`]
    return [`≤ ${depends.kind === 'hours' ? `${upTo} h` : exactText(upTo, 'length', system, 1)}: ${figure(value)}`]
  })
  return written.join('; ')
}
