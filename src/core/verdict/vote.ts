import type { Vote } from '../evaluate/results'
import type { Level } from '../policy/disposition'

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
