import { forRecord } from '../decimal'
import type { Vote } from './results'

/** Rounds every figure to the step of stored results. Votes are words only and are kept as they are. */
export function rounded<T extends { readonly votes: readonly Vote[] }>(result: T): T {
  const { votes, ...figures } = result
  return { ...roundForRecord(figures), votes } as unknown as T
}

/** Rounds every figure in it to the step of stored results. */
export function roundForRecord<T>(value: T): T {
  if (typeof value === 'number') return forRecord(value) as T
  if (Array.isArray(value)) return value.map(roundForRecord) as T
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, roundForRecord(inner)])) as T
}
