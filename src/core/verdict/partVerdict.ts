import type { Part } from '../book/bookSchema'
import { type Disposition, dispositionRank, mildest, strongest, type Verdict } from '../policy/disposition'
import type { LaterStage, Stage } from '../record/stage'
import type { Need } from '../scope/need'
import { costOf } from './mending'
import { tells } from './reuseRequires'
import type { Vote } from './vote'

/** What one stage says of a part. */
export interface PartStage {
  readonly stage: Stage
  readonly verdict: Verdict
  readonly mild: Disposition
  readonly strong: Disposition
  readonly votes: readonly Vote[]
}

/**
 * The verdict of a part: what was found, and what the last stage measured says of how it is left. The stronger stands, so
 * that nothing leaves the shop on what it was before.
 */
export interface PartResult {
  readonly id: string
  /** As found, and every later stage at which something of it was measured. */
  readonly stages: readonly PartStage[]
  /** notRequired: the level or its gate leaves the whole part out, and nothing found speaks against it. */
  readonly need: Need
  readonly verdict: Verdict
  readonly mild: Disposition
  readonly strong: Disposition
  /** Strongest first. */
  readonly votes: readonly Vote[]
  /** Way, cost and days of the recommended verdict; null while it holds or is reuse. */
  readonly way: {
    /** A new part, routes of the book, a setting to be made, or what its rule says. */
    readonly by: 'newPart' | 'routes' | 'setting' | 'rule'
    readonly routes: readonly string[]
    /** Null where nobody knows yet. */
    readonly cost: number | null
    readonly days: number | null
  } | null
}

export interface Span {
  readonly mild: Disposition
  readonly strong: Disposition
}

/** The strongest vote stands, on both ends of the span. No vote at all leaves everything possible. */
export function spanOf(votes: readonly Span[]): Span {
  if (votes.length === 0) return { mild: 'reuse', strong: 'replace' }
  return votes.reduce<Span>(
    (span, vote) => ({ mild: strongest(span.mild, vote.mild), strong: strongest(span.strong, vote.strong) }),
    { mild: 'reuse', strong: 'reuse' },
  )
}

/** When both ends agree that is the verdict, however much is still unknown; when they differ the verdict is hold. */
export const verdictOf = (span: Span): Verdict => (span.mild === span.strong ? span.mild : 'hold')

/** Strongest first; among equals the surer one, then what tells something before what does not, then the order of the book. */
export function byStrength(votes: readonly Vote[]): Vote[] {
  const carries = (vote: Vote): number => (tells(vote) && vote.rule !== 'leftOut' ? 1 : 0)
  const rank = (vote: Vote): number => dispositionRank[vote.strong] * 100 + dispositionRank[vote.mild] * 10 + carries(vote)
  return [...votes].sort((a, b) => rank(b) - rank(a))
}

interface StageVotes {
  readonly stage: LaterStage
  readonly votes: readonly Vote[]
}

/**
 * The verdict of a part from what was found and from what the later stages measured. The last stage measured decides what
 * leaves the shop: where it asks for more than what was found, it stands; what was found still says what had to be done.
 */
export function partVerdict(part: Part, found: readonly Vote[], later: readonly StageVotes[]): Omit<PartResult, 'need'> {
  const last = later.at(-1)
  // What stands since it was found is one reason, not two.
  const votes = [...new Set([...found, ...(last?.votes ?? [])])]
  const span = spanOf(votes)
  const stages = [{ stage: 'asFound', votes: found } as const, ...later].map(({ stage, votes: own }): PartStage => {
    const ownSpan = spanOf(own)
    return { stage, verdict: verdictOf(ownSpan), ...ownSpan, votes: byStrength(own) }
  })
  return { id: part.id, stages, verdict: verdictOf(span), ...span, votes: byStrength(votes), way: wayOf(part, votes, span) }
}

export function wayOf(part: Part, votes: readonly Vote[], span: Span): PartResult['way'] {
  switch (verdictOf(span)) {
    case 'replace':
      return { by: 'newPart', routes: [], cost: part.replacement?.cost ?? null, days: part.replacement?.days ?? null }
    case 'adjust':
      return settingWay(part, votes)
    case 'recondition':
      return reconditioningWay(part, votes)
    case 'reuse':
    case 'hold':
      return null
  }
}

/** One route that mends everything that asks for mending, at least cost; else the routes of the votes, done together. */
function reconditioningWay(part: Part, votes: readonly Vote[]): PartResult['way'] {
  const asking = votes.filter((vote) => mildest(vote.strong, 'recondition') === 'recondition' && vote.route !== null)
  const chosen = part.routes.filter((route) => asking.some((vote) => vote.route === route.id))
  const coversAll = chosen.filter((route) =>
    asking.every((vote) => vote.route === route.id || (vote.subject !== null && route.mends.includes(vote.subject))),
  )
  const cheapest = [...coversAll].sort((a, b) => (costOf(a) === costOf(b) ? 0 : costOf(a) - costOf(b)))[0]
  const routes = cheapest ? [cheapest] : chosen
  return {
    by: routes.length > 0 ? 'routes' : 'rule',
    routes: routes.map((route) => route.id),
    cost: sumOf(routes.map(({ cost }) => cost)),
    days: sumOf(routes.map(({ days }) => days)),
  }
}

/** What is to be set over, by the routes that the book has for it. */
function settingWay({ routes }: Part, votes: readonly Vote[]): PartResult['way'] {
  const out = votes.filter(({ setting, mild }) => setting !== undefined && mild === 'adjust')
  const chosen = routes.filter(({ id }) => out.some(({ route }) => route === id))
  return {
    by: 'setting',
    routes: chosen.map(({ id }) => id),
    cost: sumOf(chosen.map(({ cost }) => cost)),
    days: sumOf(chosen.map(({ days }) => days)),
  }
}

/** What a rule asks for stands in no list of prices, and one unknown leaves the sum unknown. */
const sumOf = (amounts: readonly (number | null)[]): number | null =>
  amounts.length === 0 ? null : amounts.reduce<number | null>((sum, one) => (sum === null || one === null ? null : sum + one), 0)
