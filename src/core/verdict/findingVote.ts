import type { LimitBook, Part } from '../book/bookSchema'
import type { FindingRule } from '../book/procedureSchema'
import { countPattern, judgePattern } from '../condition/damagePattern'
import { severityRank } from '../condition/findingKinds'
import { type Finding, type NotesState, standingFindings } from '../notes/state'
import type { Disposition } from '../policy/disposition'
import { strongestRule } from './findingRule'
import { type RouteContext, routeOutcome } from './mending'
import type { Settling, TraceStep, Vote } from './vote'
import { vote } from './vote'

/** What the findings on a part say: the book's rule for each, its damage patterns, or that no rule decides. */
export function findingVotes(book: LimitBook, part: Part, noted: NotesState, routes: RouteContext): Vote[] {
  return [
    ...standingFindings(noted).flatMap((finding) =>
      finding.part === part.id ? findingVote(book, part, finding, routes) : votesFromElsewhere(book, part, finding, routes),
    ),
    ...patternVotes(book, part, noted, routes),
    ...lookedVotes(part, noted),
  ]
}

function lookedVotes(part: Part, noted: NotesState): Vote[] {
  const looked = noted.inspected.get(part.id)
  if (!looked || standingFindings(noted).some((finding) => finding.part === part.id)) return []
  return [vote({ rule: 'finding', code: 'nothingFound', facts: { by: looked.by }, mild: 'reuse', strong: 'reuse' })]
}

function findingVote(book: LimitBook, part: Part, finding: Finding, routes: RouteContext): Vote[] {
  const rule = strongestRule(book.findingRules, finding)
  if (rule) return [ruleVote(part, finding, rule, routes)]
  const { kind, severity } = finding
  const said = {
    rule: 'finding',
    facts: { finding: kind, severity },
    subject: finding.id,
    trace: [notedStep(finding), { kind: 'rule', code: 'usually', finding: kind, source: null }],
  } as const
  if (kind === 'crack') return [vote({ ...said, code: 'crack', mild: 'replace', strong: 'replace' })]
  // A light finding without a rule is on record and decides nothing.
  if (severityRank[severity] === 0) return []
  return [vote({ ...said, code: 'noRule', mild: 'reuse', strong: 'replace', settledBy: { code: 'byEye' } })]
}

/** What a finding on one part decides of another, where a rule of the book says so. */
function votesFromElsewhere(book: LimitBook, part: Part, finding: Finding, routes: RouteContext): Vote[] {
  const rule = strongestRule(book.findingRules, finding, part.id)
  return rule ? [ruleVote(part, finding, rule, routes)] : []
}

/** What a rule asks for by a route, with the route tried at the size found: one that is closed there asks for the next stronger. */
function byRoute(
  part: Part,
  asks: Disposition,
  routeId: string | null,
  routes: RouteContext,
): {
  readonly mild: Disposition
  readonly strong: Disposition
  readonly route: string | null
  readonly says: TraceStep[]
  readonly settledBy: Settling | null
} {
  const route = part.routes.find(({ id }) => id === routeId)
  if (asks !== 'recondition' || !route) return { mild: asks, strong: asks, route: routeId, says: [], settledBy: null }
  const { outcome, says, needs } = routeOutcome(part, route, routes)
  const step: TraceStep = { kind: 'route', ...says, source: route.source }
  switch (outcome) {
    case 'feasible':
      return { mild: asks, strong: asks, route: route.id, says: [step], settledBy: null }
    case 'infeasible':
      return { mild: 'replace', strong: 'replace', route: null, says: [step], settledBy: null }
    case 'unknown':
      return {
        mild: asks,
        strong: 'replace',
        route: null,
        says: [step],
        settledBy: needs ?? { code: 'routeNeeds', part: part.id, route: route.id },
      }
  }
}

function ruleVote(part: Part, finding: Finding, rule: FindingRule, routes: RouteContext): Vote {
  const { says, ...asked } = byRoute(part, rule.asks, rule.route, routes)
  return vote({
    rule: 'finding',
    code: 'rule',
    facts: { finding: finding.kind, severity: finding.severity, byRule: rule.id },
    subject: finding.id,
    ...asked,
    source: rule.source,
    trace: [
      notedStep(finding),
      { kind: 'rule', code: 'severity', from: rule.severityAtLeast, asks: rule.asks, source: rule.source },
      ...says,
    ],
  })
}

const notedStep = ({ by, note }: Finding): TraceStep => ({ kind: 'finding', code: 'noted', by, note, source: null })

function patternVotes(book: LimitBook, part: Part, noted: NotesState, routes: RouteContext): Vote[] {
  return book.patterns.flatMap((pattern): Vote[] => {
    const seen = noted.patterns.get(pattern.id)
    if (pattern.part !== part.id || !seen) return []
    const { limits } = pattern
    const count = countPattern(pattern.arrangement, seen.states)
    const standing = judgePattern(count, limits)
    const isBeyond = standing === 'beyond'
    // Broken elements are not dressed: where they are too many, only new ones bring the part back.
    const isDressed = part.routes.find(({ id }) => id === pattern.route)?.effect === 'takesOff'
    const isBroken = count.broken > limits.brokenAtMost || count.longestRun > limits.adjacentAtMost
    const { says, ...asked } =
      isDressed && (isBroken || !isBeyond)
        ? byRoute(part, 'replace', null, routes)
        : byRoute(part, pattern.asks, pattern.route, routes)
    return [
      vote({
        rule: 'pattern',
        code: standing,
        facts: { count, limits },
        subject: pattern.id,
        mild: isBeyond ? asked.mild : 'reuse',
        strong: standing === 'inside' ? 'reuse' : asked.strong,
        settledBy: standing === 'open' ? { code: 'lookAtEvery', pattern: pattern.id } : isBeyond ? asked.settledBy : null,
        source: pattern.source,
        route: isBeyond ? asked.route : null,
        trace: [
          { kind: 'finding', code: 'pattern', by: seen.by, count, source: null },
          { kind: 'rule', code: 'pattern', pattern: pattern.id, source: pattern.source },
          ...(isBeyond ? says : []),
        ],
      }),
    ]
  })
}
