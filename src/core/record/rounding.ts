import { forRecord } from '../decimal'
import type { Vote } from './results'

/** Rounds every figure to the step of stored results. Votes are words only and are kept as they are. */
export function rounded<T extends { readonly votes: readonly Vote[] }>(result: T): T {
  const { votes, ...figures } = result
  return { ...roundForRecord(figures), votes } as unknown as T
}

/** Rounds every figure in it to the step of stored results. What needs no rounding is not copied. */
export function roundForRecord<T>(value: T): T {
  if (typeof value === 'number') return forRecord(value) as T
  if (value === null || typeof value !== 'object') return value
  return (Array.isArray(value) ? roundedList(value) : roundedFields(value as Record<string, unknown>)) as T
}

function roundedList(list: readonly unknown[]): readonly unknown[] {
  let copy: unknown[] | null = null
  for (let at = 0; at < list.length; at += 1) {
    const before = list[at]
    const after = roundForRecord(before)
    if (Object.is(before, after)) continue
    copy ??= [...list]
    copy[at] = after
  }
  return copy ?? list
}

function roundedFields(fields: Record<string, unknown>): Record<string, unknown> {
  let copy: Record<string, unknown> | null = null
  for (const name in fields) {
    const before = fields[name]
    const after = roundForRecord(before)
    if (Object.is(before, after)) continue
    copy ??= { ...fields }
    copy[name] = after
  }
  return copy ?? fields
}
