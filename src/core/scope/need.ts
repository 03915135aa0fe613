import type { LimitBook } from '../book/bookSchema'
import type { InspectionLevel } from '../book/procedureSchema'
import type { GateOutcome } from './gate'

/** required: to be measured. ifGateFails: only when the gate fails. notRequired: the level or its gate leaves it out. */
export type Need = 'required' | 'ifGateFails' | 'notRequired'

/** What an inspection covers: its level, the level it has grown to, its gate, and why the rest is left out. */
export interface Scope {
  readonly level: string | null
  /** The level that counts now: the gate's when it has failed. */
  readonly counts: string | null
  readonly gate: GateOutcome | null
  /** One sentence why characteristics are not required; null while all are. */
  readonly leftOut: string | null
}

export const levelOf = (book: LimitBook, id: string | null): InspectionLevel | null =>
  book.levels.find((level) => level.id === id) ?? null

export function scopeOf(book: LimitBook, levelId: string | null, gate: GateOutcome | null): Scope {
  const level = levelOf(book, levelId)
  const counts = gate?.kind === 'failed' ? levelOf(book, gate.grows) : level
  return { level: levelId, counts: counts?.id ?? null, gate, leftOut: leftOutBecause(book, level, counts, gate) }
}

function leftOutBecause(
  book: LimitBook,
  level: InspectionLevel | null,
  counts: InspectionLevel | null,
  gate: GateOutcome | null,
): string | null {
  if (level === null || counts === null || counts.measures === 'all') return null
  if (gate?.kind === 'held') return `Not required: the gate held (${gate.measured.join(', ')} inside their limits)`
  if (gate?.kind === 'open')
    return `Needed only if the gate fails, then as “${levelOf(book, level.gate?.grows ?? null)?.name ?? 'the next level'}”`
  return `Not required at the level “${counts.name}”`
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
