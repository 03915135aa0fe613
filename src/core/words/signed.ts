import { gateVotes } from '../evaluate/judgePart'
import type { Results } from '../evaluate/results'
import type { Vote } from '../verdict/vote'
import { readingAt } from './places'
import { leftOutWords } from './scope'
import { nameOf, type Speaker } from './speaker'
import { reasonOf, settledBy, wayWords } from './votes'

/** What a vote says. */
export interface VoteWords {
  readonly reason: string
  readonly settledBy: string | null
}

/**
 * The words of results as they were signed: what the votes of each part say, its way, how the gate stood and why the rest
 * is left out. They stand beside the results, so that a report prints as it was signed whatever is worded otherwise later.
 */
export interface SignedWords {
  readonly scope: { readonly gate: readonly string[]; readonly leftOut: string | null }
  readonly parts: Readonly<Record<string, PartWords>>
}
export interface PartWords {
  readonly votes: readonly VoteWords[]
  /** Of each stage, in the order of the results. */
  readonly stages: readonly (readonly VoteWords[])[]
  readonly way: string | null
}

export function wordsOf(speaker: Speaker, results: Results): SignedWords {
  const said = (votes: readonly Vote[]): VoteWords[] =>
    votes.map((vote) => ({ reason: reasonOf(speaker, vote), settledBy: settledBy(speaker, vote) }))
  return {
    scope: { gate: gateWords(speaker, results), leftOut: results.scope.leftOut && leftOutWords(speaker, results.scope.leftOut) },
    parts: Object.fromEntries(
      results.parts.map(({ id, votes, stages, way }): [string, PartWords] => [
        id,
        { votes: said(votes), stages: stages.map((stage) => said(stage.votes)), way: way && wayWords(speaker, id, way) },
      ]),
    ),
  }
}

/** What made the gate fail, or keeps it open: one line for each measurement. */
export function gateWords(
  speaker: Speaker,
  { scope: { gate }, characteristics }: Pick<Results, 'scope' | 'characteristics'>,
): readonly string[] {
  switch (gate?.kind) {
    case 'failed':
      return gate.by.map(({ characteristic, reading }) => {
        const result = characteristics.find(({ id }) => id === characteristic)
        const vote = result && gateVotes(result)[0]
        const reason = `${nameOf(speaker, characteristic)}${vote ? `: ${reasonOf(speaker, vote)}` : ''}`
        return reading ? `${reason} (reading ${readingAt(speaker, characteristic, reading)})` : reason
      })
    case 'open':
      return gate.missing.map((id) => nameOf(speaker, id))
    default:
      return []
  }
}
