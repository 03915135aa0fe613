import { slotKey } from '../method/layout'
import { dispositionRank } from '../policy/disposition'
import type { Reading } from '../record/recordSchema'
import type { PartResult } from '../verdict/partVerdict'
import type { CrossCheckResult, Suspect } from './crossChecks'
import type { Evaluation } from './evaluate'

/** A reading that does not go with what is known otherwise. */
export interface Doubt {
  readonly crossCheck: CrossCheckResult
  readonly suspect: Suspect
  /** How many levels a verdict would move if it were the slip it looks like; 0 when none would, or nothing says what it is. */
  readonly moves: number
}

/** Every suspect of what does not close, those first whose mending would move a verdict furthest. */
export function doubtful(evaluation: Evaluation, standingOf: (characteristic: string) => readonly Reading[]): readonly Doubt[] {
  return evaluation.results.crossChecks
    .filter(({ standing }) => standing === 'disagrees')
    .flatMap((crossCheck) =>
      crossCheck.suspects.map((suspect): Doubt => ({ crossCheck, suspect, moves: movesOf(evaluation, suspect, standingOf) })),
    )
    .sort((a, b) => b.moves - a.moves)
}

function movesOf(
  evaluation: Evaluation,
  { slot, characteristic, by }: Suspect,
  standingOf: (id: string) => readonly Reading[],
): number {
  if (slot === null) return 0
  const mended = standingOf(characteristic).map((reading) =>
    slotKey(reading) === slotKey(slot) && reading.value !== null ? { ...reading, value: reading.value + by } : reading,
  )
  const after = evaluation.with(characteristic, mended, 'asFound').results.parts
  return Math.max(0, ...evaluation.results.parts.map((part, index) => apart(part, after[index])))
}

const apart = (a: PartResult, b: PartResult | undefined): number =>
  b
    ? Math.max(
        Math.abs(dispositionRank[a.mild] - dispositionRank[b.mild]),
        Math.abs(dispositionRank[a.strong] - dispositionRank[b.strong]),
      )
    : 0
