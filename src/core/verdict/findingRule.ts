import type { FindingRule } from '../book/procedureSchema'
import { type FindingKind, type Severity, severityRank } from '../condition/findingKinds'
import { dispositionRank } from '../policy/disposition'

interface Seen {
  readonly part: string
  readonly kind: FindingKind
  readonly severity: Severity
}

/** What the book says about a finding for a part, its own or another one: of the rules that apply, the one that asks for most. */
export function strongestRule(rules: readonly FindingRule[], finding: Seen, decides = finding.part): FindingRule | null {
  return rules
    .filter(
      (rule) =>
        rule.part === decides &&
        (rule.foundOn ?? rule.part) === finding.part &&
        rule.kinds.includes(finding.kind) &&
        severityRank[finding.severity] >= severityRank[rule.severityAtLeast],
    )
    .reduce<FindingRule | null>(
      (best, rule) => (best === null || dispositionRank[rule.asks] > dispositionRank[best.asks] ? rule : best),
      null,
    )
}
