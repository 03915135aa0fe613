import type { LimitBook } from '../book/bookSchema'
import type { InspectionLevel } from '../book/procedureSchema'
import type { GateOutcome } from './gate'

/** required: to be measured. ifGateFails: only when the gate fails. notRequired: the level or its gate leaves it out. */
export type Need = 'required' | 'ifGateFails' | 'notRequired'

/** Why characteristics are not required: the gate held, may yet fail and grow to another level, or the level leaves them out. */
export type LeftOut =
  | { readonly code: 'gateHeld'; readonly measured: readonly string[] }
  | { readonly code: 'gateOpen'; readonly grows: string | null }
  | { readonly code: 'level'; readonly level: string }

/** What an inspection covers: its level, the level it has grown to, its gate, and why the rest is left out. */
export interface Scope {
  readonly level: string | null
  /** The level that counts now: the gate's when it has failed. */
  readonly counts: string | null
  readonly gate: GateOutcome | null
  /** Null while all characteristics are required. */
  readonly leftOut: LeftOut | null
}

export const levelOf = (book: LimitBook, id: string | null): InspectionLevel | null =>
  book.levels.find((level) => level.id === id) ?? null

export function scopeOf(book: LimitBook, levelId: string | null, gate: GateOutcome | null): Scope {
  const level = levelOf(book, levelId)
  const counts = gate?.kind === 'failed' ? levelOf(book, gate.grows) : level
  return { level: levelId, counts: counts?.id ?? null, gate, leftOut: leftOutBecause(level, counts, gate) }
}

function leftOutBecause(level: InspectionLevel | null, counts: InspectionLevel | null, gate: GateOutcome | null): LeftOut | null {
  if (level === null || counts === null || counts.measures === 'all') return null
  if (gate?.kind === 'held') return { code: 'gateHeld', measured: gate.measured }
  if (gate?.kind === 'open') return { code: 'gateOpen', grows: level.gate?.grows ?? null }
  return { code: 'level', level: counts.id }
}

/** Whether a characteristic is to be measured; one that a finding asked for always is. */
export function needOf(book: LimitBook, scope: Scope, planned: ReadonlySet<string>, characteristic: string): Need {
  const level = levelOf(book, scope.counts)
  if (level === null || level.measures === 'all' || level.measures.includes(characteristic) || planned.has(characteristic))
    return 'required'
  return scope.gate?.kind === 'open' ? 'ifGateFails' : 'notRequired'
}

/** Levels whose steps count: the job's own, and the one it has grown to. */
export const levelsInPlay = (scope: Scope): ReadonlySet<string> =>
  new Set([scope.level, scope.counts].filter((id): id is string => id !== null))
