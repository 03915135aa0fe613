import type { Part } from '../book/bookSchema'
import type { Source } from '../limit/limit'
import { type Disposition, dispositionRank } from '../policy/disposition'
import { byStrength, type PartResult, type Span, spanOf, verdictOf, wayOf } from './partVerdict'
import type { Suited, Suits } from './suits'
import { type Vote, vote } from './vote'

/** Parts that a part's rules look at: its mates, those it is renewed with or made to suit, and the part that holds it. */
export const lookedAtBy = ({ id, service = [], within }: Part, suits: Suits): readonly string[] => [
  ...service.flatMap((rule) => (rule.kind === 'withMate' || rule.kind === 'set' ? rule.parts : [])),
  ...(within === undefined ? [] : [within]),
  ...(suits.get(id) ?? []).map(({ part }) => part),
]

/** Everything the verdict of a part may follow from, part by part; only itself where no rule binds it to others. */
export function boundTo(part: Part, partOf: (id: string) => Part | undefined, suits: Suits): readonly string[] {
  const seen = new Set([part.id])
  const next = [part]
  for (let one = next.pop(); one; one = next.pop())
    for (const id of lookedAtBy(one, suits)) {
      const other = partOf(id)
      if (!other || seen.has(id)) continue
      seen.add(id)
      next.push(other)
    }
  return [...seen]
}

/**
 * The verdict of a part with what its rules ask of it for the sake of others: renewed when its mate is, one verdict for a set.
 * Each part's own verdict is known; what follows from part to part is carried on until nothing more follows. It only ever
 * grows stronger, so that the order makes no difference.
 */
export function togetherWith(
  part: Part,
  own: PartResult,
  partOf: (id: string) => Part | undefined,
  ownOf: (id: string) => PartResult | undefined,
  suits: Suits,
): PartResult {
  const ids = boundTo(part, partOf, suits)
  if (ids.length === 1) return own
  const resultOf = (id: string): PartResult | undefined => (id === part.id ? own : ownOf(id))
  // What a part is made to suit follows from what is asked of the other by itself.
  const suitedOf = (id: string): Vote[] =>
    (suits.get(id) ?? []).flatMap((by) => suitedVotes(by, partOf(by.part), resultOf(by.part)))
  const spans = new Map<string, Span>(
    ids.flatMap((id) => {
      const result = resultOf(id)
      return result ? [[id, { mild: result.mild, strong: result.strong }] as const] : []
    }),
  )
  for (let moved = true; moved; ) {
    moved = false
    for (const id of ids) {
      const [one, span] = [partOf(id), spans.get(id)]
      if (!one || !span) continue
      const after = spanOf([...boundVotes(one, spans), ...suitedOf(id), asVote(span)])
      if (after.mild === span.mild && after.strong === span.strong) continue
      spans.set(id, after)
      moved = true
    }
  }
  const bound = [...boundVotes(part, spans), ...suitedOf(part.id)].filter(({ strong }) => dispositionRank[strong] > 0)
  if (bound.length === 0) return own
  const votes = byStrength([...own.votes, ...bound])
  const span = spanOf(votes)
  const stages = own.stages.map((stage) => {
    if (stage.stage !== 'asFound') return stage
    const found = byStrength([...stage.votes, ...bound])
    const of = spanOf(found)
    return { ...stage, votes: found, ...of, verdict: verdictOf(of) }
  })
  return { ...own, stages, votes, ...span, verdict: verdictOf(span), way: wayOf(part, votes, span) }
}

const asVote = ({ mild, strong }: Span): Pick<Vote, 'mild' | 'strong'> => ({ mild, strong })

/** What a part's rules ask of it, from what is possible for the others. */
function boundVotes({ service = [], within }: Part, spans: ReadonlyMap<string, Span>): Vote[] {
  const holder = within === undefined ? undefined : spans.get(within)
  const held = within !== undefined && holder ? [boundVote('within', within, renewalOf(holder), null)] : []
  const byRule = service.flatMap((rule) => {
    if (rule.kind !== 'withMate' && rule.kind !== 'set') return []
    return rule.parts.flatMap((id): Vote[] => {
      const span = spans.get(id)
      if (!span) return []
      return [boundVote(rule.kind, id, rule.kind === 'set' ? span : renewalOf(span), rule.source)]
    })
  })
  return [...byRule, ...held]
}

/**
 * What a route of the mate asks of a part that is made to suit it: a new one, or lining it anew to suit, where the mate is worked by that route; nobody
 * knows while the mate may still be. Regrinding and undersize shells, boring and an oversize piston are one decision.
 */
function suitedVotes({ part, route: id, by }: Suited, mate: Part | undefined, result: PartResult | undefined): Vote[] {
  const route = mate?.routes.find((one) => one.id === id)
  if (!route || !result) return []
  const isWorked = result.verdict === 'recondition' && (result.way?.routes.includes(id) ?? false)
  const mends = new Set([...route.mends, ...(route.suits ?? [])])
  const mayBe =
    result.verdict === 'hold' &&
    result.mild !== 'replace' &&
    result.votes.some(
      ({ strong, route: asked, subject }) =>
        dispositionRank[strong] >= dispositionRank.recondition && (asked === id || (subject !== null && mends.has(subject))),
    )
  if (!isWorked && !mayBe) return []
  const asks = by === null ? 'replace' : 'recondition'
  return [
    vote({
      rule: 'service',
      code: 'suited',
      facts: { part, route: id },
      source: route.source,
      mild: isWorked ? asks : 'reuse',
      strong: asks,
      settledBy: isWorked ? null : { code: 'otherPart', part },
      route: isWorked ? by : null,
    }),
  ]
}

function boundVote(code: 'withMate' | 'set' | 'within', part: string, { mild, strong }: Span, source: Source | null): Vote {
  const settledBy = mild === strong ? null : ({ code: 'otherPart', part } as const)
  return vote({ rule: 'service', code, facts: { part }, source, mild, strong, settledBy })
}

/** What of another part counts here: whether it is renewed. */
const renewalOf = ({ mild, strong }: Span): Span => ({ mild: onlyReplace(mild), strong: onlyReplace(strong) })

/** A mate that is only dressed disturbs nothing. */
const onlyReplace = (disposition: Disposition): Disposition => (disposition === 'replace' ? 'replace' : 'reuse')
