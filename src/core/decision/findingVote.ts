import { countPattern, judgePattern } from '../condition/damagePattern'
import { kindOf, severityLabel, severityRank } from '../condition/findingKinds'
import type { LimitBook, Part } from '../record/bookSchema'
import type { FindingRule } from '../record/procedureSchema'
import type { TraceStep, Vote } from '../record/results'
import { type Finding, standingFindings, type WorkState } from '../work/fold'
import { severityWord, strongestRule } from './findingRule'
import type { Level } from './level'

/** What the findings on a part say: the book's rule for each, its damage patterns, or that no rule decides. */
export function findingVotes(book: LimitBook, part: Part, work: WorkState): Vote[] {
  return [
    ...standingFindings(work)
      .filter((finding) => finding.part === part.id)
      .flatMap((finding) => findingVote(book, finding)),
    ...patternVotes(book, part, work),
    ...lookedVotes(part, work),
  ]
}

function lookedVotes(part: Part, work: WorkState): Vote[] {
  const looked = work.lookedAt.get(part.id)
  if (!looked || standingFindings(work).some((finding) => finding.part === part.id)) return []
  const reason = `Looked at by ${looked.by}: nothing found`
  return [
    {
      rule: 'finding',
      subject: null,
      mild: 'reuse',
      strong: 'reuse',
      reason,
      settledBy: null,
      source: null,
      route: null,
      trace: [],
    },
  ]
}

function findingVote(book: LimitBook, finding: Finding): Vote[] {
  const { label, mends } = kindOf(finding.kind)
  const rule = strongestRule(book.findingRules, finding)
  const what = `${label}, ${severityWord(finding)}`
  if (rule) return [ruleVote(finding, rule, what)]
  if (finding.kind === 'crack')
    return [vote(finding, 'replace', 'replace', `${what}: replaced unless the book names a repair`, null, mends)]
  // A light finding without a rule is on record and decides nothing.
  if (severityRank[finding.severity] === 0) return []
  return [
    vote(finding, 'reuse', 'replace', `${what}: the book has no rule for it`, 'Decide on the part by eye and say why.', mends),
  ]
}

function ruleVote(finding: Finding, rule: FindingRule, what: string): Vote {
  return {
    rule: 'finding',
    subject: finding.id,
    mild: rule.asks,
    strong: rule.asks,
    reason: `${what}: ${rule.text}`,
    settledBy: null,
    source: rule.source,
    route: rule.route,
    trace: [
      { kind: 'finding', text: `noted by ${finding.by}${finding.note === '' ? '' : `: ${finding.note}`}`, source: null },
      { kind: 'rule', text: `from ${severityLabel[rule.severityAtLeast].toLowerCase()}: ${rule.asks}`, source: rule.source },
    ],
  }
}

function vote(finding: Finding, mild: Level, strong: Level, reason: string, settledBy: string | null, mends: string): Vote {
  const trace: TraceStep[] = [
    { kind: 'finding', text: `noted by ${finding.by}${finding.note === '' ? '' : `: ${finding.note}`}`, source: null },
    { kind: 'rule', text: `usually: ${mends}`, source: null },
  ]
  return { rule: 'finding', subject: finding.id, mild, strong, reason, settledBy, source: null, route: null, trace }
}

function patternVotes(book: LimitBook, part: Part, work: WorkState): Vote[] {
  return book.patterns.flatMap((pattern): Vote[] => {
    const seen = work.patterns.get(pattern.id)
    if (pattern.part !== part.id || !seen) return []
    const count = countPattern(pattern.arrangement, seen.states)
    const { standing, reasons } = judgePattern(count, pattern.limits)
    return [
      {
        rule: 'pattern',
        subject: pattern.id,
        mild: standing === 'beyond' ? pattern.asks : 'reuse',
        strong: standing === 'inside' ? 'reuse' : pattern.asks,
        reason: `${pattern.name}: ${reasons.join('; ')}`,
        settledBy: standing === 'open' ? `Look at every ${pattern.element}.` : null,
        source: pattern.source,
        route: standing === 'beyond' ? pattern.route : null,
        trace: [
          {
            kind: 'finding',
            text: `${count.seen} of ${count.elements} seen by ${seen.by}: ${count.broken} broken, ${count.adjacentPairs} adjacent pairs, ${count.worn} worn`,
            source: null,
          },
          { kind: 'rule', text: pattern.instruction, source: pattern.source },
        ],
      },
    ]
  })
}
