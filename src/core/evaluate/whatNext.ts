import { dispositionRank } from '../policy/disposition'
import type { PartResult } from '../verdict/partVerdict'
import { spanOf } from '../verdict/partVerdict'
import type { Vote } from '../verdict/vote'
import type { Results } from './results'

/** Something still open that could change a part's verdict, with what would settle it. */
export interface NextStep {
  readonly part: string
  readonly vote: Vote
  /** How many levels the part's verdict can still move by this alone: 1 to 3. */
  readonly moves: number
}

/**
 * What is missing or doubtful, ranked by how far it could still move the verdict of its part: each open vote is taken at
 * its mildest and at its strongest with all others as they stand. Empty when nothing more can change any verdict.
 */
export function whatNext({ parts }: Pick<Results, 'parts'>): readonly NextStep[] {
  return parts
    .filter(({ need }) => need === 'required')
    .flatMap((part) => part.votes.flatMap((vote): NextStep[] => stepFor(part, vote)))
    .sort((a, b) => b.moves - a.moves || dispositionRank[b.vote.strong] - dispositionRank[a.vote.strong])
}

function stepFor(part: PartResult, vote: Vote): NextStep[] {
  if (vote.mild === vote.strong) return []
  const others = part.votes.filter((other) => other !== vote)
  const taken = (level: Vote['mild']): number => {
    const { mild } = spanOf([...others, { ...vote, mild: level, strong: level }])
    return dispositionRank[mild]
  }
  const moves = taken(vote.strong) - taken(vote.mild)
  return moves === 0 ? [] : [{ part: part.id, vote, moves }]
}
