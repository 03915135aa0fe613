import type { Source } from '../limit/limit'
import type { Level } from '../policy/disposition'
import type { Stage } from '../record/stage'

/** One step of the way from readings to verdict, in words and figures. */
export interface TraceStep {
  readonly kind: 'reading' | 'reduction' | 'uncertainty' | 'limit' | 'forecast' | 'finding' | 'route' | 'rule'
  readonly text: string
  readonly source: Source | null
}

export type VoteRule =
  | 'limit'
  | 'forecast'
  | 'fit'
  | 'notMeasured'
  | 'repeats'
  | 'stripScale'
  | 'shims'
  | 'springLine'
  | 'formula'
  | 'cannot'
  | 'service'
  | 'finding'
  | 'pattern'
  | 'leftOut'
  | 'change'
  | 'crossCheck'
  | 'gauge'
  | 'information'
  | 'nothingKnown'

/** What a vote rests on, beside its sentence: codes and figures in fixed units. */
export type VoteFacts = Readonly<Record<string, string | number | boolean | null | readonly string[]>>

/** One rule's say on a part: the mildest and strongest level it leaves possible. */
export interface Vote {
  readonly rule: VoteRule
  /** What the rule found, in a word of its own: `beyond`, `undecided`, `notMeasured` … */
  readonly code: string
  readonly facts: VoteFacts
  /** Stage whose readings it speaks of. */
  readonly stage: Stage
  /** Characteristic, fit, finding or pattern that gave it; null for a rule about the part itself. */
  readonly subject: string | null
  readonly mild: Level
  readonly strong: Level
  /** One line: value, limit, unit. */
  readonly reason: string
  /** What would settle it where mild and strong differ. */
  readonly settledBy: string | null
  readonly source: Source | null
  readonly route: string | null
  readonly trace: readonly TraceStep[]
}

type Said = Pick<Vote, 'rule' | 'code' | 'mild' | 'strong' | 'reason'> & Partial<Vote>

/** A vote with what most of them do not say left empty. */
export const vote = (said: Said): Vote => ({
  facts: {},
  stage: 'asFound',
  subject: null,
  settledBy: null,
  source: null,
  route: null,
  trace: [],
  ...said,
})

/** A vote that leaves both ends open to where its limits could lead. */
export const openVote = (said: Omit<Said, 'mild'> & { readonly strong: Level }): Vote => vote({ ...said, mild: 'reuse' })
