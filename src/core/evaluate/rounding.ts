import { forRecord } from '../quantity/decimal'
import { type QuantityKind, quantityKinds } from '../quantity/kind'
import type { Vote } from '../verdict/vote'

/** Rounds every figure to the step of stored results of its quantity, and the figures of its votes to theirs. */
export function rounded<T extends { readonly votes: readonly Vote[] }>(result: T, kind: QuantityKind): T {
  const { votes, ...figures } = result
  const own = votes.map(
    (vote) => ({ ...vote, facts: roundForRecord(vote.facts, kind), trace: roundForRecord(vote.trace, kind) }) as Vote,
  )
  return { ...roundForRecord(figures, kind), votes: own } as unknown as T
}

const isKind = (value: unknown): value is QuantityKind => (quantityKinds as readonly unknown[]).includes(value)

/**
 * Rounds every figure in it to the step of stored results: of its own quantity where it says which it is, else of the one
 * it is part of. What needs no rounding is not copied.
 */
export function roundForRecord<T>(value: T, kind: QuantityKind): T {
  if (typeof value === 'number') return forRecord(value, kind) as T
  if (value === null || typeof value !== 'object') return value
  if (Array.isArray(value)) return roundedList(value, kind) as T
  const fields = value as Record<string, unknown>
  return roundedFields(fields, isKind(fields.quantity) ? fields.quantity : kind) as T
}

function roundedList(list: readonly unknown[], kind: QuantityKind): readonly unknown[] {
  let copy: unknown[] | null = null
  for (let at = 0; at < list.length; at += 1) {
    const before = list[at]
    const after = roundForRecord(before, kind)
    if (Object.is(before, after)) continue
    copy ??= [...list]
    copy[at] = after
  }
  return copy ?? list
}

/** What the book or the record says is what it says. */
const AS_GIVEN: ReadonlySet<string> = new Set(['limit', 'where', 'slot'])

function roundedFields(fields: Record<string, unknown>, kind: QuantityKind): Record<string, unknown> {
  let copy: Record<string, unknown> | null = null
  for (const name in fields) {
    const before = fields[name]
    if (AS_GIVEN.has(name)) continue
    const after = roundForRecord(before, kind)
    if (Object.is(before, after)) continue
    copy ??= { ...fields }
    copy[name] = after
  }
  return copy ?? fields
}
