import { gateVotes } from '../evaluate/gateMeasurement'
import type { Results } from '../evaluate/results'
import { sidesOf } from '../fit/kinds'
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
  results: Pick<Results, 'scope' | 'characteristics' | 'fits' | 'parts'>,
): readonly string[] {
  const { gate } = results.scope
  switch (gate?.kind) {
    case 'failed':
      return gate.by.map(({ characteristic, reading }) => {
        const votes = votesAtGate(speaker, results, characteristic)
        // What opened it; of several the strongest of its own.
        const vote = votes.find(({ mild }) => mild !== 'reuse') ?? votes[0]
        const reason = `${nameOf(speaker, characteristic)}${vote ? `: ${reasonOf(speaker, vote)}` : ''}`
        return reading ? `${reason} (reading ${readingAt(speaker, characteristic, reading)})` : reason
      })
    case 'open':
      return gate.missing.map((id) => openAtGate(speaker, results, id) ?? nameOf(speaker, id))
    default:
      return []
  }
}

/** Why a measurement that is read still keeps the gate open; null while it is to be read, or where nothing judges it. */
export function openAtGate(
  speaker: Speaker,
  results: Pick<Results, 'characteristics' | 'fits' | 'parts'>,
  id: string,
): string | null {
  const result = results.characteristics.find((one) => one.id === id)
  if (!result || result.reductions.taken < result.reductions.needed) return null
  const vote = votesAtGate(speaker, results, id).find(({ mild, strong }) => mild !== strong)
  if (vote) return reasonOf(speaker, vote)
  return `${nameOf(speaker, id)}: nothing judges it`
}

/** Everything that judges a measurement of the gate, its own first. */
function votesAtGate(
  { book }: Speaker,
  { characteristics, fits, parts }: Pick<Results, 'characteristics' | 'fits' | 'parts'>,
  id: string,
): readonly Vote[] {
  const result = characteristics.find((one) => one.id === id)
  const ofFits = fits.flatMap(({ id: of, votes }) => {
    const fit = book.fits.find((one) => one.id === of)
    return fit && sidesOf(fit).includes(id) ? votes : []
  })
  const ofPart = parts.find((part) => part.id === result?.part)?.stages[0]?.votes ?? []
  return [
    ...(result ? gateVotes(result) : []),
    ...ofFits,
    ...ofPart.filter(({ rule }) => rule !== 'forecast' && rule !== 'leftOut'),
  ]
}
