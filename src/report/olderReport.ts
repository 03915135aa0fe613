import type { Suspect } from '../core/evaluate/crossChecks'
import type { Results } from '../core/evaluate/results'
import { NO_PLACE } from '../core/method/slot'
import type { SignedWords, VoteWords } from '../core/words/signed'

/** Results before version 4 held their sentences themselves; what they said is read out of them here, and nowhere else. */
interface OlderResults {
  readonly version: number
  readonly scope?: {
    readonly gate: null | {
      readonly kind: string
      readonly by?: readonly { readonly reason: string; readonly reading: string | null }[]
      readonly missing?: readonly string[]
    }
    readonly leftOut: string | null
  }
  readonly parts: readonly {
    readonly id: string
    readonly votes: readonly OlderVote[]
    readonly stages?: readonly { readonly votes: readonly OlderVote[] }[]
    readonly way: { readonly name: string } | null
  }[]
}
interface OlderVote {
  readonly reason: string
  readonly settledBy: string | null
}

const said = (votes: readonly OlderVote[]): VoteWords[] => votes.map(({ reason, settledBy }) => ({ reason, settledBy }))

/** The sentences inside results of before version 4; null for later ones, whose words stand beside them. */
export function olderWords(results: Results): SignedWords | null {
  const { version, scope, parts } = results as unknown as OlderResults
  if (version >= 4) return null
  const gate = scope?.gate
  return {
    scope: {
      gate: [
        ...(gate?.by?.map(({ reason, reading }) => (reading ? `${reason} (reading ${reading})` : reason)) ?? []),
        ...(gate?.missing ?? []),
      ],
      leftOut: scope?.leftOut ?? null,
    },
    parts: Object.fromEntries(
      parts.map(({ id, votes, stages, way }) => [
        id,
        { votes: said(votes), stages: (stages ?? []).map((stage) => said(stage.votes)), way: way?.name ?? null },
      ]),
    ),
  }
}

/** Results of before version 4 with the places of their suspects, which were words, as places that are said as they stand. */
export function olderSuspects(results: Results): Results {
  if ((results.version as number) >= 4) return results
  const placed = (suspect: Suspect): Suspect => {
    const where: unknown = suspect.where
    return {
      ...suspect,
      where: typeof where === 'string' && where !== '' ? { code: 'place', station: where, direction: NO_PLACE } : null,
    }
  }
  return { ...results, crossChecks: results.crossChecks?.map((of) => ({ ...of, suspects: of.suspects.map(placed) })) }
}
