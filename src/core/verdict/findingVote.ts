import type { LimitBook, Part } from '../book/bookSchema'
import type { FindingRule } from '../book/procedureSchema'
import { countPattern, judgePattern } from '../condition/damagePattern'
import { kindOf, severityLabel, severityRank } from '../condition/findingKinds'
import { type Finding, standingFindings, type WorkState } from '../notes/state'
import type { Level } from '../policy/disposition'
import { severityWord, strongestRule } from './findingRule'
import { type RouteContext, routeOutcome } from './mending'
import type { TraceStep, Vote } from './vote'
import { vote } from './vote'

/** What the findings on a part say: the book's rule for each, its damage patterns, or that no rule decides. */
export function findingVotes(book: LimitBook, part: Part, work: WorkState, routes: RouteContext): Vote[] {
  return [
    ...standingFindings(work)
      .filter((finding) => finding.part === part.id)
      .flatMap((finding) => findingVote(book, part, finding, routes)),
    ...patternVotes(book, part, work, routes),
    ...lookedVotes(part, work),
  ]
}

function lookedVotes(part: Part, work: WorkState): Vote[] {
  const looked = work.lookedAt.get(part.id)
  if (!looked || standingFindings(work).some((finding) => finding.part === part.id)) return []
  const reason = `Looked at by ${looked.by}: nothing found`
  return [vote({ rule: 'finding', code: 'nothingFound', mild: 'reuse', strong: 'reuse', reason })]
}

function findingVote(book: LimitBook, part: Part, finding: Finding, routes: RouteContext): Vote[] {
  const { label, mends } = kindOf(finding.kind)
  const rule = strongestRule(book.findingRules, finding)
  const what = `${label}, ${severityWord(finding)}`
  if (rule) return [ruleVote(part, finding, rule, what, routes)]
  if (finding.kind === 'crack')
    return [found(finding, 'noRule', 'replace', 'replace', `${what}: replaced unless the book names a repair`, null, mends)]
  // A light finding without a rule is on record and decides nothing.
  if (severityRank[finding.severity] === 0) return []
  return [
    found(
      finding,
      'noRule',
      'reuse',
      'replace',
      `${what}: the book has no rule for it`,
      'Decide on the part by eye and say why.',
      mends,
    ),
  ]
}

/** What a rule asks for by a route, with the route tried at the size found: one that is closed there asks for the next stronger. */
function byRoute(
  part: Part,
  asks: Level,
  routeId: string | null,
  routes: RouteContext,
): {
  readonly mild: Level
  readonly strong: Level
  readonly route: string | null
  readonly says: TraceStep[]
  readonly settledBy: string | null
} {
  const route = part.routes.find(({ id }) => id === routeId)
  if (asks !== 'recondition' || !route) return { mild: asks, strong: asks, route: routeId, says: [], settledBy: null }
  const { outcome, says, needs } = routeOutcome(route, routes)
  const step: TraceStep = { kind: 'route', text: says, source: route.source }
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
        settledBy: needs ?? `Measure what “${route.name}” needs.`,
      }
  }
}

function ruleVote(part: Part, finding: Finding, rule: FindingRule, what: string, routes: RouteContext): Vote {
  const { says, ...asked } = byRoute(part, rule.asks, rule.route, routes)
  return vote({
    rule: 'finding',
    code: 'rule',
    facts: { finding: finding.kind, severity: finding.severity, ruleId: rule.id, asks: rule.asks },
    subject: finding.id,
    ...asked,
    reason: `${what}: ${rule.text}`,
    source: rule.source,
    trace: [
      notedStep(finding),
      { kind: 'rule', text: `from ${severityLabel[rule.severityAtLeast].toLowerCase()}: ${rule.asks}`, source: rule.source },
      ...says,
    ],
  })
}

const notedStep = (finding: Finding): TraceStep => ({
  kind: 'finding',
  text: `noted by ${finding.by}${finding.note === '' ? '' : `: ${finding.note}`}`,
  source: null,
})

const found = (
  finding: Finding,
  code: string,
  mild: Level,
  strong: Level,
  reason: string,
  settledBy: string | null,
  mends: string,
): Vote =>
  vote({
    rule: 'finding',
    code,
    facts: { finding: finding.kind, severity: finding.severity },
    subject: finding.id,
    mild,
    strong,
    reason,
    settledBy,
    trace: [notedStep(finding), { kind: 'rule', text: `usually: ${mends}`, source: null }],
  })

function patternVotes(book: LimitBook, part: Part, work: WorkState, routes: RouteContext): Vote[] {
  return book.patterns.flatMap((pattern): Vote[] => {
    const seen = work.patterns.get(pattern.id)
    if (pattern.part !== part.id || !seen) return []
    const count = countPattern(pattern.arrangement, seen.states)
    const { standing, reasons } = judgePattern(count, pattern.limits)
    const { says, ...asked } = byRoute(part, pattern.asks, pattern.route, routes)
    const isBeyond = standing === 'beyond'
    return [
      vote({
        rule: 'pattern',
        code: standing,
        facts: {
          broken: count.broken,
          adjacentPairs: count.adjacentPairs,
          worn: count.worn,
          seen: count.seen,
          of: count.elements,
        },
        subject: pattern.id,
        mild: isBeyond ? asked.mild : 'reuse',
        strong: standing === 'inside' ? 'reuse' : asked.strong,
        reason: `${pattern.name}: ${reasons.join('; ')}`,
        settledBy: standing === 'open' ? `Look at every ${pattern.element}.` : isBeyond ? asked.settledBy : null,
        source: pattern.source,
        route: isBeyond ? asked.route : null,
        trace: [
          {
            kind: 'finding',
            text: `${count.seen} of ${count.elements} seen by ${seen.by}: ${count.broken} broken, ${count.adjacentPairs} adjacent pairs, ${count.worn} worn`,
            source: null,
          },
          { kind: 'rule', text: pattern.instruction, source: pattern.source },
          ...(isBeyond ? says : []),
        ],
      }),
    ]
  })
}
