import type { Part } from '../book/bookSchema'
import { type Disposition, dispositionRank, strongest, type Verdict } from '../policy/disposition'
import { byStrength, type PartResult, type Span, spanOf, verdictOf, wayOf } from './partVerdict'
import type { Vote, VoteRule } from './vote'

/** What says how worn a part is: what was measured of it, what was found on it, and what is still open of that. */
const SAYS_WEAR: ReadonlySet<VoteRule> = new Set<VoteRule>([
  ...(['limit', 'fit', 'change', 'limitOpen', 'notMeasured', 'cannot', 'repeats', 'gauge', 'stripScale', 'shims'] as const),
  ...(['springLine', 'formula', 'crossCheck', 'finding', 'pattern'] as const),
])

/**
 * What is known of a part that a setting rests on. It is sound where everything measured of it is inside its limits and somebody
 * has looked at it; what is renewed or mended in any case is settled by its own verdict.
 */
export function soundnessOf({ votes }: PartResult): Span {
  const renewed = votes.some(({ rule, mild }) => rule === 'service' && mild === 'replace')
  if (renewed) return SOUND
  const span = spanOf([SOUND, ...votes.filter(({ rule }) => SAYS_WEAR.has(rule)).map(wearOf)])
  const isLookedAt = votes.some(({ rule }) => rule === 'finding' || rule === 'pattern')
  return isLookedAt || span.mild !== 'reuse' ? span : { mild: 'reuse', strong: 'replace' }
}

/** Of a setting that counts which its wear, or the end of its adjustment, could still ask for. */
const wearOf = (vote: Vote): Span =>
  vote.setting ? { mild: 'reuse', strong: vote.setting.otherwise === 'adjust' ? 'reuse' : vote.setting.otherwise } : vote

const SOUND: Span = { mild: 'reuse', strong: 'reuse' }

type ResultOf = (part: string) => PartResult | undefined

/**
 * Votes of settings judged by the parts they rest on: adjust where these are sound, else open up to what they ask for or could
 * still ask for: what is out may be their wear. Nothing of a setting is asked of the parts in its chain.
 */
export function settledVotes(votes: readonly Vote[], resultOf: ResultOf): readonly Vote[] {
  const chain = new Set(votes.flatMap(({ setting }) => setting?.chain ?? []))
  if (chain.size === 0) return votes
  const open = new Map<string, Span>()
  for (const id of chain) {
    const of = resultOf(id)
    const span = of && soundnessOf(of)
    if (span && span.strong !== 'reuse') open.set(id, span)
  }
  return byStrength(votes.map((vote) => (vote.setting ? settledBy(vote, vote.setting.chain, open) : vote)))
}

interface Voted extends Span {
  readonly verdict: Verdict
  readonly votes: readonly Vote[]
}

/** What was judged of anything, with its settings judged by what they rest on. */
export function withSettledVotes<T extends Voted>(of: T, resultOf: ResultOf): T {
  const votes = settledVotes(of.votes, resultOf)
  if (votes === of.votes) return of
  const span = spanOf(votes)
  return { ...of, votes, ...span, verdict: verdictOf(span) }
}

/** The verdict of a part with its settings judged by the parts they rest on. */
export function withChains(part: Part, own: PartResult, resultOf: ResultOf): PartResult {
  const made = withSettledVotes({ ...own, stages: own.stages.map((stage) => withSettledVotes(stage, resultOf)) }, resultOf)
  return { ...made, way: wayOf(part, made.votes, made) }
}

function settledBy(vote: Vote, chain: readonly string[], open: ReadonlyMap<string, Span>): Vote {
  const waiting = chain.filter((id) => open.has(id))
  const strong = waiting.reduce<Disposition>(
    (most, id) => strongest(most, open.get(id)?.strong ?? 'adjust'),
    strongest('adjust', vote.setting?.otherwise ?? 'adjust'),
  )
  if (dispositionRank[vote.mild] > 1 || vote.mild === strong)
    return { ...vote, strong: strongest(vote.mild, strong), settledBy: null }
  // The value itself is asked for first.
  if (vote.mild === 'reuse') return { ...vote, strong }
  const [worn] = waiting.filter((id) => open.get(id)?.mild !== 'reuse')
  const unknown = waiting.filter((id) => open.get(id)?.mild === 'reuse')
  return {
    ...vote,
    strong,
    settledBy:
      unknown.length > 0 ? { code: 'chain', parts: unknown } : worn ? { code: 'otherPart', part: worn } : { code: 'routesNeed' },
  }
}
