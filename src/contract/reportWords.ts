import type { SignedWords } from '../core/words/signed'

/** What a report says in sentences, as it was signed; figures, limits and verdicts are laid out from its content. */
export interface ReportWords {
  readonly results: SignedWords
  readonly notes: NoteFacts
}

/** Everything before the gauge that goes into a report. */
export interface NoteFacts {
  /** Level, what its gate did, and why the rest is left out; empty for a job without a level. */
  readonly scope: readonly string[]
  readonly complaint: { readonly text: string; readonly standing: string } | null
  readonly findings: readonly {
    readonly id: string
    readonly title: string
    readonly detail: string
    readonly cause: string | null
  }[]
  /** Patterns, hand tests and parts looked at without a finding, one line each. */
  readonly looked: readonly string[]
  /** How parts lay and were marked, position by position: tag, facing, marks, thickness, notes. */
  readonly lay: readonly { readonly name: string; readonly words: string }[]
  readonly openCauses: readonly string[]
  /** Steps skipped or not done, missing tags and marks, things still inside: what the reviewer must know. */
  readonly exceptions: readonly string[]
  readonly log: readonly { readonly id: string; readonly what: string; readonly by: string; readonly at: string }[]
}
